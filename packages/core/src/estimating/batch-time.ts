import type { Stage } from '../line/stage.ts'
import type { Seconds } from '../units/seconds.ts'

/** What a batch takes at one stage; the one place where a finer estimate will plug in. */
export interface BatchTime {
  readonly setUpSeconds: Seconds
  readonly secondsPerModel: Seconds
}

export function batchTime(stage: Stage): BatchTime {
  return { setUpSeconds: stage.setUpSeconds, secondsPerModel: stage.handsOnSecondsPerModel }
}

/** Set-up + count × time per model. */
export function batchSeconds(stage: Stage, count: number): Seconds {
  const time = batchTime(stage)
  return (time.setUpSeconds + count * time.secondsPerModel) as Seconds
}

/**
 * Minutes on the clock when painters share a stage evenly, each taking whole models
 * (common practice: 20 models at 4½ min by two painters are 45 min).
 * @throws RangeError fewer than one painter.
 */
export function sharedHandsOnSeconds(secondsPerModel: Seconds, count: number, painters: number): Seconds {
  if (!Number.isSafeInteger(painters) || painters < 1) {
    throw new RangeError(`not a number of painters: ${String(painters)}`)
  }
  return (Math.ceil(count / painters) * secondsPerModel) as Seconds
}
