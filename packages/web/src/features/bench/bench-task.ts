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
  /** Whose hands it is planned for: their place among the painters. */
  readonly painter: number
}

/** A plan, or what is known of it before it is laid again. */
interface PlanToFollow {
  readonly stretches: readonly (PlannedTask & Partial<Pick<Stretch, 'modelIds'>>)[]
}

/** What decides what lies on a desk. */
export interface AtTheDesk {
  readonly project: Project
  readonly batches: readonly Batch[]
  readonly progress: Progress
  readonly plan: PlanToFollow | null
  /** What the painter chose. */
  readonly choice: Choice | null
  /** What is wet. */
  readonly shelf: readonly DryingEntry[]
  /** The painter's own clock. */
  readonly running: Clock | null
  /** What has to be followed before it is too late. */
  readonly waiting: readonly ToFollow[]
  /** The painter's place among the project's painters. */
  readonly painter: number
  readonly now: Instant
}

export interface Choice {
  readonly batchId: BatchId
  readonly stageId: StageId
  readonly touchUp: boolean
  /** In another way than the line has it; `null`: as the line has it. */
  readonly by: Stretch['by']
}

/**
 * What to do now: what the painter's own clock runs on, else what the painter chose, else what has to be followed before it
 * is too late, else the first thing that the plan has for these hands, else the first for anybody's; of these what is dry
 * to the touch (between sessions the plan may begin with something wet). Without any, the first thing in line order that
 * is not done.
 */
export function currentTask(desk: AtTheDesk): BenchTask | null {
  const { project, batches, progress, choice, shelf, running } = desk
  const byPlan = (desk.plan?.stretches ?? []).map((stretch): Planned => {
    const { batchId, stageId, touchUp, by = null, modelIds = null, painter } = stretch
    return { batchId, stageId, touchUp: touchUp !== null, by, modelIds, painter }
  })
  const planned: readonly Planned[] = [...pressing(desk, byPlan), ...byPlan]
  const openTask = (wish: Choice): BenchTask | null => {
    const task = taskOf(project, batches, progress, planned, wish)
    return task && task.left.length > 0 ? task : null
  }
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
  const chosen = choice && openTask(choice)
  if (chosen) return chosen
  const elsewhere = progress.running.filter((clock) => clock !== running).flatMap((clock) => clock.modelIds)
  /** The first that is dry, else the first; none that another painter has in hand. */
  const firstOf = (isFor: (wish: Planned, at: number) => boolean): BenchTask | null => {
    let wet: BenchTask | null = null
    for (const [at, wish] of planned.entries()) {
      const task = openTask(wish)
      if (!task || task.left.some((id) => elsewhere.includes(id)) || !isFor(wish, at)) continue
      if (!wetUnder(task, shelf)) return task
      wet ??= task
    }
    return wet
  }
  const isOwn = (wish: Planned, at: number) =>
    wish.painter === desk.painter && !waitsForOthers(planned, at, wish, openTask)
  const first = firstOf(isOwn) ?? firstOf(() => true)
  if (first) return first
  for (const touchUp of [false, true]) {
    for (const batch of batches) {
      for (const stage of stagesOf(project, batch.unitId)) {
        const task = openTask({ batchId: batch.id, stageId: stage.id, touchUp, by: null })
        if (task) return task
      }
    }
  }
  return null
}

/** Whether what is planned at a place is of models that another painter is to have before. */
function waitsForOthers(
  planned: readonly Planned[],
  at: number,
  wish: Planned,
  openTask: (wish: Choice) => BenchTask | null,
): boolean {
  const has = ({ modelIds }: Planned, id: ModelId) => modelIds?.includes(id) ?? true
  return planned.some(
    (before, earlier) =>
      earlier < at &&
      before.painter !== wish.painter &&
      before.batchId === wish.batchId &&
      openTask(before)?.left.some((id) => has(before, id) && has(wish, id)),
  )
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

/** What does not bear that the plan's next models are taken before it, whoever has the hands free. */
function pressing({ waiting, painter, now }: AtTheDesk, byPlan: readonly Planned[]): readonly Planned[] {
  return waiting.flatMap(({ batch, stage, next, modelIds, until }): Planned[] => {
    const more = byPlan.find(
      (each) => each.batchId === batch.id && each.stageId === stage.id && !each.touchUp,
    )
    const seconds = (more?.modelIds?.length ?? 0) * stage.handsOnSecondsPerModel
    if (more && addSeconds(now, seconds) <= until) return []
    return [{ batchId: batch.id, stageId: next.id, touchUp: false, by: null, modelIds, painter }]
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
