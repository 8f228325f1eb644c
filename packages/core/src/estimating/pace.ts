import jstat from 'jstat'

/**
 * What is believed of a pace, as the logarithm of how many times the preset it takes: its mean and its precision
 * are normal–gamma distributed (DeGroot 1970; the names of Murphy 2007 in brackets).
 */
export interface PaceBelief {
  /** [μ] */
  readonly mean: number
  /** Laps that the mean is worth [κ]. */
  readonly weight: number
  /** Half the laps that the spread is worth [α]. */
  readonly shape: number
  /** [β] */
  readonly scale: number
}

/** One lap, or a part of it: how many times the preset it took. */
export interface PaceLap {
  readonly factor: number
  /** 1 for a lap that says all it can; less for one that is shared out, or odd. */
  readonly weight: number
}

/** A pace as a factor on the preset: likely, and between these with a chance. */
export interface PaceRange {
  readonly low: number
  readonly likely: number
  readonly high: number
}

/**
 * A belief before any lap: the preset times `factor`, worth `laps` laps, single laps spreading by `spread` (the
 * standard deviation of the logarithm). @throws RangeError what is not positive.
 */
export function presetPace(factor: number, laps: number, spread: number): PaceBelief {
  if (!(factor > 0 && laps > 0 && spread > 0)) {
    throw new RangeError(`no pace: ${String(factor)}, ${String(laps)}, ${String(spread)}`)
  }
  const shape = laps / 2
  return { mean: Math.log(factor), weight: laps, shape, scale: shape * spread ** 2 }
}

/**
 * The belief after laps; which of them came first makes no difference. A lap without a positive factor or weight
 * says nothing of a pace and is passed over.
 */
export function learnPace(belief: PaceBelief, laps: readonly PaceLap[]): PaceBelief {
  const known = laps.flatMap(({ factor, weight }) =>
    factor > 0 && Number.isFinite(factor) && weight > 0 ? [{ log: Math.log(factor), weight }] : [],
  )
  const weight = known.reduce((sum, lap) => sum + lap.weight, 0)
  if (weight === 0) return belief
  const mean = known.reduce((sum, lap) => sum + lap.weight * lap.log, 0) / weight
  const squares = known.reduce((sum, lap) => sum + lap.weight * (lap.log - mean) ** 2, 0)
  const all = belief.weight + weight
  return {
    mean: (belief.weight * belief.mean + weight * mean) / all,
    weight: all,
    shape: belief.shape + weight / 2,
    scale: belief.scale + squares / 2 + (belief.weight * weight * (mean - belief.mean) ** 2) / (2 * all),
  }
}

/** The pace of a lap to come, between `low` and `high` with this chance: Student's t on the logarithm. */
export function lapPace(belief: PaceBelief, chance = 0.8): PaceRange {
  return range(belief, chance, (belief.scale * (belief.weight + 1)) / (belief.shape * belief.weight))
}

/** The pace itself, which many laps come to on average. */
export function meanPace(belief: PaceBelief, chance = 0.8): PaceRange {
  return range(belief, chance, belief.scale / (belief.shape * belief.weight))
}

function range({ mean, shape }: PaceBelief, chance: number, square: number): PaceRange {
  const reach = jstat.studentt.inv(0.5 + chance / 2, 2 * shape) * Math.sqrt(square)
  return { low: Math.exp(mean - reach), likely: Math.exp(mean), high: Math.exp(mean + reach) }
}

/** Standard deviations beyond which a lap counts less; from Huber (1964), rounded up. */
const odd = 2

/**
 * How much each lap counts against a belief: all of it near by, the less the odder it is (Huber's weights), and
 * never nothing: an interruption is taken for one without being thrown away.
 */
export function oddness(belief: PaceBelief, factors: readonly number[]): readonly number[] {
  const spread = Math.sqrt(belief.scale / belief.shape)
  return factors.map((factor) => {
    if (!(factor > 0) || !Number.isFinite(factor)) return 0
    const deviation = Math.abs(Math.log(factor) - belief.mean) / spread
    return deviation <= odd ? 1 : odd / deviation
  })
}
