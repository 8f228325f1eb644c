import { localDateAt } from '../calendar/index.ts'
import { batchTime, type BatchTimes } from '../estimating/index.ts'
import { isSkipped, type Progress } from '../progress/index.ts'
import { type Project, takesStage } from '../trade/index.ts'
import { type Instant, madeAt, type Seconds } from '../units/index.ts'

/** Work done by the end of a day since the project began, and how much there was to do. */
export interface BurnUpDay {
  readonly at: Instant
  readonly doneSeconds: Seconds
  /** Grows on the days on which models were put on the roster. */
  readonly scopeSeconds: Seconds
}

/**
 * How the work grew, day by day in the project's zone: in minutes a model as they are estimated now, so that it ends at
 * what is done today. What was cleared again counts as not done. All there is to do grows as models come after the first mark,
 * by the moment their ids were made; what has left the roster was never there.
 */
export function burnUp(
  project: Project,
  progress: Progress,
  times?: BatchTimes,
): { readonly days: readonly BurnUpDay[]; readonly scopeSeconds: Seconds } {
  const dateOf = datesIn(project.evenings.timeZone)
  const byDay = new Map<string, { at: Instant; seconds: number; came: number }>()
  const dayOf = (at: Instant) => {
    const date = dateOf(at)
    const day = byDay.get(date) ?? { at, seconds: 0, came: 0 }
    byDay.set(date, day)
    if (at > day.at) day.at = at
    return day
  }
  const began = firstMark(progress)
  let scope = 0
  let fromTheStart = 0
  for (const unit of project.units) {
    for (const model of unit.models) {
      const came = madeAt(model.id)
      let own = 0
      const marks = progress.marks.get(model.id)
      for (const stage of project.line) {
        if (!takesStage(stage, unit.id, model) || isSkipped(progress, model.id, stage)) continue
        const { secondsPerModel } = batchTime(stage, unit.id, times)
        own += secondsPerModel
        const at = marks?.get(stage.id)?.at
        if (at === undefined) continue
        dayOf(at).seconds += secondsPerModel
      }
      scope += own
      if (came === null || came <= began) fromTheStart += own
      else if (own > 0) dayOf(came).came += own
    }
  }
  let done = 0
  let toDo = fromTheStart
  const days = [...byDay.values()]
    .sort((a, b) => a.at - b.at)
    .map(({ at, seconds, came }) => ({
      at,
      doneSeconds: Math.round((done += seconds)) as Seconds,
      scopeSeconds: Math.round((toDo += came)) as Seconds,
    }))
  return { days, scopeSeconds: Math.round(scope) as Seconds }
}

/** When the first of all marks was made; Infinity before it. */
function firstMark({ marks }: Progress): number {
  let first = Number.POSITIVE_INFINITY
  for (const own of marks.values()) for (const { at } of own.values()) first = Math.min(first, at)
  return first
}

/** Every zone begins its days on a quarter of an hour: thousands of marks ask for a few dates. */
function datesIn(timeZone: string): (moment: Instant) => string {
  const known = new Map<number, string>()
  return (moment) => {
    const quarter = Math.floor(moment / 900_000)
    const date = known.get(quarter) ?? localDateAt(moment, timeZone)
    known.set(quarter, date)
    return date
  }
}
