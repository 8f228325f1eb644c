import type { PlanBatch, PlanInstance } from './instance.ts'
import type { Place, SplitPolicy } from './place-finder.ts'
import type { ScheduleBuilder } from './schedule-builder.ts'
import { inFull, recorder, type TaskSequence } from './task-sequence.ts'

/** What a rule of thumb looks at when somebody asks what to do next; the lowest score wins. */
interface Asked {
  readonly place: Readonly<Place>
  /** Seconds of hands at rest before it. */
  readonly waited: number
  /** Work and waits of the batch from here to its end. */
  readonly tail: number
  readonly batch: PlanBatch
  /** Its number. */
  readonly index: number
  /** The work of its job, of all batches it is late with. */
  readonly jobLeft: number
  readonly handsSeconds: number
}

export type Rule = (asked: Asked) => number

const pressing = ({ batch }: Asked) => -batch.priority * 1e7
const byStart: Rule = ({ waited }) => waited
const openPotFirst: Rule = ({ waited, place }) => waited + place.setUp
const longestTailFirst: Rule = ({ waited, tail }) => waited * 4 - tail
const quickestFirst: Rule = ({ waited, handsSeconds }) => waited + handsSeconds
/** Where only so many may be in hand, a batch that is nearly through makes room for the next. */
const furthestFirst: Rule = ({ waited, place, tail }) => waited + place.setUp + tail / 10
/** By priority, then the date less what is left to do. */
const pressedFirst: Rule = (asked) =>
  asked.waited * 2 +
  asked.place.setUp +
  pressing(asked) +
  (asked.batch.due === null ? 1e6 : Math.min(1e6, asked.batch.due - asked.tail))

/** What is late anyhow is late by as much more as is done before it: of jobs with a date the smallest. */
const smallestJobFirst: Rule = (asked) =>
  asked.waited +
  asked.place.setUp +
  pressing(asked) +
  (asked.batch.due === null ? 1e6 : Math.min(1e6, asked.jobLeft))

const rules: readonly Rule[] = [
  openPotFirst,
  byStart,
  ({ waited, place }) => waited * 4 + place.setUp,
  longestTailFirst,
  quickestFirst,
  pressedFirst,
]

/** The rules that can tell anything apart here. @param most at most so many of those that always can. */
export function rulesFor({ batches, inHandAtMost }: PlanInstance, most = rules.length): readonly Rule[] {
  return [
    ...(batches.some((batch) => batch.job !== undefined) ? [smallestJobFirst] : []),
    ...(inHandAtMost !== null && inHandAtMost < batches.length ? [furthestFirst] : []),
    ...rules.slice(0, most),
  ]
}

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
  return (asked) =>
    asked.waited + setUp * asked.place.setUp + tail * asked.tail + (after[asked.index] ?? 0) + pressing(asked)
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

interface DispatchOptions {
  /** A place is looked for with whoever is free first, where it will do; else the best of anybody's. */
  readonly whoIsFree?: boolean
  /** Of each batch so many of the next tasks are asked for, in the order of its list; all by default. */
  readonly width?: number
  /** Tasks after which the next of their list comes at once, where the builder itself does not see to that. */
  readonly atOnce?: Uint8Array
}

/** Builds a sequence by asking the rule after every task; ties go to the batch furthest from its end, then the first. */
export type Dispatch = (policy: SplitPolicy, rule: Rule, options?: DispatchOptions) => TaskSequence

export function dispatcher(builder: ScheduleBuilder): Dispatch {
  const { instance, taskAt, tasks, batchOf, people } = builder.compiled
  const { batches } = instance
  const tails = batches.flatMap(tailAfter)
  const alike = kindsOf(batches)
  const jobLeft = leftOfJobs(batches)

  return (policy, rule, { width = Number.POSITIVE_INFINITY, atOnce, whoIsFree = false } = {}) => {
    const asked = new Int32Array(batches.length)
    const open = new Set(batches.keys())
    let owed = -1
    let round = 0
    const { sequence, record } = recorder(builder)
    builder.reset(policy, record)
    for (;;) {
      let free = Number.POSITIVE_INFINITY
      let first = 0
      for (let painter = 0; painter < people; painter++) {
        const from = builder.free(painter)
        if (from >= free) continue
        free = from
        first = painter
      }
      const best = { task: -1, choice: 0, score: Number.POSITIVE_INFINITY, tail: 0 }
      const ask = (task: number): boolean => {
        const place = builder.peek(task, whoIsFree ? 1 + first : 0)
        const batch = batches[batchOf[task] ?? 0]
        if (!place || !batch || place.tooLate) return false
        const tail = tails[task] ?? 0
        const score = rule({
          place,
          waited: place.start - free,
          tail,
          batch,
          index: batchOf[task] ?? 0,
          jobLeft: jobLeft[batchOf[task] ?? 0] ?? 0,
          handsSeconds: place.end - place.start - place.setUp,
        })
        if (best.task < 0 || score < best.score || (score === best.score && tail > best.tail)) {
          best.task = task
          best.choice = 1 + place.way * people + place.painter
          best.score = score
          best.tail = tail
        }
        return true
      }
      round += 1
      if (owed >= 0) ask(owed)
      else
        for (const batch of open) {
          // Of batches alike that nobody has begun one speaks for all.
          const kind = alike[batch] ?? -1
          if (kind >= 0 && !builder.isBegun(batch)) {
            if (asked[kind] === round) continue
            asked[kind] = round
          }
          let found = 0
          for (let task = taskAt[batch] ?? 0; task < (taskAt[batch + 1] ?? 0) && found < width; task++)
            if (builder.mayBegin(task) && ask(task)) found += 1
        }
      if (best.task < 0 || !builder.place(best.task, best.choice)) return inFull(tasks.length, sequence)
      const batch = batchOf[best.task] ?? 0
      if (builder.isThrough(batch)) open.delete(batch)
      owed = atOnce?.[best.task] === 1 && !builder.isLaid(best.task + 1) ? best.task + 1 : -1
    }
  }
}

/** By batch a number that those alike share while nothing of them is done; −1 for one that is by itself. */
export function kindsOf(batches: readonly PlanBatch[]): readonly number[] {
  const known = new Map<string, number>()
  return batches.map(({ tasks, comesAfter, drying, begun, kind, due, priority, job }) => {
    if (begun || drying.length > 0) return -1
    const text = JSON.stringify([kind, due, priority, job, comesAfter, tasks])
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
