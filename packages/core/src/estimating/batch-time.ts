import { type Stage, takesStage, type Technique, type Unit } from '../trade/index.ts'
import type { Seconds, StageId, UnitId } from '../units/index.ts'
import { touchUpTime, type TouchUpTime } from './touch-up.ts'

/** What a batch takes at one stage. */
export interface BatchTime {
  readonly setUpSeconds: Seconds
  /** When the colour still lies on the palette. */
  readonly againSeconds: Seconds
  readonly secondsPerModel: Seconds
  readonly touchUp: TouchUpTime
  /** Other ways to do the same, which the plan may choose. */
  readonly others: readonly OtherWayTime[]
}

/** Another way to do a stage. */
export interface OtherWayTime {
  readonly technique: Technique
  readonly setUpSeconds: Seconds
  readonly secondsPerModel: Seconds
  readonly drySeconds: Seconds
}

/** Estimated times, by stage and unit. */
export type BatchTimes = ReadonlyMap<StageId, ReadonlyMap<UnitId, BatchTime>>

/** The estimate where there is one, else what is written on the stage. */
export function batchTime(stage: Stage, unitId: UnitId, times: BatchTimes = noTimes): BatchTime {
  return (
    times.get(stage.id)?.get(unitId) ?? {
      setUpSeconds: stage.setUpSeconds,
      againSeconds: stage.setUpSeconds,
      secondsPerModel: stage.handsOnSecondsPerModel,
      touchUp: plainTouchUp,
      others: [],
    }
  )
}

/** Seconds of hands-on work that a model takes, set-ups apart; where models differ, on average. */
export function secondsAModel(
  line: readonly Stage[],
  units: readonly Unit[],
  times: BatchTimes | undefined,
): number {
  const models = units.flatMap((unit) => unit.models.map((model) => ({ unit, model })))
  if (models.length === 0) return line.reduce((sum, stage) => sum + stage.handsOnSecondsPerModel, 0)
  const all = models.reduce(
    (sum, { unit, model }) =>
      sum +
      line
        .filter((stage) => takesStage(stage, unit.id, model))
        .reduce((own, stage) => own + batchTime(stage, unit.id, times).secondsPerModel, 0),
    0,
  )
  return all / models.length
}

const noTimes: BatchTimes = new Map()
const plainTouchUp = touchUpTime(null, { size: 'foot', detail: 'usual', perHolder: 1 })

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
