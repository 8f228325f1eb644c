import { batchTime, type BatchTimes } from '../estimating/batch-time.ts'
import { dryingWait, potOf, touchedRegions, type Stage } from '../line/stage.ts'
import type { Progress } from '../progress/fold-progress.ts'
import { isThrough } from '../progress/hole-state.ts'
import type { Batch } from '../project/batches.ts'
import { takesStage, type Project } from '../project/project.ts'
import type { Instant } from '../units/instant.ts'
import type { PlanBatch, PlanInstance, PlanTask, Readiness } from './instance.ts'

/**
 * What is left of the project, as the planner sees it: done stages are gone, their drying remains.
 * Sessions are added by the caller, who knows how many it takes.
 */
export function buildInstance(
  project: Project,
  batches: readonly Batch[],
  progress: Progress,
  now: Instant,
  times?: BatchTimes,
): Omit<PlanInstance, 'sessions'> {
  const families = numbered(project.line.map(potOf))
  const regions = numbered(project.line.flatMap((stage) => namedRegions(stage)))
  const regionsOf = new Map(
    project.line.map((stage) => {
      const touched = touchedRegions(stage.touch)
      return [stage.id, touched === 'whole' ? touched : touched.map((name) => regions.get(name) ?? 0)]
    }),
  )
  const running = project.line.find((stage) => stage.id === progress.running?.stageId)

  const planBatches = batches.map((batch): PlanBatch => {
    const tasks: PlanTask[] = []
    const drying: Readiness[] = []
    for (const stage of project.line) {
      const touched = regionsOf.get(stage.id) ?? 'whole'
      const left: number[] = []
      batch.models.forEach((model, index) => {
        if (!takesStage(stage, batch.unitId, model)) return
        const mark = progress.marks.get(model.id)?.get(stage.id)
        if (!isThrough(progress, model.id, stage)) left.push(index)
        else if (mark) {
          const readyAt = Math.ceil((mark.at - now) / 1000) + dryingWait(stage)
          if (readyAt > 0) drying.push({ model: index, regions: touched, readyAt })
        }
      })
      if (left.length === 0) continue
      const time = batchTime(stage, batch.unitId, times)
      tasks.push({
        stage: project.line.indexOf(stage),
        family: families.get(potOf(stage)) ?? 0,
        setUp: time.setUpSeconds,
        again: Math.min(time.againSeconds, time.setUpSeconds),
        perModel: time.secondsPerModel,
        wait: dryingWait(stage),
        regions: touched,
        models: left,
      })
    }
    const begun = batch.models.some((model) => (progress.marks.get(model.id)?.size ?? 0) > 0)
    return { models: batch.models.length, tasks, drying, begun }
  })

  return {
    batches: planBatches,
    regionCount: regions.size,
    potsCloseBetweenSessions: true,
    maySplit: true,
    inHandAtMost: project.batchesInHand,
    openFamily: running ? (families.get(potOf(running)) ?? null) : null,
  }
}

function namedRegions(stage: Stage): readonly string[] {
  const touched = touchedRegions(stage.touch)
  return touched === 'whole' ? [] : touched
}

function numbered(names: readonly string[]): ReadonlyMap<string, number> {
  return new Map([...new Set(names)].map((name, index) => [name, index]))
}
