/** Regions by name or number; `'whole'` is all of them. */
export type Regions<T> = readonly T[] | 'whole'

/** Whether work on the one has to keep a wait on the other. */
export function regionsMeet<T>(a: Regions<T>, b: Regions<T>): boolean {
  if (a === 'whole' || b === 'whole') return true
  return a.some((region) => b.includes(region))
}
