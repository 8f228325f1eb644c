/**
 * The first moment from `from` on at which `models` more find a place for `length`, with `places` in all.
 * @param entries three figures each: from, until and how many; `count` of them.
 */
export function rackReady(
  entries: Float64Array,
  count: number,
  places: number,
  from: number,
  length: number,
  models: number,
): number {
  let start = from
  for (;;) {
    let release = Number.POSITIVE_INFINITY
    let most = used(entries, count, start)
    for (let at = 0; at < count * 3; at += 3) {
      const begins = entries[at] ?? 0
      const until = entries[at + 1] ?? 0
      if (until <= start || begins >= start + length) continue
      // Use is highest where something is put on it.
      if (begins > start) most = Math.max(most, used(entries, count, begins))
      if (until < release) release = until
    }
    if (most + models <= places || release === Number.POSITIVE_INFINITY) return start
    start = release
  }
}

function used(entries: Float64Array, count: number, moment: number): number {
  let sum = 0
  for (let at = 0; at < count * 3; at += 3) {
    if ((entries[at] ?? 0) <= moment && (entries[at + 1] ?? 0) > moment) sum += entries[at + 2] ?? 0
  }
  return sum
}
