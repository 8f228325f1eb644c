import type { PlanningInput } from '@seriatim/core'

let keys = 0
const known = new WeakMap<PlanningInput, number>()

/** Inputs are told apart by identity (the caller memoises them); comparing their contents would cost more. */
export function inputKey(input: PlanningInput | null): number {
  if (!input) return 0
  let key = known.get(input)
  if (key === undefined) {
    key = keys += 1
    known.set(input, key)
  }
  return key
}
