import type { PlannedTask, Stretch } from '@seriatim/core/plan'
import {
  isThrough,
  type Clock,
  type DryingEntry,
  type Progress,
  type ToFollow,
} from '@seriatim/core/progress'
import {
  regionsMeet,
  stagesOf,
  takesStage,
  touchedRegions,
  type Batch,
  type Project,
  type Stage,
} from '@seriatim/core/trade'
import { addSeconds, type BatchId, type Instant, type ModelId, type StageId } from '@seriatim/core/units'

/** What is on the desk: one batch at one stage. */
export interface BenchTask {
  readonly batch: Batch
  readonly stage: Stage
  /** The models of the batch, in working order. */
  readonly modelIds: readonly ModelId[]
  /** Those of them that still need the stage, or the dab. */
  readonly left: readonly ModelId[]
  /** Of these the ones of a later group: what has to follow soon is done in groups, each through both before the next. */
  readonly later: readonly ModelId[]
  /** Not the stage itself: its models that slipped get a dab. */
  readonly touchUp: boolean
  /** In another way than the line has it; `null`: as the line has it. */
  readonly by: Stretch['by']
}

/** A model that is to come later at a stage. */
export interface Skipped {
  readonly stageId: StageId
  readonly modelId: ModelId
}

/** The task with its skipped models at the end, in the order they were skipped. */
export function withoutSkipped(task: BenchTask | null, skipped: readonly Skipped[]): BenchTask | null {
  if (!task) return null
  const here = skipped.filter((each) => each.stageId === task.stage.id).map((each) => each.modelId)
  if (here.length === 0) return task
  const last = [...new Set(here.toReversed())].toReversed().filter((id) => task.left.includes(id))
  return { ...task, left: [...task.left.filter((id) => !last.includes(id)), ...last] }
}

/** A stretch of the plan, as a choice; without its models where the plan is not laid yet. */
interface Planned extends Choice {
  readonly modelIds: readonly ModelId[] | null
}

/** A plan, or what is known of it before it is laid again. */
interface PlanToFollow {
  readonly stretches: readonly (PlannedTask & Partial<Pick<Stretch, 'by' | 'modelIds'>>)[]
}

export interface Choice {
  readonly batchId: BatchId
  readonly stageId: StageId
  readonly touchUp: boolean
  /** In another way than the line has it; `null`: as the line has it. */
  readonly by: Stretch['by']
}

/**
 * What to do now: what the painter's own clock (`running`) runs on, else what the painter chose, else what has to be followed
 * before it is too late (`waiting`), else the first thing of the plan that is dry to the touch (between sessions the plan may begin with something wet), else the first thing
 * in line order that is not done.
 */
export function currentTask(
  project: Project,
  batches: readonly Batch[],
  progress: Progress,
  plan: PlanToFollow | null,
  choice: Choice | null,
  shelf: readonly DryingEntry[],
  running: Clock | null,
  waiting: readonly ToFollow[],
  now: Instant,
): BenchTask | null {
  const byPlan = (plan?.stretches ?? []).map(({ batchId, stageId, touchUp, by = null, modelIds = null }) => ({
    batchId,
    stageId,
    touchUp: touchUp !== null,
    by,
    modelIds,
  }))
  const planned: readonly Planned[] = [...pressing(waiting, byPlan, now), ...byPlan]
  if (running) {
    const batch = batches.find((each) => each.models.some((model) => running.modelIds.includes(model.id)))
    const on = (touchUp: boolean) =>
      batch &&
      taskOf(project, batches, progress, planned, {
        batchId: batch.id,
        stageId: running.stageId,
        touchUp,
        by: planned.find((each) => each.batchId === batch.id && each.stageId === running.stageId)?.by ?? null,
      })
    const dab = on(true)
    if (dab?.left.some((id) => running.modelIds.includes(id))) return dab
    const task = on(false)
    if (task) return task
  }
  const elsewhere = progress.running.filter((clock) => clock !== running)
  const wishes = [choice, ...planned].filter((wish) => wish !== null)
  let wet: BenchTask | null = null
  for (const wish of wishes) {
    const task = taskOf(project, batches, progress, planned, wish)
    if (!task || task.left.length === 0) continue
    if (wish !== choice && elsewhere.some((clock) => isOn(clock, task))) continue
    if (wish === choice || !wetUnder(task, shelf)) return task
    wet ??= task
  }
  if (wet) return wet
  for (const touchUp of [false, true]) {
    for (const batch of batches) {
      for (const stage of stagesOf(project, batch.unitId)) {
        const wish = { batchId: batch.id, stageId: stage.id, touchUp, by: null }
        const task = taskOf(project, batches, progress, planned, wish)
        if (task && task.left.length > 0) return task
      }
    }
  }
  return null
}

/**
 * What the plan has after the task, with the models that still need it: what was recorded since the plan was laid is not to
 * come any more.
 */
export function comesAfter(
  task: BenchTask | null,
  stretches: readonly Stretch[],
  { line }: Pick<Project, 'line'>,
  progress: Progress,
): readonly Stretch[] {
  return (
    stretches
      .filter(
        (stretch) =>
          stretch.batchId !== task?.batch.id ||
          stretch.stageId !== task.stage.id ||
          // A later group of the same stage.
          stretch.modelIds.every((id) => task.later.includes(id)) ||
          (stretch.touchUp !== null) !== task.touchUp,
      )
      // The ground and the colour of a touch-up are one thing to take up.
      .filter((stretch) => stretch.touchUp !== 'undercoat')
      .flatMap((stretch) => {
        const stage = line.find((each) => each.id === stretch.stageId)
        if (!stage) return []
        const modelIds = stretch.modelIds.filter((id) =>
          stretch.touchUp === null ? !isThrough(progress, id, stage) : isSlipped(progress, id, stage),
        )
        return modelIds.length === 0 ? [] : [{ ...stretch, modelIds }]
      })
  )
}

/** What does not bear that the plan's next models are taken before it. */
function pressing(
  waiting: readonly ToFollow[],
  byPlan: readonly Planned[],
  now: Instant,
): readonly Planned[] {
  return waiting.flatMap(({ batch, stage, next, modelIds, until }): Planned[] => {
    const more = byPlan.find(
      (each) => each.batchId === batch.id && each.stageId === stage.id && !each.touchUp,
    )
    const seconds = (more?.modelIds?.length ?? 0) * stage.handsOnSecondsPerModel
    if (more && addSeconds(now, seconds) <= until) return []
    return [{ batchId: batch.id, stageId: next.id, touchUp: false, by: null, modelIds }]
  })
}

/** Whether nothing is left of what a clock was started on once these are done: no model to paint, and no slip to dab. */
export function isLastOfClock(
  { units }: Pick<Project, 'units'>,
  { marks }: Progress,
  { stageId, modelIds }: Clock,
  justDone: readonly ModelId[],
): boolean {
  const here = new Set(units.flatMap((unit) => unit.models.map((model) => model.id)))
  return modelIds.every(
    (id) => justDone.includes(id) || !here.has(id) || marks.get(id)?.get(stageId)?.kind === 'punched',
  )
}

/** Whether another painter's clock runs on it. */
function isOn(clock: Clock, task: BenchTask): boolean {
  return clock.stageId === task.stage.id && task.left.some((id) => clock.modelIds.includes(id))
}

function taskOf(
  project: Project,
  batches: readonly Batch[],
  progress: Progress,
  planned: readonly Planned[],
  { batchId, stageId, touchUp, by }: Choice,
): BenchTask | null {
  const batch = batches.find((each) => each.id === batchId)
  const stage = project.line.find((each) => each.id === stageId)
  if (!batch || !stage) return null
  const models = batch.models.filter((model) => takesStage(stage, batch.unitId, model))
  if (models.length === 0) return null
  const all = models.map((model) => model.id)
  if (touchUp) {
    const slipped = all.filter((id) => isSlipped(progress, id, stage))
    return { batch, stage, modelIds: slipped, left: slipped, later: [], touchUp, by }
  }
  const open = all.filter((id) => !isThrough(progress, id, stage))
  const group = !isInGroups(project, { batch, stage })
    ? undefined
    : planned.find((each) => each.batchId === batchId && each.stageId === stageId && !each.touchUp)?.modelIds
  const left = group ? open.filter((id) => group.includes(id)) : open
  // Where the plan speaks of other models than those that are open, it is of before.
  if (!group || left.length === 0) return { batch, stage, modelIds: all, left: open, later: [], touchUp, by }
  const later = open.filter((id) => !left.includes(id))
  return { batch, stage, modelIds: all, left, later, touchUp, by }
}

/** Whether a model waits for its dab at a stage. */
function isSlipped({ marks }: Progress, modelId: ModelId, { id }: Stage): boolean {
  return marks.get(modelId)?.get(id)?.kind === 'touch-up'
}

/** Whether it is done in groups, each through the next stage before the other begins: which ones, the plan says. */
export function isInGroups(
  project: Pick<Project, 'line'>,
  { batch, stage }: Pick<BenchTask, 'batch' | 'stage'>,
): boolean {
  const stages = stagesOf(project, batch.unitId)
  const follows = stages[stages.indexOf(stage) - 1]
  return stage.nextWithinSeconds !== null || (follows?.nextWithinSeconds ?? null) !== null
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
