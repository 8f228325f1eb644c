/**
 * The value that a standard normal variable stays below in this share of all cases, to seven digits.
 * Source: M. J. Wichura, Algorithm AS 241 (PPND7), Applied Statistics 37 (1988).
 * @param share between 0 and 1, both left out: there it is without end.
 */
export function normalQuantile(share: number): number {
  const q = share - 0.5
  if (Math.abs(q) <= 0.425) {
    const r = 0.425 ** 2 - q * q
    return (
      (q * along(r, [3.387_132_717_9, 50.434_271_938, 159.291_132_02, 59.109_374_72])) /
      along(r, [1, 17.895_169_469, 78.757_757_664, 67.187_563_6])
    )
  }
  const r = Math.sqrt(-Math.log(Math.min(share, 1 - share)))
  const beyond =
    r <= 5
      ? along(r - 1.6, [1.423_437_277_7, 2.756_815_39, 1.306_728_481_6, 0.170_238_211_03]) /
        along(r - 1.6, [1, 0.737_001_642_5, 0.120_211_329_75])
      : along(r - 5, [6.657_905_115, 3.081_226_386, 0.428_682_943_37, 0.017_337_203_997]) /
        along(r - 5, [1, 0.241_978_942_25, 0.012_258_202_635])
  return q < 0 ? -beyond : beyond
}

/**
 * The same for Student's t, between one in ten and nine in ten of all cases to four digits from four degrees of freedom on,
 * and the closer the more there are.
 * Source: M. Abramowitz, I. A. Stegun, Handbook of Mathematical Functions (1964), 26.7.5.
 */
export function studentQuantile(share: number, freedom: number): number {
  const x = normalQuantile(share)
  const square = x * x
  return (
    x *
    along(1 / freedom, [
      1,
      along(square, [1, 1]) / 4,
      along(square, [3, 16, 5]) / 96,
      along(square, [-15, 17, 19, 3]) / 384,
      along(square, [-945, -1920, 1482, 776, 79]) / 92_160,
    ])
  )
}

/** A polynomial, its constant first. */
function along(x: number, coefficients: readonly number[]): number {
  return coefficients.reduceRight((sum, each) => sum * x + each, 0)
}
