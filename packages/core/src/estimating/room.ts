import type { Desk, Wishes, Work } from '../trade/index.ts'
import { amountsLeft, besideByBatch } from './amounts-left.ts'
import { spreadTotal, type LineEstimate, type StageAmount } from './estimate-line.ts'
import { mishapPresets, spreadPresets } from '../presets/index.ts'
import { lapSpread } from './rates.ts'
import { touchUpWork } from './touch-up.ts'

/** What a plan leaves free for what is to be expected, though nobody knows where. */
export interface Room {
  /** Share of each session that is left free, 0 to 1. */
  readonly share: number
  /** Share of sessions that fall out. */
  readonly skipped: number
  /** Work as it turns out in the middle of all futures, for work as estimated: slow models, touch-ups. */
  readonly longer: number
}

/** An evening is never laid emptier than this. */
const mostRoom = 0.6

/**
 * How full sessions may be laid so that the plan's end is the one in the middle of all futures. A few slow models and a
 * few slow techniques weigh more than quick ones save (the mean of a log-normal lies above its median), some models slip,
 * and some sessions fall out.
 */
export function roomFor(
  parts: {
    readonly work: Pick<Work, 'units' | 'line'>
    readonly desk: Pick<Desk, 'skipShare'>
    readonly wishes: Pick<Wishes, 'batchSize' | 'firstBatch' | 'batches'>
  },
  estimate: LineEstimate,
): Room {
  const { work, desk, wishes } = parts
  const amounts = amountsLeft(estimate, besideByBatch({ ...work, ...wishes, planning: wishes }, estimate))
  const { skipShare: skipped } = desk
  const { likely, variance } = spreadTotal(estimate.rates, amounts)
  if (likely === 0) return { share: inPercent(skipped), skipped, longer: 1 }
  const mean = amounts.reduce((sum, amount) => sum + meanOf(amount, estimate, wishes.batchSize), 0)
  // The median of a log-normal with this mean.
  const longer = Math.max(
    1,
    (mishapPresets.season.longer * mean) / Math.sqrt(1 + variance / likely ** 2) / likely,
  )
  return { share: inPercent(1 - (1 - skipped) / longer), skipped, longer }
}

/** In whole parts of a hundred: a lap is not to move every evening by some seconds. */
function inPercent(share: number): number {
  return Math.round(100 * Math.min(mostRoom, Math.max(0, share))) / 100
}

function meanOf(
  { stage, models, setUpSeconds, touchUpSeconds, otherWaySeconds }: StageAmount,
  { rates }: LineEstimate,
  batchSize: number,
): number {
  const lap = lapSpread(rates)
  const { place, typedDeviation } = stage.spread
  const pace = stage.typed && typedDeviation > 0 ? 0 : place.variance * spreadPresets.unmodelled ** 2
  const work = (models * stage.perModel.likely + otherWaySeconds) * Math.exp((lap ** 2 * (1 + pace)) / 2)
  const setUps = setUpSeconds * Math.exp(mishapPresets.setUp ** 2 / 2)
  return work + setUps + touchUpSeconds + slipsOf(stage, models, batchSize)
}

/** Dabs for the models that slip, and their pots once a batch in which one does. */
function slipsOf({ touchUp }: StageAmount['stage'], models: number, batchSize: number): number {
  if (models === 0) return 0
  const batches = Math.ceil(models / batchSize)
  const { slips } = mishapPresets
  const any = 1 - (1 - slips) ** (models / batches)
  const once = touchUpWork(touchUp, 1)
  return models * slips * once.touchUpSeconds + batches * any * once.setUpSeconds
}
