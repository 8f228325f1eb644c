let count = 0

/** Ids that never change, in the shape of a UUIDv7. */
export function nextId(): string {
  count += 1
  return `01930000-0000-7000-8000-${count.toString(16).padStart(12, '0')}`
}
