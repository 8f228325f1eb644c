import type { Place } from './builder-draft.ts'
import type { ScheduleBuilder, SplitPolicy } from './schedule-builder.ts'
import { wayOf, type PlanBatch, type PlanInstance, type PlanTask } from './instance.ts'
import { sequenceEntry, type TaskSequence } from './task-sequence.ts'

/** What a rule of thumb looks at when a painter asks which batch to take next; the lowest score wins. */
type Rule = (
  place: Place,
  waited: number,
  tail: number,
  batch: PlanBatch,
  jobLeft: number,
  index: number,
) => number

const byStart: Rule = (_, waited) => waited
const openPotFirst: Rule = (place, waited) => waited + place.setUp
const longestTailFirst: Rule = (_, waited, tail) => waited * 4 - tail
const quickestFirst: Rule = (place, waited) => waited + wayOf(place.task, place.way).perModel * place.count
/** Where only so many may be in hand, a batch that is nearly through makes room for the next. */
const furthestFirst: Rule = (place, waited, tail) => waited + place.setUp + tail / 10
/** By priority, then the date less what is left to do. */
const pressedFirst: Rule = (place, waited, tail, batch) =>
  waited * 2 +
  place.setUp -
  batch.priority * 1e7 +
  (batch.due === null ? 1e6 : Math.min(1e6, batch.due - tail))

/** What is late anyhow is late by as much more as is done before it: of jobs with a date the smallest. */
const smallestJobFirst: Rule = (place, waited, _, batch, jobLeft) =>
  waited + place.setUp - batch.priority * 1e7 + (batch.due === null ? 1e6 : Math.min(1e6, jobLeft))

const rules: readonly Rule[] = [byStart, openPotFirst, longestTailFirst, quickestFirst, pressedFirst]

/** What a rule goes by, in numbers: seconds that a painter would rather wait than go against it. */
export interface RuleBias {
  /** For each second of a set-up. */
  readonly setUp: number
  /** For each second that a batch has before it; less than none: what has far to go comes first. */
  readonly tail: number
  /** By batch, for any other before it. */
  readonly after: readonly number[]
}

export function ruleOf({ setUp, tail, after }: RuleBias): Rule {
  return (place, waited, left, batch, _, index) =>
    waited + setUp * place.setUp + tail * left + (after[index] ?? 0) - batch.priority * 1e7
}

/** So many seconds one batch may count before another. */
const someWeights: readonly number[] = [300, 1000, 2000]
const weights: readonly number[] = [0, ...someWeights]

const oneOf = (all: readonly number[], random: () => number) => all[Math.floor(random() * all.length)] ?? 0

export function randomBias(random: () => number, batches: number): RuleBias {
  const weight = oneOf(weights, random)
  return {
    setUp: 2 * random(),
    tail: random() < 0.5 ? -0.1 * random() * random() : 0.4 * random() * random(),
    after: Array.from({ length: batches }, () => weight * random()),
  }
}

/** Nearly the same. */
export function perturbBias({ setUp, tail, after }: RuleBias, random: () => number): RuleBias {
  const changed = [...after]
  // Mostly one batch or two; now and then half of them, to come away from where no small step is better.
  const times = random() < 0.2 ? Math.ceil(changed.length / 2) : random() < 0.5 ? 1 : 2
  for (let time = 0; time < times; time++) {
    const batch = Math.floor(random() * changed.length)
    changed[batch] = (changed[batch] ?? 0) + (random() - 0.5) * oneOf(someWeights, random)
  }
  const what = random()
  return {
    setUp: what < 0.25 ? Math.max(0, setUp + random() - 0.5) : setUp,
    tail: what >= 0.25 && what < 0.5 ? tail + (random() - 0.5) * 0.05 : tail,
    after: changed,
  }
}

/** The rules that can tell anything apart here. @param most at most so many of those that always can. */
export function rulesFor({ batches, inHandAtMost }: PlanInstance, most = rules.length): readonly Rule[] {
  return [
    ...rules.slice(0, most),
    ...(inHandAtMost !== null && inHandAtMost < batches.length ? [furthestFirst] : []),
    ...(batches.some((batch) => batch.job !== undefined) ? [smallestJobFirst] : []),
  ]
}

const nothing: ReadonlySet<PlanTask> = new Set()

/**
 * A row built by asking the rule after every task; ties go to the batch furthest from its end, then the first.
 * @param kinds which batches are alike; see `kindsOf`.
 * @param asks for whom a place is looked for: the best of anybody's, or that of whoever is free first where it will do.
 * @param atOnce after these comes the next task of their batch, where the desk itself does not see to that.
 */
export function dispatch(
  desk: ScheduleBuilder,
  instance: PlanInstance,
  policy: SplitPolicy,
  rule: Rule,
  kinds: readonly number[],
  asks: 'anybody' | 'whoever is free' = 'anybody',
  atOnce: ReadonlySet<PlanTask> = nothing,
): TaskSequence {
  const tails = instance.batches.map(tailAfter)
  const position = instance.batches.map(() => 0)
  const jobLeft = leftOfJobs(instance.batches)
  const asked = new Int32Array(instance.batches.length)
  const open = new Set(instance.batches.keys())
  let owed = -1
  let round = 0
  const people = instance.painters.length
  const row: number[] = []
  desk.reset(policy)
  for (;;) {
    let free = Number.POSITIVE_INFINITY
    let first = 0
    for (let painter = 0; painter < people; painter++) {
      const from = desk.free(painter)
      if (from >= free) continue
      free = from
      first = painter
    }
    const who = asks === 'anybody' ? 0 : 1 + first
    let best = -1
    let last: PlanTask | null = null
    let choice = 0
    let bestScore = Number.POSITIVE_INFINITY
    let bestTail = 0
    round += 1
    for (const batch of owed >= 0 ? [owed] : open) {
      const planned = instance.batches[batch]
      if (!planned) continue
      // Of batches alike that nobody has begun one speaks for all.
      const kind = kinds[batch] ?? -1
      if (kind >= 0 && position[batch] === 0) {
        if (asked[kind] === round) continue
        asked[kind] = round
      }
      const place = desk.peek(batch, who)
      if (!place) continue
      const tail = tails[batch]?.[position[batch] ?? 0] ?? 0
      const score = rule(place, place.start - free, tail, planned, jobLeft[batch] ?? 0, batch)
      if (best < 0 || score < bestScore || (score === bestScore && tail > bestTail)) {
        best = batch
        last = place.task
        choice = 1 + place.way * people + place.painter
        bestScore = score
        bestTail = tail
      }
    }
    if (best < 0) return row
    row.push(sequenceEntry(instance, best, choice))
    position[best] = (position[best] ?? 0) + 1
    if (!desk.place(best, choice)) return row
    if (!desk.hasTask(best)) open.delete(best)
    owed = last !== null && atOnce.has(last) && desk.hasTask(best) ? best : -1
  }
}

/**
 * By batch a number that those alike share while nothing of them is done; −1 for one that is by itself.
 */
export function kindsOf(batches: readonly PlanBatch[]): readonly number[] {
  const known = new Map<string, number>()
  return batches.map(({ tasks, drying, begun, kind, due, priority, job }) => {
    if (begun || drying.length > 0) return -1
    const text = JSON.stringify([kind, due, priority, job, tasks])
    const number = known.get(text) ?? known.size
    known.set(text, number)
    return number
  })
}

/** By batch the work of its job, of all batches it is late with. */
function leftOfJobs(batches: readonly PlanBatch[]): readonly number[] {
  const own = batches.map(({ tasks }) =>
    tasks.reduce((sum, task) => sum + task.setUp + task.perModel * task.models.length, 0),
  )
  const byJob = new Map<number, number>()
  batches.forEach(({ job }, index) => {
    if (job !== undefined) byJob.set(job, (byJob.get(job) ?? 0) + (own[index] ?? 0))
  })
  return batches.map(({ job }, index) => (job === undefined ? undefined : byJob.get(job)) ?? own[index] ?? 0)
}

/** Work and waits from each task of a batch to its end. */
function tailAfter(batch: PlanBatch): readonly number[] {
  let tail = 0
  return batch.tasks
    .toReversed()
    .map((task) => (tail += task.perModel * task.models.length + task.wait))
    .reverse()
}
