import { seededRandom } from '../units/index.ts'
import type { CompiledInstance } from './compiled.ts'
import type { PlanCost } from './instance.ts'
import { resumableLayer } from './resumable-layer.ts'
import type { ScheduleBuilder } from './schedule-builder.ts'
import type { SearchBudget, SearchResult } from './search.ts'
import type { PlanOrder } from './weigh-plan.ts'

/** How one walk is taken. */
export interface Walk {
  /** How hot it begins, in usual tasks: enough to step over a set-up or a wait. */
  readonly warmth: number
  /** The share at its end that only takes what is no worse by the painter's own order of aims: waits and pots that cost no time. */
  readonly polish: number
  /** By batch, how much the time counts at which its tasks are through: leads where the height alone would not. */
  readonly guide?: Float64Array
}

/** How much colder a walk is at its end. */
const cooling = 0.01

/** Walks from a plan by small changes, worse ones too while it is hot; gives back the best it met. */
export function improve(
  builder: ScheduleBuilder,
  order: PlanOrder,
  start: SearchResult,
  budget: SearchBudget,
  { warmth, polish, guide }: Walk,
): SearchResult {
  const random = seededRandom(budget.seed)
  const layer = resumableLayer(builder, start.policy, order)
  const current = Int32Array.from(start.sequence)
  const tried = current.slice()
  const move = moves(builder, random)
  let currentCost = layer.take(current, 0)
  const heightOf = (cost: PlanCost) => {
    let sum = order.height(cost)
    if (guide)
      for (let batch = 0; batch < guide.length; batch++) sum += (guide[batch] ?? 0) * builder.throughAt(batch)
    return sum
  }
  let height = heightOf(currentCost)
  let best: SearchResult = start
  let polishing = false
  const hottest = Math.max(1, (warmth * start.cost.handsOnSeconds) / Math.max(1, current.length))
  let temperature = hottest
  let spent = 0
  for (let step = 0; step < budget.evaluations; step++) {
    if (step % 64 === 0) {
      if (budget.spent) spent = budget.spent()
      if (spent >= 1) break
      const progress = Math.max(spent, step / budget.evaluations)
      temperature = hottest * cooling ** (progress / (1 - polish))
      if (!polishing && progress > 1 - polish) {
        polishing = true
        current.set(best.sequence)
        currentCost = layer.take(current, 0)
        height = heightOf(currentCost)
      }
    }
    tried.set(current)
    const { from, to } = move(tried)
    if (to < from) continue
    const limit = polishing ? Number.POSITIVE_INFINITY : height - temperature * Math.log(random())
    const cost = layer.lay(tried, from, to, limit)
    if (!cost || !Number.isFinite(cost.finish)) continue
    const next = heightOf(cost)
    if (polishing ? order.compare(cost, currentCost) > 0 : next > limit) continue
    layer.take(tried, from)
    current.set(tried)
    height = next
    currentCost = cost
    if (order.compare(cost, best.cost) < 0) best = { sequence: [...tried], policy: start.policy, cost }
  }
  return best
}

/** The first and the last place that a change touches; none where the last comes before the first. */
interface Changed {
  readonly from: number
  readonly to: number
}

/** A small change of a sequence, in place. */
function moves(
  { compiled, choices }: ScheduleBuilder,
  random: () => number,
): (sequence: Int32Array) => Changed {
  const changed = { from: 0, to: -1 }
  const nothing: Changed = { from: 0, to: -1 }
  const within = (from: number, to: number): Changed => {
    changed.from = from
    changed.to = to
    return changed
  }
  const { people } = compiled
  const tasks = compiled.tasks.length
  const waysOf = (task: number) => (compiled.wayFrom[task + 1] ?? 0) - (compiled.wayFrom[task] ?? 0)
  const below = (limit: number) => Math.floor(random() * limit)
  const byFamily = new Map<number, number[]>()
  compiled.tasks.forEach((task, index) => {
    const alike = byFamily.get(task.family) ?? []
    alike.push(index)
    byFamily.set(task.family, alike)
  })
  const othersOf = compiled.tasks.map((task) => byFamily.get(task.family) ?? [])

  /** Others who may do a task, or do it otherwise. */
  const whos = compiled.tasks.map((_, task) => {
    const all: number[] = []
    for (let way = 0; way < waysOf(task); way++)
      for (let painter = 0; painter < people; painter++) {
        const hands = compiled.hands[((compiled.wayFrom[task] ?? 0) + way) * people + painter] ?? -1
        if (hands >= 0) all.push(1 + way * people + painter)
      }
    return all
  })
  const hasChoice = whos.some((all) => all.length > 1)

  /** Another painter or way for one of them, or another session. */
  function choose(sequence: Int32Array): Changed {
    const at = below(sequence.length)
    const before = sequence[at] ?? 0
    const task = before % tasks
    const who = (before - task) / tasks
    const all = whos[task] ?? []
    const isPutOff = who >= choices
    const other = all.length < 2 || random() < 0.2
    const someone = random() < 0.5 ? 0 : (all[below(all.length)] ?? 0)
    const next = other ? (isPutOff ? who - choices : who + choices) : someone
    if (next === who) return nothing
    sequence[at] = task + tasks * next
    return within(at, at)
  }

  const precedes = precedence(compiled)
  const taskAt = (sequence: Int32Array, at: number) => (sequence[at] ?? 0) % tasks

  /** A short run of tasks taken to another place, as far towards it as what has to come before what allows. */
  function shift(sequence: Int32Array, from: number, length: number, wanted: number): Changed {
    let to = from
    for (; to > wanted; to--) {
      const crossed = taskAt(sequence, to - 1)
      let isFree = true
      for (let at = from; at < from + length && isFree; at++)
        isFree = !precedes(crossed, taskAt(sequence, at))
      if (!isFree) break
    }
    for (; to < wanted; to++) {
      const crossed = taskAt(sequence, to + length)
      let isFree = true
      for (let at = from; at < from + length && isFree; at++)
        isFree = !precedes(taskAt(sequence, at), crossed)
      if (!isFree) break
    }
    if (from === to) return nothing
    const moved = sequence.slice(from, from + length)
    if (to < from) sequence.copyWithin(to + length, to, from)
    else sequence.copyWithin(from, from + length, to + length)
    sequence.set(moved, to)
    return within(Math.min(from, to), Math.max(from, to) + length - 1)
  }

  /** A task taken next to another with the same pot. */
  function join(sequence: Int32Array): Changed {
    const from = below(sequence.length)
    const alike = othersOf[(sequence[from] ?? 0) % tasks] ?? []
    if (alike.length < 2) return nothing
    const other = alike[below(alike.length)] ?? 0
    let at = 0
    while (at < sequence.length && taskAt(sequence, at) !== other) at += 1
    if (at === from) return nothing
    const to = random() < 0.5 ? at : at + 1
    return shift(sequence, from, 1, to > from ? to - 1 : to)
  }

  /** Two tasks each in the place of the other. */
  function swap(sequence: Int32Array): Changed {
    const one = below(sequence.length)
    const reach = random() < 0.5 ? 10 : sequence.length
    const other = Math.min(sequence.length - 1, Math.max(0, one + Math.round((random() * 2 - 1) * reach)))
    const [first, last] = one < other ? [one, other] : [other, one]
    const [early, late] = [taskAt(sequence, first), taskAt(sequence, last)]
    for (let at = first; at < last; at++) if (precedes(taskAt(sequence, at), late)) return nothing
    for (let at = first + 1; at < last; at++) if (precedes(early, taskAt(sequence, at))) return nothing
    const moved = sequence[first] ?? 0
    sequence[first] = sequence[last] ?? 0
    sequence[last] = moved
    return first === last ? nothing : within(first, last)
  }

  const taken = new Int32Array(tasks)

  /** A task taken forward with all that has to come before it, or back with all that has to come after it. */
  function withKin(sequence: Int32Array): Changed {
    const at = below(sequence.length)
    const to = below(sequence.length)
    const task = taskAt(sequence, at)
    let count = 0
    if (to < at) {
      // From behind, so that what stays moves over what is taken.
      let place = at
      for (let from = at; from >= to; from--) {
        const entry = sequence[from] ?? 0
        if (from === at || precedes(entry % tasks, task)) taken[count++] = entry
        else sequence[place--] = entry
      }
      for (let index = 0; index < count; index++) sequence[to + count - 1 - index] = taken[index] ?? 0
      return count === at - to + 1 ? nothing : within(to, at)
    }
    let place = at
    for (let from = at; from <= to; from++) {
      const entry = sequence[from] ?? 0
      if (from === at || precedes(task, entry % tasks)) taken[count++] = entry
      else sequence[place++] = entry
    }
    for (let index = 0; index < count; index++) sequence[to - count + 1 + index] = taken[index] ?? 0
    return count === to - at + 1 ? nothing : within(at, to)
  }

  const choosing = hasChoice ? 0.2 : 0.04
  const joins = choosing + 0.15
  const swaps = joins + 0.2
  const shared = swaps + 0.15

  return (sequence) => {
    const kind = random()
    if (kind < joins) return kind < choosing ? choose(sequence) : join(sequence)
    if (kind < swaps) return swap(sequence)
    if (kind < shared) return withKin(sequence)
    const length = random() < 0.7 ? 1 : 1 + below(4)
    if (length >= sequence.length) return nothing
    const places = sequence.length - length + 1
    const from = below(places)
    const reach = random() < 0.6 ? 6 : places
    const to = Math.min(places - 1, Math.max(0, from + Math.round((random() * 2 - 1) * reach)))
    return shift(sequence, from, length, to)
  }
}

/** Whether one task has to come before another, straight or over others of its batch. */
function precedence({
  instance,
  batchOf,
  taskAt,
  before,
  tasks,
}: CompiledInstance): (first: number, then: number) => boolean {
  const all = instance.batches.map((batch, index) => {
    const from = taskAt[index] ?? 0
    const count = batch.tasks.length
    const is = new Uint8Array(count * count)
    for (let then = 0; then < count; then++)
      for (const task of before[from + then] ?? []) {
        const first = task - from
        if (first < 0 || first >= count) continue
        is[first * count + then] = 1
        for (let earlier = 0; earlier < first; earlier++)
          if (is[earlier * count + first] === 1) is[earlier * count + then] = 1
      }
    return { from, count, is }
  })
  return (first, then) => {
    const batch = batchOf[first] ?? 0
    if (batch !== batchOf[then]) return tasks[then]?.joins.includes(batch) === true
    const own = all[batch]
    return own !== undefined && own.is[(first - own.from) * own.count + then - own.from] === 1
  }
}
