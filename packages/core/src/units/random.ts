/** The next number in [0, 1). */
export type RandomUnit = () => number

/**
 * A small seeded generator (mulberry32, a public-domain 32-bit mixer; from memory): one seed, one
 * sequence, on every machine. Good enough to walk a search, not for secrets.
 */
export function seededRandom(seed: number): RandomUnit {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let mixed = Math.imul(state ^ (state >>> 15), state | 1)
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61)
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296
  }
}
