import { batchTime, type BatchTimes } from './batch-time.ts'
import { type Project, takesStage } from '../trade/index.ts'
import type { Seconds } from '../units/index.ts'
import { isSkipped, isThrough, neededForTable, type Progress } from '../progress/index.ts'

/** Work counted in hands-on time per model, touch-ups in it, set-ups apart: they depend on the plan. */
export interface WorkLeft {
  readonly totalSeconds: Seconds
  readonly leftSeconds: Seconds
  readonly modelsFinished: number
  /** Through every stage that their unit needs for it. */
  readonly modelsTableReady: number
  readonly models: number
}

export function workLeft(project: Project, progress: Progress, times?: BatchTimes): WorkLeft {
  let total = 0
  let left = 0
  let modelsFinished = 0
  let modelsTableReady = 0
  let models = 0
  const isNeeded = neededForTable(project)
  for (const unit of project.units) {
    const forTable = new Set(project.line.filter((stage) => isNeeded(stage, unit.id)))
    for (const model of unit.models) {
      const stages = project.line.filter(
        (stage) => takesStage(stage, unit.id, model) && !isSkipped(progress, model.id, stage),
      )
      const needed = stages.filter((stage) => forTable.has(stage))
      models += 1
      for (const stage of stages) {
        const time = batchTime(stage, unit.id, times)
        total += time.secondsPerModel
        const mark = progress.marks.get(model.id)?.get(stage.id)
        if (!mark) left += time.secondsPerModel
        else if (mark.kind === 'touch-up') {
          const dab = time.touchUp.dabSeconds + (time.touchUp.undercoat?.dabSeconds ?? 0)
          total += dab
          left += dab
        }
      }
      const throughAll = (list: typeof stages) =>
        list.length > 0 && list.every((stage) => isThrough(progress, model.id, stage))
      if (throughAll(stages)) modelsFinished += 1
      if (throughAll(needed)) modelsTableReady += 1
    }
  }
  return {
    totalSeconds: total as Seconds,
    leftSeconds: left as Seconds,
    modelsFinished,
    modelsTableReady,
    models,
  }
}
