import { partsOf } from '../trade/project.ts'
import { toPlan } from '../plan/to-plan.ts'
import { estimateLine, timesOf, type LineEstimate } from '../estimating/estimate-line.ts'
import type { PaceObservation } from '../estimating/rates.ts'
import { roomFor } from '../estimating/room.ts'
import { forecastFinish, forecastJobs } from '../forecasting/forecast-finish.ts'
import { layDesk, type DeskInput } from '../forecasting/plan-desk.ts'
import { createScheduleBuilder } from '../schedule/schedule-builder.ts'
import { spanOf } from '../plan/desk-hours.ts'
import { planFollower } from '../schedule/follow-plan.ts'
import { followsSoon } from '../schedule/follow-sequence.ts'
import type { PlanInstance, PlanTask } from '../schedule/instance.ts'
import { solveLine, type SolvedLine } from '../plan/plan-line.ts'
import type { Project } from '../trade/project.ts'
import { normalFrom } from '../units/normal.ts'
import { seededRandom, type RandomUnit } from '../units/random.ts'
import { noon } from './builders.ts'
import { believed, drawPainter, type PainterModel, type SimulatedPainter } from './painters.ts'
import { testShelf } from './recipes.ts'

/** How painters and their evenings really are. */
interface World {
  readonly model: PainterModel
  /** With this chance so many days go so much slower. */
  readonly slow: { readonly chance: number; readonly days: number; readonly pace: number } | null
  /** Of the sessions that fall out, the share that falls out by the week. */
  readonly sick: number
}

export const worlds = {
  'as the forecast has them': { model: believed, slow: null, sick: 0 },
  otherwise: {
    model: { ...believed, tails: 4, lap: believed.lap * 0.8, painter: believed.painter * 0.9 },
    slow: { chance: 0.3, days: 30, pace: 1.25 },
    sick: 0.5,
  },
} satisfies Record<string, World>

export interface KnownPlan {
  readonly solved: SolvedLine
  readonly estimate: LineEstimate
}

/** Planned with the room that is to be expected. */
export function knownPlan(
  given: Project,
  known: readonly PaceObservation[] = [],
  effort = 60_000,
): KnownPlan {
  const estimate = estimateLine({ project: given, shelf: testShelf, now: noon, known })
  const result = solveLine({
    ...toPlan(given),
    now: noon,
    times: timesOf(estimate),
    shelf: testShelf,
    effort,
    room: roomFor(partsOf(given), estimate).share,
    spare: true,
  })
  if (!result.ok) throw new Error(result.error.kind)
  return { solved: result.value, estimate }
}

/** Of so many painters, each so many times over, the share who were done by the moment named with 80 %; by the end of its day more are. */
export function datesHeld(
  given: Project,
  world: World,
  how: { readonly painters: number; readonly times: number; readonly laps: number; readonly seed: number },
): number {
  const { stages } = estimateLine({ project: given, shelf: testShelf, now: noon })
  const dateOf = (known: KnownPlan, futures: number) => {
    const { p80 } = forecastFinish({ ...known, futures })
    if (p80 === null) throw new Error('no date')
    return (p80 - noon) / 1000
  }
  const strangers = how.laps === 0 ? knownPlan(given) : null
  const date = strangers ? dateOf(strangers, 4000) : 0
  let held = 0
  for (let painter = 0; painter < how.painters; painter++) {
    const random = seededRandom(how.seed + painter)
    const hand = drawPainter({ ...world.model, learningRate: 1 }, random)
    const laps = Array.from({ length: how.laps }, (): readonly PaceObservation[] => {
      const stage = stages[Math.floor(random() * stages.length)]
      if (!stage) return []
      const { work, size } = stage
      const factor = hand.paint(work, size, 0, 2) / (2 * work.secondsPerModel)
      return [{ technique: work.technique, small: work.small, size, cell: '', factor, models: 2, laps: 1 }]
    }).flat()
    const known = strangers ?? knownPlan(given, laps, 20_000)
    const until = strangers ? date : dateOf(known, 500)
    for (let time = 0; time < how.times; time++)
      if (livedFinish(known, world, hand, random) <= until) held += 1
  }
  return held / how.painters / how.times
}

const day = 86_400
/** How far a colleague's pace lies from the one the times are known of, as a logarithm. */
const otherHand = 0.15

/** When a painter who follows the plan by the rule is really done: drawn apart from the forecast. Seconds from noon. */
function livedFinish(known: KnownPlan, world: World, painter: SimulatedPainter, random: RandomUnit): number {
  return lived(known, world, painter, random).finish
}

function lived(
  { solved, estimate }: KnownPlan,
  { slow, sick }: World,
  painter: SimulatedPainter,
  random: RandomUnit,
): { readonly finish: number; readonly dryAt: (batch: number) => number } {
  const normal = normalFrom(random)
  const slowFrom = slow && random() < slow.chance ? (random() * 2 - 1) * slow.days * day : null
  const paceAt = (at: number) =>
    slow && slowFrom !== null && at >= slowFrom && at < slowFrom + slow.days * day ? slow.pace : 1
  const plannedAt = new Map(
    solved.plan.stretches.map((each) => [`${each.batchId} ${each.stageId}`, (each.startsAt - noon) / 1000]),
  )
  const done = new Map<string, number>()
  const lists = solved.instance.batches.map((batch, index) =>
    batch.tasks.map((task): PlanTask => {
      const stage = solved.work.line[task.stage]
      const own = solved.batches[index]
      const estimated = estimate.stages.find(
        (each) => each.work.stageId === stage?.id && each.work.unitId === own?.unitId,
      )
      if (!stage || !own || !estimated) throw new Error('a task without a stage')
      const name = `${stage.id} ${own.unitId}`
      const before = done.get(name) ?? 0
      const count = task.models.length
      const total = painter.paint(estimated.work, estimated.size, before, count)
      done.set(name, before + count)
      // A slip now and then is done again.
      const slips = task.models.filter(() => random() < 0.02).length
      const pace = paceAt(plannedAt.get(`${own.id} ${stage.id}`) ?? 0) * (1 + slips / count)
      const setUp = Math.round(task.setUp * Math.exp(0.3 * normal()))
      const spread = stage.dryingMaxSeconds - stage.dryingMinSeconds
      return {
        ...task,
        perModel: Math.round((total / count) * pace),
        setUp,
        again: Math.min(task.again, setUp),
        wait: Math.round(stage.dryingMinSeconds + spread * random()),
        maxWait: null,
      }
    }),
  )
  const { skipShare } = solved.desk
  const sickWeeks = Array.from({ length: 300 }, () => random() < sick * skipShare)
  const single = (skipShare * (1 - sick)) / (1 - sick * skipShare)
  const instance: PlanInstance = {
    ...solved.instance,
    batches: solved.instance.batches.map((batch, index) => ({ ...batch, tasks: lists[index] ?? [] })),
    painters: solved.instance.painters.map((each, index) => ({
      ...each,
      // Nobody knows beforehand how quick the colleagues are at this work.
      pace: index === 0 ? each.pace : each.pace * Math.exp(otherHand * normal()),
      sessions: (solved.sessions[index] ?? [])
        .map((session) => spanOf(session, noon))
        .filter(({ start }) => random() >= single && sickWeeks[Math.floor(start / (7 * day))] !== true),
    })),
  }
  const builder = createScheduleBuilder(instance)
  // Where whoever is free takes a task, somebody else takes it when one is ill.
  const { sequence, policy } = solved.found
  const count = instance.batches.reduce((sum, batch) => sum + batch.tasks.length, 0)
  const isFree = solved.desk.teamwork === 'free'
  const planned = (solved.plan.finishesAt - solved.now) / 1000
  const kept = isFree ? sequence.map((entry) => entry % count) : sequence
  const follow = planFollower(builder, followsSoon(solved.instance), kept, planned)
  const { finish } = follow(policy)
  return { finish, dryAt: builder.dryAt }
}

/**
 * Of all jobs of so many studios the share that was done by the day promised for it with 80 %. Each studio lives its plan
 * once: its painters, its sick weeks and its slow month are its own.
 */
export function promisesKept(
  input: DeskInput,
  world: World,
  how: { readonly studios: number; readonly futures: number; readonly seed: number },
): number {
  const laid = layDesk(input)
  if (!laid.ok) throw new Error(laid.error.kind)
  const { solved, estimate, asked } = laid.value
  const { jobs } = forecastJobs({ solved, estimate, futures: how.futures }, asked, 0.8)
  let kept = 0
  for (let studio = 0; studio < how.studios; studio++) {
    const random = seededRandom(how.seed + studio)
    const hand = drawPainter({ ...world.model, learningRate: 1 }, random)
    const { dryAt } = lived({ solved, estimate }, world, hand, random)
    jobs.forEach(({ doneBy }, job) => {
      const done = Math.max(...(asked[job]?.batches ?? []).map(dryAt))
      if (doneBy !== null && done <= (doneBy - noon) / 1000) kept += 1
    })
  }
  return kept / how.studios / jobs.length
}
