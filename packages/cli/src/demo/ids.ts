/** Ids that never change, in the shape of a UUIDv7. */
export function sequentialIds(): () => string {
  let count = 0
  return () => {
    count += 1
    return `01930000-0000-7000-8000-${count.toString(16).padStart(12, '0')}`
  }
}

export const nextId = sequentialIds()
