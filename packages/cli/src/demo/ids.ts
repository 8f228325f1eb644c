/** Ids that never change, in the shape of a UUIDv7; others for another `text`, so that what is made of both can stand together. */
export function sequentialIds(text = ''): () => string {
  let count = 0
  const own = text === '' ? '8000' : `8${hashOf(text).toString(16).padStart(3, '0')}`
  return () => {
    count += 1
    return `01930000-0000-7000-${own}-${count.toString(16).padStart(12, '0')}`
  }
}

/** 12 bits (FNV-1a, folded). */
function hashOf(text: string): number {
  let hash = 2166136261
  for (const letter of text) hash = Math.imul(hash ^ (letter.codePointAt(0) ?? 0), 16777619) >>> 0
  return (hash ^ (hash >>> 12) ^ (hash >>> 24)) & 0xfff
}

export const nextId = sequentialIds()
