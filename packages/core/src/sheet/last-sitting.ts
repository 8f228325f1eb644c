import { batchTime, type BatchTimes } from '../estimating/index.ts'
import { isSkipped, longestPause, neededForTable, type Progress } from '../progress/index.ts'
import { type Project, takesStage } from '../trade/index.ts'
import type { Instant, Seconds } from '../units/index.ts'

/** What the sitting brought in which something was marked last. */
export interface LastSitting {
  /** Its first mark, and its last. */
  readonly from: Instant
  readonly to: Instant
  /** Work done in it, in minutes a model as they are estimated now. */
  readonly workSeconds: Seconds
  readonly tableReady: number
  /** Slips and missed parts noted in it. */
  readonly touchUps: number
}

/** `null` while nothing is marked. What was cleared again since counts as not done. */
export function lastSitting(project: Project, progress: Progress, times?: BatchTimes): LastSitting | null {
  const moments = [...progress.marks.values()]
    .flatMap((marks) => [...marks.values()].map((mark) => mark.at))
    .concat(progress.slips.map((slip) => slip.at))
    .sort((a, b) => b - a)
  const [to] = moments
  if (to === undefined) return null
  let from = to
  for (const moment of moments) {
    if (from - moment > longestPause) break
    from = moment
  }
  const isNeeded = neededForTable(project)
  let work = 0
  let tableReady = 0
  for (const unit of project.units) {
    for (const model of unit.models) {
      const marks = progress.marks.get(model.id)
      const stages = project.line.filter(
        (stage) => takesStage(stage, unit.id, model) && !isSkipped(progress, model.id, stage),
      )
      for (const stage of stages)
        if ((marks?.get(stage.id)?.at ?? 0) >= from) work += batchTime(stage, unit.id, times).secondsPerModel
      const needed = stages
        .filter((stage) => isNeeded(stage, unit.id))
        .map((stage) => marks?.get(stage.id)?.at ?? null)
      const isReady = needed.length > 0 && !needed.includes(null)
      if (isReady && needed.some((at) => at !== null && at >= from)) tableReady += 1
    }
  }
  return {
    from,
    to,
    workSeconds: Math.round(work) as Seconds,
    tableReady,
    touchUps: progress.slips
      .filter((slip) => slip.at >= from)
      .reduce((sum, slip) => sum + slip.modelIds.length, 0),
  }
}
