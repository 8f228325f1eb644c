let keys = 0
const known = new WeakMap<object, number>()

/** Inputs are told apart by identity (the caller memoises them); comparing their contents would cost more. */
export function inputKey(input: object | null | undefined): number {
  if (!input) return 0
  let key = known.get(input)
  if (key === undefined) {
    key = keys += 1
    known.set(input, key)
  }
  return key
}
