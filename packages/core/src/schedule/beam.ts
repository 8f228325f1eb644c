import { leastWork } from './compiled.ts'
import type { ScheduleBuilder } from './schedule-builder.ts'
import type { SearchBudget, SearchResult } from './search.ts'
import { sequenceEntry, type TaskSequence } from './task-sequence.ts'

interface Node {
  readonly state: Float64Array
  readonly sequence: TaskSequence
}

interface Child {
  readonly parent: number
  readonly entry: number
  readonly setUp: number
  /** Small is hopeful. */
  readonly guide: number
  /** The same for whoever wants few set-ups. */
  readonly saving: number
}

/** How much a second of set-up weighs against one of time: the finish wants it small, few set-ups large. */
const setUpWeights = { finish: 0.02, setUps: 1.5 }
const narrowest = 60
const widest = 4000
const widening = 4

/**
 * Sequences built level by level: every task that may come next of every state kept, and of these so many of the most hopeful
 * ones, half by each of two guides; wider and wider until the budget is spent. States that go on alike are one. Only what can
 * still end before a plan that is known is gone on with. Of few tasks it leaves out next to nothing.
 */
export function beam(
  builder: ScheduleBuilder,
  known: SearchResult,
  isBetter: (a: SearchResult, b: SearchResult) => boolean,
  layWhole: (sequence: TaskSequence) => SearchResult,
  budget: SearchBudget,
): SearchResult {
  const levels = builder.compiled.tasks.length
  let best = known
  let left = budget.evaluations
  let width = narrowest
  while (width <= widest && left >= width * levels) {
    const began = budget.spent?.() ?? 0
    const { sequence, complete } = sweep(builder, width, best, budget)
    if (sequence) {
      const found = layWhole(sequence)
      if (isBetter(found, best)) best = found
    }
    if (complete) break
    left -= width * levels
    const now = budget.spent?.() ?? 0
    // So wide that it ends in time, as far as the last one tells.
    const inTime = budget.spent ? (0.85 * (1 - now)) / Math.max(1e-6, now - began) : widening
    const factor = Math.min(widening, inTime)
    if (factor < 1) break
    width = Math.min(Math.ceil(width * factor), Math.max(width, Math.floor(left / levels)))
  }
  return best
}

/** @returns `complete`: nothing was left out for want of width. */
function sweep(
  builder: ScheduleBuilder,
  width: number,
  { cost: known }: SearchResult,
  { spent }: SearchBudget,
): { readonly sequence: TaskSequence | null; readonly complete: boolean } {
  const { compiled } = builder
  const { tasks, people, wayFrom, batchOf, taskAt, hands, wait } = compiled
  const count = tasks.length
  const work = leastWork(compiled)
  const tail = new Float64Array(count)
  for (let task = count - 1; task >= 0; task--) {
    const after = task + 1 < count && batchOf[task + 1] === batchOf[task] ? task + 1 : -1
    tail[task] = (work[task] ?? 0) + (wait[wayFrom[task] ?? 0] ?? 0)
    // In a chain all that follows waits for it.
    if (after >= 0 && compiled.before[after]?.includes(task))
      tail[task] = (tail[task] ?? 0) + (tail[after] ?? 0)
  }
  let complete = true
  builder.reset('whole')
  let nodes: readonly Node[] = [{ state: builder.save(), sequence: [] }]
  for (let level = 0; level < count; level++) {
    const children: Child[] = []
    const seen = new Map<number, number>()
    for (const [parent, node] of nodes.entries()) {
      if (parent % 32 === 31 && (spent?.() ?? 0) >= 1) return { sequence: null, complete: false }
      builder.load(node.state)
      const ready = readyTasks(builder)
      for (const task of ready) {
        for (let way = wayFrom[task] ?? 0; way < (wayFrom[task + 1] ?? 0); way++) {
          for (let painter = 0; painter < people; painter++) {
            if ((hands[way * people + painter] ?? -1) < 0) continue
            const choice = 1 + (way - (wayFrom[task] ?? 0)) * people + painter
            // What has to be laid before it is a child of its own.
            if (builder.placeAlone(task, choice)) keep(parent, sequenceEntry(count, task, choice))
            builder.load(node.state)
          }
        }
      }
    }
    const kept = mostHopeful(children, width)
    if (children.length > width) complete = false
    nodes = kept.flatMap(({ parent, entry }): Node[] => {
      const from = nodes[parent]
      if (!from) return []
      builder.load(from.state)
      builder.placeAlone(entry % count, Math.floor(entry / count))
      return [{ state: builder.save(), sequence: [...from.sequence, entry] }]
    })
    if (nodes.length === 0) return { sequence: null, complete }

    function keep(parent: number, entry: number): void {
      const key = builder.hash()
      const twin = seen.get(key)
      if (twin !== undefined && builder.setUpSeconds() >= (children[twin]?.setUp ?? 0)) return
      const child = judged(parent, entry)
      if (!child) return
      if (twin === undefined) {
        seen.set(key, children.length)
        children.push(child)
      } else children[twin] = child
    }
  }
  return { sequence: nodes[0]?.sequence ?? null, complete }

  /** How the state just reached looks; `null` where it cannot end before what is known. */
  function judged(parent: number, entry: number): Child | null {
    const { setUp, unopened, workLeft } = builder.toCome(work)
    const balanced = builder.workedUntil(workLeft + unopened)
    const opened = setUp + unopened
    const isBeaten = (bound: number) =>
      bound > known.finish || (bound === known.finish && opened >= known.setUpSeconds)
    if (isBeaten(balanced)) return null
    let latest = balanced
    let ahead = 0
    for (let batch = 0; batch < taskAt.length - 1; batch++) {
      let end = builder.dryAt(batch)
      for (let task = taskAt[batch] ?? 0; task < (taskAt[batch + 1] ?? 0); task++) {
        if (!builder.mayBegin(task)) continue
        const place = builder.peek(task)
        if (!place || place.tooLate) return null
        end = Math.max(end, place.start + place.setUp + (tail[task] ?? 0))
      }
      latest = Math.max(latest, end)
      if (!builder.isThrough(batch)) ahead += end
    }
    if (isBeaten(latest)) return null
    const hope = latest + balanced * 0.05 + ahead * 0.002
    return {
      parent,
      entry,
      setUp,
      guide: hope + opened * setUpWeights.finish,
      saving: hope + opened * setUpWeights.setUps,
    }
  }
}

function readyTasks({ compiled, mayBegin }: ScheduleBuilder): readonly number[] {
  const ready: number[] = []
  for (let task = 0; task < compiled.tasks.length; task++) if (mayBegin(task)) ready.push(task)
  return ready
}

/** Half of the width by the one guide, and what else is best by the other; the best by the first comes first. */
function mostHopeful(children: readonly Child[], width: number): readonly Child[] {
  const byGuide = children.toSorted((a, b) => a.guide - b.guide)
  if (children.length <= width) return byGuide
  const first = byGuide.slice(0, Math.ceil(width / 2))
  const rest = byGuide.slice(first.length).sort((a, b) => a.saving - b.saving)
  return [...first, ...rest.slice(0, width - first.length)]
}
