import { sameJson } from './same-json.ts'

/** A field that two changed otherwise. */
export interface FieldClash {
  readonly field: string
  readonly theirs: unknown
  readonly mine: unknown
}

interface Merged<Thing> {
  /** Theirs, with every field that I changed as I want it. */
  readonly merged: Thing
  readonly clashes: readonly FieldClash[]
}

/**
 * A thing that was opened as `before`, changed by somebody to `theirs` and by me to `mine`, field by field. What I did not
 * touch stays as they want it.
 */
export function mergeFields<Thing extends object>(before: Thing, theirs: Thing, mine: Thing): Merged<Thing> {
  const clashes: FieldClash[] = []
  const merged = { ...theirs }
  for (const field of Object.keys(mine) as (keyof Thing & string)[]) {
    if (sameJson(before[field], mine[field])) continue
    merged[field] = mine[field]
    const isAlike = sameJson(before[field], theirs[field]) || sameJson(theirs[field], mine[field])
    if (!isAlike) clashes.push({ field, theirs: theirs[field], mine: mine[field] })
  }
  return { merged, clashes }
}
