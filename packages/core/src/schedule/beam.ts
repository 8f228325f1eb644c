import type { ScheduleBuilder } from './schedule-builder.ts'
import { wayOf, type PlanBatch, type PlanInstance } from './instance.ts'
import { sequenceEntry, buildSchedule, type TaskSequence } from './task-sequence.ts'
import type { SearchResult, SearchBudget } from './search.ts'
import type { PlanOrder } from './weigh-plan.ts'

interface Node {
  readonly state: Float64Array
  readonly row: TaskSequence
}

interface Child {
  readonly parent: number
  readonly entry: number
  readonly setUp: number
  /** Small is hopeful; Infinity where nothing better can follow. */
  readonly guide: number
  /** The same for whoever wants few set-ups. */
  readonly saving: number
}

/**
 * How much a second of set-up weighs against one of time: the finish wants it small, few set-ups large. Of each level
 * one half is kept by the one and one half by the other.
 */
const setUpWeights = { finish: 0.02, setUps: 1.5 }
/** The narrowest sweep; what is given fewer evaluations than that takes is not worth beginning. */
const firstWidth = 60
const widest = 4000
const widening = 12

/** So many evaluations the narrowest sweep over so many tasks takes. */
export function leastBeam(tasks: number): number {
  return firstWidth * tasks
}

/** At the limit so many of the most hopeful beginnings are brought to their end. */
const broughtToEnd = 8

/**
 * Lays tasks in all orders at once, level by level, and keeps the most hopeful states of each; wider and wider until
 * the budget is spent or every state has been seen. States that go on alike are one.
 */
export function beam(
  desk: ScheduleBuilder,
  instance: PlanInstance,
  order: PlanOrder,
  known: SearchResult,
  budget: SearchBudget,
): SearchResult {
  let best = known
  let left = budget.evaluations
  let width = firstWidth
  for (;;) {
    const began = budget.spent?.() ?? 0
    const { rows, complete } = sweep(desk, instance, width, best, budget)
    for (const row of rows) {
      const cost = buildSchedule(desk, instance.batches.length, row, 'whole')
      if (order.compare(cost, best.cost) < 0) best = { row, policy: 'whole', cost }
    }
    if (complete) return best
    left -= width * known.row.length
    const now = budget.spent?.() ?? 0
    // So wide that it ends in time, as far as the last one tells.
    const factor = Math.min(widening, budget.spent ? (0.85 * (1 - now)) / Math.max(1e-6, now - began) : 4)
    width = Math.min(widest, Math.floor(width * factor), Math.floor(left / known.row.length))
    if (width < firstWidth / 2) return best
  }
}

interface Swept {
  /** The best it came to; where the time was up in the middle, its most hopeful beginnings, brought to their end. */
  readonly rows: readonly TaskSequence[]
  /** Nothing was left out for want of width: there is no better row. */
  readonly complete: boolean
}

function sweep(
  desk: ScheduleBuilder,
  instance: PlanInstance,
  width: number,
  known: SearchResult,
  budget: SearchBudget,
): Swept {
  const { batches, painters } = instance
  const people = painters.length
  const pace = Math.min(...painters.map((each) => each.pace))
  const tails = batches.map((batch) => tailsOf(batch, pace))
  const works = batches.map((batch) => worksOf(batch, pace))
  const families = Math.max(0, ...batches.flatMap((batch) => batch.tasks.map((task) => task.family))) + 1
  const levels = batches.reduce((sum, batch) => sum + batch.tasks.length, 0)
  const left = new Int32Array(batches.length)
  const open = new Uint8Array(families)
  const setUps = new Float64Array(families)
  for (const batch of batches) {
    for (const task of batch.tasks) {
      const known = setUps[task.family] ?? 0
      setUps[task.family] = known === 0 ? task.again : Math.min(known, task.again)
    }
  }
  let complete = true
  desk.reset('whole')
  let nodes: Node[] = [{ state: desk.save(), row: [] }]
  for (let level = 0; level < levels; level++) {
    const best = nodes
    const endings = () => ({
      rows: best.slice(0, broughtToEnd).map((node) => broughtToTheEnd(node.row, known.row, batches.length)),
      complete: false,
    })
    if ((budget.spent?.() ?? 0) >= 1) return endings()
    const children: Child[] = []
    const seen = new Map<number, number>()
    for (const [parent, node] of nodes.entries()) {
      if (parent % 32 === 31 && (budget.spent?.() ?? 0) >= 1) return endings()
      desk.load(node.state)
      left.fill(0)
      for (const entry of node.row) left[entry % batches.length] = (left[entry % batches.length] ?? 0) + 1
      batches.forEach((batch, index) => {
        const task = batch.tasks[left[index] ?? 0]
        if (!task) return
        for (let way = 0; way <= task.others.length; way++) {
          for (let painter = 0; painter < people; painter++) {
            const allowed = wayOf(task, way).painters
            if (allowed !== null && !allowed.includes(painter)) continue
            const choice = 1 + way * people + painter
            if (!desk.mayGoOn(index)) continue
            const placed = desk.placeAlone(index, choice)
            if (placed) {
              const key = desk.hash()
              const twin = seen.get(key)
              const setUp = desk.setUpSeconds()
              if (twin === undefined || setUp < (children[twin]?.setUp ?? 0)) {
                left[index] = (left[index] ?? 0) + 1
                const child = judge(parent, sequenceEntry(instance, index, choice), setUp)
                left[index] = (left[index] ?? 0) - 1
                if (twin === undefined) {
                  seen.set(key, children.length)
                  children.push(child)
                } else children[twin] = child
              }
            }
            desk.load(node.state)
          }
        }
      })
    }
    const hopeful = children.filter((child) => child.guide < Number.POSITIVE_INFINITY)
    nodes = mostHopeful(hopeful, width).map(({ parent, entry }) => {
      const from = nodes[parent]
      if (!from) throw new RangeError('a child without a parent')
      desk.load(from.state)
      const batch = entry % batches.length
      desk.place(batch, (entry - batch) / batches.length)
      return { state: desk.save(), row: [...from.row, entry] }
    })
    if (hopeful.length > width) complete = false
    if (nodes.length === 0) return { rows: [], complete }
  }
  return { rows: nodes.slice(0, 1).map((node) => node.row), complete }

  /** How the state just reached looks: nothing under it can end before `bound`. */
  function judge(parent: number, entry: number, setUp: number): Child {
    let work = 0
    let chain = 0
    open.fill(0)
    for (let index = 0; index < batches.length; index++) {
      const at = left[index] ?? 0
      const batch = batches[index]
      chain = Math.max(chain, desk.dryAt(index))
      if (!batch || at >= batch.tasks.length) continue
      work += works[index]?.[at] ?? 0
      for (let later = at; later < batch.tasks.length; later++) open[batch.tasks[later]?.family ?? 0] = 1
    }
    let sets = 0
    for (let family = 0; family < families; family++) {
      if (open[family] === 1 && !desk.isPotOpen(family)) sets += setUps[family] ?? 0
    }
    const balanced = desk.workedUntil(work + sets)
    const hopeless = {
      parent,
      entry,
      setUp,
      guide: Number.POSITIVE_INFINITY,
      saving: Number.POSITIVE_INFINITY,
    }
    // Only what can still beat the plan known goes on.
    const { finish, setUpSeconds } = known.cost
    const isBeaten = (bound: number) => bound > finish || (bound === finish && setUp + sets >= setUpSeconds)
    if (isBeaten(Math.max(balanced, chain))) return hopeless
    let ahead = 0
    for (let index = 0; index < batches.length; index++) {
      const at = left[index] ?? 0
      if (at >= (batches[index]?.tasks.length ?? 0)) continue
      const place = desk.peek(index)
      if (place?.tooLate === true) return hopeless
      const end = (place ? place.start + place.setUp : desk.dryAt(index)) + (tails[index]?.[at] ?? 0)
      if (end > chain) chain = end
      ahead += end
    }
    const bound = Math.max(balanced, chain)
    if (isBeaten(bound)) return hopeless
    const hope = bound + balanced * 0.05 + ahead * 0.002
    return {
      parent,
      entry,
      setUp,
      guide: hope + (setUp + sets) * setUpWeights.finish,
      saving: hope + (setUp + sets) * setUpWeights.setUps,
    }
  }
}

/** The beginning of one row, and what it leaves in the order of another. */
function broughtToTheEnd(begun: TaskSequence, whole: TaskSequence, batches: number): TaskSequence {
  const done = new Int32Array(batches)
  for (const entry of begun) done[entry % batches] = (done[entry % batches] ?? 0) + 1
  const rest = whole.filter((entry) => {
    const batch = entry % batches
    const left = done[batch] ?? 0
    if (left > 0) done[batch] = left - 1
    return left === 0
  })
  return [...begun, ...rest]
}

/** Half of the width by the one guide, and what else is best by the other; the best by the first comes first. */
function mostHopeful(children: readonly Child[], width: number): readonly Child[] {
  const byGuide = children.toSorted((a, b) => a.guide - b.guide)
  if (children.length <= width) return byGuide
  const first = byGuide.slice(0, Math.ceil(width / 2))
  const rest = byGuide.slice(first.length).sort((a, b) => a.saving - b.saving)
  return [...first, ...rest.slice(0, width - first.length)]
}

/** From each task of a batch to its end: hands and waits, without set-ups. */
function tailsOf(batch: PlanBatch, pace: number): readonly number[] {
  let tail = 0
  return batch.tasks
    .toReversed()
    .map((task) => (tail += shortest(task, pace) + task.wait))
    .reverse()
}

function worksOf(batch: PlanBatch, pace: number): readonly number[] {
  let work = 0
  return batch.tasks
    .toReversed()
    .map((task) => (work += shortest(task, pace)))
    .reverse()
}

function shortest(task: PlanBatch['tasks'][number], pace: number): number {
  const perModel = Math.min(task.perModel, ...task.others.map((way) => way.perModel))
  return Math.round(perModel * pace) * task.models.length
}
