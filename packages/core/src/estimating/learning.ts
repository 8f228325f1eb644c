/** How a hand gets quicker from model to model. */
export interface Learning {
  /** Time of unit 2n over that of unit n: 0.95 common practice; 1 for none. */
  readonly rate: number
  /** The curve is flat from this unit on. */
  readonly flatFrom: number
}

/**
 * Time of the n-th unit over that of the first, by Crawford's unit curve: t_n = t_1 · n^(log2 rate), flat from
 * `flatFrom` on (Wright 1936; Crawford's reading, in which the curve is that of single units).
 * @throws RangeError a unit below 1, a rate outside 0 to 1, a flat part before the first unit.
 */
export function learningFactor(unit: number, { rate, flatFrom }: Learning): number {
  if (!(unit >= 1) || !(rate > 0 && rate <= 1) || !(flatFrom >= 1)) {
    throw new RangeError(
      `no learning curve: unit ${String(unit)}, rate ${String(rate)}, flat from ${String(flatFrom)}`,
    )
  }
  return Math.min(unit, flatFrom) ** Math.log2(rate)
}

/** The factors of `count` units after `done` of them, added up. */
export function learningTotal(done: number, count: number, learning: Learning): number {
  let total = 0
  for (let unit = 1; unit <= count; unit++) total += learningFactor(done + unit, learning)
  return total
}

/** Days after which half of what was learned is forgotten: from memory, to be replaced by records. */
const halfForgottenAfterDays = 45

/**
 * Units that still count as done after a gap: experience is forgotten in part, by half every 45 days, and the
 * hand goes back along its curve.
 */
export function rememberedUnits(done: number, gapDays: number): number {
  return done * 0.5 ** (Math.max(0, gapDays) / halfForgottenAfterDays)
}
