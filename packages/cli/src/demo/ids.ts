import { createHash } from 'node:crypto'

/** Ids that never change, in the shape of a UUIDv7; others for another `text`, so that what is made of both can stand together. */
export function sequentialIds(text = ''): () => string {
  let count = 0
  const told = createHash('sha256').update(text).digest('hex')
  const own = text === '' ? '0000-7000' : `${told.slice(0, 4)}-7${told.slice(4, 7)}`
  return () => {
    count += 1
    return `01930000-${own}-8000-${count.toString(16).padStart(12, '0')}`
  }
}

export const nextId = sequentialIds()
