import type { Bores, Job, Stage } from '../trade/index.ts'
import type { BatchTimes } from '../estimating/index.ts'

/** The largest batch whose longest stage stays within what is borne, and which stage that is. */
export interface BearableBatch {
  readonly models: number
  readonly stage: Stage
}

/**
 * From the time of a model at each stage: so many fit into what is borne at one stage, set-up included; at least one.
 * `null` when the largest unit fits whole.
 */
export function bearableBatch(
  { units, line }: Pick<Job, 'units' | 'line'>,
  times: BatchTimes,
  { stageSeconds }: Bores,
): BearableBatch | null {
  let least: BearableBatch | null = null
  for (const stage of line) {
    for (const unit of units) {
      const time = times.get(stage.id)?.get(unit.id)
      if (!time || time.secondsPerModel === 0) continue
      const models = Math.max(1, Math.floor((stageSeconds - time.setUpSeconds) / time.secondsPerModel))
      if (models < unit.models.length && models < (least?.models ?? Number.POSITIVE_INFINITY))
        least = { models, stage }
    }
  }
  return least
}
