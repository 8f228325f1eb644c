import { isThrough, type Lap } from '../progress/index.ts'
import type { Stage, Unit } from '../trade/index.ts'
import { type ModelId, seconds, type Seconds } from '../units/index.ts'
import { totalOf, type TimeRange } from './estimate-line.ts'
import type { Figures } from './figures.ts'
import { secondsOf } from './lap-seconds.ts'

/** A stage of a unit as it was expected and as it went; seconds a model, where a clock ran with the set-ups of its laps. */
export interface StageReport {
  readonly stage: Stage
  /** Models that take it, and those through it. */
  readonly models: number
  readonly done: number
  /** Before any of this unit's laps. */
  readonly expectedSeconds: number
  /** `null` where no clock ran. */
  readonly clockSeconds: number | null
  /** As it is expected now. */
  readonly nowSeconds: number
}

/** A unit from its first stroke to its last. */
export interface UnitReport {
  readonly stages: readonly StageReport[]
  readonly isDone: boolean
  /** On the clock in all, and what was expected of the same models at the same stages. */
  readonly clockSeconds: Seconds
  readonly expectedSeconds: Seconds
  /** Share of the work that the clock saw, 0 to 1. */
  readonly timedShare: number
  /** What such a unit would take from now on, with its set-ups: as it was expected before this one, and now. */
  readonly againBefore: TimeRange
  readonly againNow: TimeRange
}

/** What a unit took beside what was expected of it, and what was learned for the next. */
export function unitReport(figures: Figures, unit: Unit): UnitReport {
  const { project, progress } = figures
  const own = new Set<ModelId>(unit.models.map(({ id }) => id))
  const isOwn = (lap: Lap) => lap.done.length > 0 && lap.done.every((id) => own.has(id))
  const laps = progress.laps.filter(isOwn)
  const before = figures.changed({
    progress: { ...progress, laps: progress.laps.filter((lap) => !isOwn(lap)) },
  })
  const stages = figures.estimate.stages.flatMap(({ work, perModel }): StageReport[] => {
    const stage = project.line.find(({ id }) => id === work.stageId)
    if (work.unitId !== unit.id || !stage || work.takers.length === 0) return []
    const timed = laps.filter((lap) => lap.stageId === stage.id)
    const models = timed.reduce((sum, lap) => sum + lap.done.length, 0)
    const spent = timed.reduce((sum, lap) => sum + secondsOf(lap), 0)
    // A clock is started before the pot is opened.
    const opening = models > 0 ? (timed.length * work.setUpSeconds) / models : 0
    const expected = before.estimate.stages.find(
      (each) => each.work.stageId === stage.id && each.work.unitId === unit.id,
    )
    return [
      {
        stage,
        models: work.takers.length,
        done: work.takers.filter((id) => isThrough(progress, id, stage)).length,
        expectedSeconds: (expected?.perModel.likely ?? perModel.likely) + opening,
        clockSeconds: models > 0 ? spent / models : null,
        nowSeconds: perModel.likely + opening,
      },
    ]
  })
  const countOf = ({ stage }: StageReport) =>
    laps.filter((lap) => lap.stageId === stage.id).reduce((sum, lap) => sum + lap.done.length, 0)
  const sum = (of: (each: StageReport) => number) => stages.reduce((all, each) => all + of(each), 0)
  const work = sum((each) => each.expectedSeconds * each.models)
  const seen = sum((each) => each.expectedSeconds * Math.min(countOf(each), each.models))
  return {
    stages,
    isDone: stages.length > 0 && stages.every((each) => each.done === each.models),
    clockSeconds: seconds(Math.round(laps.reduce((all, lap) => all + secondsOf(lap), 0))),
    expectedSeconds: seconds(Math.round(sum((each) => each.expectedSeconds * countOf(each)))),
    timedShare: work > 0 ? seen / work : 0,
    againBefore: againOf(before, unit),
    againNow: againOf(figures, unit),
  }
}

/** The same unit once more, with nothing done of it. */
function againOf(figures: Figures, unit: Unit): TimeRange {
  const untouched = figures.untouched()
  return totalOf(
    untouched.estimate.rates,
    untouched.amountsLeft().filter(({ stage }) => stage.work.unitId === unit.id),
  )
}
