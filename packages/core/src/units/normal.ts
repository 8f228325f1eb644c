import type { RandomUnit } from './random.ts'

/** Standard normal numbers by the polar method (Marsaglia & Bray 1964), two at a time. */
export function normalFrom(random: RandomUnit): () => number {
  let spare: number | null = null
  return () => {
    if (spare !== null) {
      const kept = spare
      spare = null
      return kept
    }
    for (;;) {
      const u = 2 * random() - 1
      const v = 2 * random() - 1
      const s = u * u + v * v
      if (s === 0 || s >= 1) continue
      const scale = Math.sqrt((-2 * Math.log(s)) / s)
      spare = v * scale
      return u * scale
    }
  }
}

/** χ² with so many degrees of freedom: its normal approximation (Wilson & Hilferty 1931), good from about three on. */
export function chiSquareFrom(normal: () => number, freedom: number): number {
  const part = 2 / (9 * freedom)
  return freedom * Math.max(1e-3, 1 - part + Math.sqrt(part) * normal()) ** 3
}
