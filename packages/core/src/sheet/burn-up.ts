import { localDateAt } from '../calendar/sessions.ts'
import { batchTime, type BatchTimes } from '../estimating/batch-time.ts'
import type { Progress } from '../progress/progress.ts'
import { takesStage, type Project } from '../project/project.ts'
import type { Instant } from '../units/instant.ts'
import type { Seconds } from '../units/seconds.ts'

/** Work done by the last mark of a day, since the project began. */
export interface BurnUpDay {
  readonly at: Instant
  readonly doneSeconds: Seconds
}

/**
 * How the work grew, day by day in the project's zone: in minutes a model as they are estimated now, so that it ends at
 * what is done today. What was cleared again counts as not done.
 */
export function burnUp(
  project: Project,
  progress: Progress,
  times?: BatchTimes,
): { readonly days: readonly BurnUpDay[]; readonly scopeSeconds: Seconds } {
  const dateOf = datesIn(project.evenings.timeZone)
  const byDay = new Map<string, { at: Instant; seconds: number }>()
  let scope = 0
  for (const unit of project.units) {
    for (const model of unit.models) {
      const marks = progress.marks.get(model.id)
      for (const stage of project.line) {
        if (!takesStage(stage, unit.id, model)) continue
        const { secondsPerModel } = batchTime(stage, unit.id, times)
        scope += secondsPerModel
        const at = marks?.get(stage.id)?.at
        if (at === undefined) continue
        const date = dateOf(at)
        const day = byDay.get(date) ?? { at, seconds: 0 }
        byDay.set(date, { at: at > day.at ? at : day.at, seconds: day.seconds + secondsPerModel })
      }
    }
  }
  let done = 0
  const days = [...byDay.values()]
    .sort((a, b) => a.at - b.at)
    .map(({ at, seconds }) => ({ at, doneSeconds: Math.round((done += seconds)) as Seconds }))
  return { days, scopeSeconds: Math.round(scope) as Seconds }
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
