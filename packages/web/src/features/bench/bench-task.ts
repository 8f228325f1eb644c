import {
  isThrough,
  regionsMeet,
  stagesOf,
  takesStage,
  touchedRegions,
  type Batch,
  type BatchId,
  type Clock,
  type DryingEntry,
  type LinePlan,
  type ModelId,
  type Progress,
  type Project,
  type Stage,
  type StageId,
} from '@seriatim/core'

/** What is on the desk: one batch at one stage. */
export interface BenchTask {
  readonly batch: Batch
  readonly stage: Stage
  /** The models of the batch, in working order. */
  readonly modelIds: readonly ModelId[]
  /** Those of them that still need the stage. */
  readonly left: readonly ModelId[]
}

export interface Choice {
  readonly batchId: BatchId
  readonly stageId: StageId
}

/**
 * What to do now: what the painter's own clock (`running`) runs on, else what the painter chose, else the first thing of the plan
 * that is dry to the touch (between sessions the plan may begin with something wet), else the first thing
 * in line order that is not done.
 */
export function currentTask(
  project: Project,
  batches: readonly Batch[],
  progress: Progress,
  plan: LinePlan | null,
  choice: Choice | null,
  shelf: readonly DryingEntry[],
  running: Clock | null,
): BenchTask | null {
  if (running) {
    const batch = batches.find((each) => each.models.some((model) => running.modelIds.includes(model.id)))
    const task = batch && taskOf(project, batches, progress, { batchId: batch.id, stageId: running.stageId })
    if (task) return task
  }
  const elsewhere = progress.running.filter((clock) => clock !== running)
  const wishes = [choice, ...(plan?.stretches ?? [])].filter((wish) => wish !== null)
  let wet: BenchTask | null = null
  for (const wish of wishes) {
    const task = taskOf(project, batches, progress, wish)
    if (!task || task.left.length === 0) continue
    if (wish !== choice && elsewhere.some((clock) => isOn(clock, task))) continue
    if (wish === choice || !wetUnder(task, shelf)) return task
    wet ??= task
  }
  if (wet) return wet
  for (const batch of batches) {
    for (const stage of stagesOf(project, batch.unitId)) {
      const task = taskOf(project, batches, progress, { batchId: batch.id, stageId: stage.id })
      if (task && task.left.length > 0) return task
    }
  }
  return null
}

/** Whether another painter's clock runs on it. */
function isOn(clock: Clock, task: BenchTask): boolean {
  return clock.stageId === task.stage.id && task.left.some((id) => clock.modelIds.includes(id))
}

function taskOf(
  project: Project,
  batches: readonly Batch[],
  progress: Progress,
  { batchId, stageId }: Choice,
): BenchTask | null {
  const batch = batches.find((each) => each.id === batchId)
  const stage = project.line.find((each) => each.id === stageId)
  if (!batch || !stage) return null
  const models = batch.models.filter((model) => takesStage(stage, batch.unitId, model))
  if (models.length === 0) return null
  const modelIds = models.map((model) => model.id)
  return { batch, stage, modelIds, left: modelIds.filter((id) => !isThrough(progress, id, stage)) }
}

/** What still dries where the task's stage would touch, if anything does. */
export function wetUnder(task: BenchTask, shelf: readonly DryingEntry[]): DryingEntry | null {
  const touched = touchedRegions(task.stage.touch)
  const entry = shelf.findLast(
    ({ batch, stage }) =>
      batch.id === task.batch.id &&
      stage.id !== task.stage.id &&
      regionsMeet(touchedRegions(stage.touch), touched),
  )
  return entry ?? null
}
