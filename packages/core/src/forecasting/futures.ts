import { drawPaces, type LineEstimate, type StageEstimate, touchUpWork } from '../estimating/index.ts'
import { mishapPresets, spreadPresets } from '../presets/index.ts'
import {
  createScheduleBuilder,
  followsSoon,
  type PlanBatch,
  planFollower,
  type PlanInstance,
  type PlanTask,
  type Span,
  withNothingPutOff,
} from '../schedule/index.ts'
import { type SolvedLine, spanOf } from '../plan/index.ts'
import { chiSquareFrom, normalFrom, seededRandom, type StageId } from '../units/index.ts'

/** One way it may go. */
export interface Future {
  /** Seconds from now; Infinity beyond the calendar that was laid out. */
  readonly finish: number
  /** The same counted at the desk alone, with the last drying. */
  readonly deskSeconds: number
  /** Hands-on seconds by stage of the line. */
  readonly stageSeconds: Float64Array
}

/** Draws futures one after the other; the same seed gives the same ones. */
export interface Futures {
  readonly next: () => Future
  /** When the last coat of a batch is dry in the last one, in seconds from now; of use where that one has a finish. */
  readonly dryAt: (batch: number) => number
  /** The last one as a problem of its own: times as drawn, without the sessions that fell out. */
  readonly drawn: () => PlanInstance
}

interface MutableTask extends PlanTask {
  perModel: number
  setUp: number
  again: number
  wait: number
  others: PlanTask['others']
}

interface Drawn {
  readonly task: MutableTask
  readonly planned: PlanTask
  readonly estimate: StageEstimate | undefined
  readonly wait: { readonly low: number; readonly high: number }
  /** In the drawn painter's mind the same: a stage of a unit. */
  readonly name: string
  readonly stageId: StageId
}

/**
 * The plan's row laid anew with times, waits and sessions as they may turn out. The painter keeps the order of the
 * plan and the batches; each task takes the pace drawn for its stage, technique and painter, with the chance of a lap,
 * second coats and slips; waits lie anywhere in their range; sessions fall out by the project's share.
 */
export function drawFutures(solved: SolvedLine, estimate: LineEstimate, seed: number): Futures {
  const random = seededRandom(seed)
  const normal = normalFrom(random)
  const { planned, instance, skipped } = mutableCopy(solved)
  const builder = createScheduleBuilder(instance, skipped)
  const drawn = drawnTasks(solved, planned, instance, estimate)
  const count = planned.length
  const stages = solved.work.line.length
  const { rates } = estimate
  const { sequence, policy } = solved.found
  const follow = planFollower(
    builder,
    followsSoon(solved.instance),
    // Where whoever is free takes a task, somebody else takes it when things go otherwise than planned.
    solved.desk.teamwork === 'free'
      ? sequence.map((entry) => entry % count)
      : withNothingPutOff(builder, sequence),
    (solved.plan.finishesAt - solved.now) / 1000,
  )
  return {
    next: () => {
      const paces = drawPaces(rates, normal, chiSquareFrom(normal, 2 * rates.shape))
      const { season, otherPainter } = mishapPresets
      const seasonal = Math.log(season.longer) + season.deviation * normal()
      instance.painters.forEach((painter, index) => {
        const own = index === 0 ? 0 : otherPainter * normal()
        painter.pace = (solved.instance.painters[index]?.pace ?? 1) * Math.exp(seasonal + own)
      })
      const stageSeconds = new Float64Array(stages)
      for (const each of drawn) {
        const slips = drawSlips(each, random)
        const seconds = drawSeconds(each, slips, paces, normal)
        each.task.perModel = seconds
        if (each.planned.others.length > 0) {
          // The hand that is slow by one way is slow by the other.
          const pace = seconds / Math.max(1, each.planned.perModel)
          each.task.others = each.planned.others.map((way) => ({
            ...way,
            perModel: Math.round(way.perModel * pace),
          }))
        }
        const setUp = Math.exp(mishapPresets.setUp * normal())
        each.task.setUp = Math.round(each.planned.setUp * setUp)
        each.task.again = Math.min(each.task.setUp, Math.round(each.planned.again * setUp))
        const mended = slips > 0 ? (each.estimate?.touchUp.undercoat?.drySeconds ?? 0) : 0
        each.task.wait = Math.round(each.wait.low + (each.wait.high - each.wait.low) * random()) + mended
        stageSeconds[each.planned.stage] =
          (stageSeconds[each.planned.stage] ?? 0) + seconds * each.planned.models.length
      }
      skipped.forEach((sessions, painter) => {
        drawSkipped(sessions, instance.painters[painter]?.sessions ?? [], solved.desk.skipShare, random)
      })
      builder.compiled.refresh()
      const cost = follow(policy)
      return {
        finish: cost.finish,
        deskSeconds: cost.deskSeconds + Math.max(0, cost.finish - cost.handsDone),
        stageSeconds,
      }
    },
    dryAt: builder.dryAt,
    drawn: () => ({
      ...instance,
      painters: instance.painters.map(({ sessions, pace }, painter) => ({
        sessions: sessions?.filter((_, at) => skipped[painter]?.[at] !== 1) ?? null,
        pace,
      })),
      batches: instance.batches.map((batch) => ({
        ...batch,
        tasks: batch.tasks.map((task) => ({ ...task })),
      })),
    }),
  }
}

const week = 7 * 86_400

/** Which sessions fall out: some weeks as a whole, and single ones. */
function drawSkipped(
  skipped: Uint8Array,
  sessions: readonly Span[],
  share: number,
  random: () => number,
): void {
  const weeks = share * mishapPresets.byTheWeek
  const single = (share - weeks) / (1 - weeks)
  let current = -1
  let isLost = false
  for (let at = 0; at < skipped.length; at++) {
    const own = Math.floor((sessions[at]?.start ?? 0) / week)
    if (own !== current) isLost = random() < weeks
    current = own
    skipped[at] = isLost || random() < single ? 1 : 0
  }
}

/** How many of the task's models slip; a touch-up itself does not. */
function drawSlips({ planned }: Drawn, random: () => number): number {
  if (planned.touchUp !== null) return 0
  let slips = 0
  for (let model = 0; model < planned.models.length; model++) if (random() < mishapPresets.slips) slips += 1
  return slips
}

/** Of one model, what the slips cost shared over all. */
function drawSeconds(
  { planned, estimate, name }: Drawn,
  slips: number,
  paces: ReturnType<typeof drawPaces>,
  normal: () => number,
): number {
  const models = planned.models.length
  const { shared } = spreadPresets
  const apart = (1 - shared) * paces.lap ** 2
  const lap = Math.sqrt(shared * paces.lap ** 2 + apart / models)
  // Of many models the few slow ones count in full, so their mean lies above the usual one.
  const mean = Math.exp((apart / 2) * (1 - 1 / models))
  let seconds = planned.perModel * mean * Math.exp(lap * normal())
  if (estimate) {
    const { place, typedDeviation, secondCoatDeviation } = estimate.spread
    if (estimate.typed) seconds += typedDeviation * normal()
    else seconds *= Math.exp(paces.at(place, name))
    seconds += secondCoatDeviation * normal()
  }
  const mending = estimate ? touchUpWork(estimate.touchUp, slips) : null
  const beside = mending ? (mending.setUpSeconds + mending.touchUpSeconds) / models : 0
  // Nobody is five times as quick as expected.
  return Math.max(planned.perModel / 5, Math.round(seconds + beside))
}

interface MutablePainter {
  readonly sessions: PlanInstance['painters'][number]['sessions']
  pace: number
}

type MutableInstance = Omit<PlanInstance, 'painters'> & { readonly painters: readonly MutablePainter[] }

function mutableCopy({ instance, sessions, now }: SolvedLine) {
  const planned = instance.batches.flatMap((batch) => batch.tasks)
  const batches = instance.batches.map((batch): PlanBatch => ({
    ...batch,
    firstBy: [],
    tasks: batch.tasks.map((task) => ({ ...task, maxWait: null })),
  }))
  const copy: MutableInstance = {
    ...instance,
    batches,
    // What the plan leaves free is there to be used.
    painters: instance.painters.map(({ pace }, index) => ({
      sessions: (sessions[index] ?? []).map((session) => spanOf(session, now)),
      pace,
    })),
  }
  const skipped = instance.painters.map((painter) => new Uint8Array(painter.sessions?.length ?? 1))
  return { planned, instance: copy, skipped }
}

function drawnTasks(
  solved: SolvedLine,
  planned: readonly PlanTask[],
  instance: MutableInstance,
  estimate: LineEstimate,
): readonly Drawn[] {
  const { line } = solved.work
  const byStage = new Map(estimate.stages.map((each) => [`${each.work.stageId} ${each.work.unitId}`, each]))
  const units = instance.batches.flatMap((batch, index) =>
    batch.tasks.map(() => solved.batches[index]?.unitId),
  )
  const tasks = instance.batches.flatMap((batch) => batch.tasks)
  return tasks.flatMap((task, index): Drawn[] => {
    const before = planned[index]
    const stage = before && line[before.stage]
    if (!before || !stage) return []
    const name = `${stage.id} ${units[index] ?? ''}`
    return [
      {
        task,
        planned: before,
        estimate: before.touchUp === null ? byStage.get(name) : undefined,
        wait:
          before.touchUp === null
            ? { low: stage.dryingMinSeconds, high: stage.dryingMaxSeconds }
            : { low: before.wait, high: before.wait },
        name,
        stageId: stage.id,
      },
    ]
  })
}
