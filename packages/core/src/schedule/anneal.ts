import { seededRandom } from '../units/index.ts'
import type { ScheduleBuilder } from './schedule-builder.ts'
import type { PlanInstance } from './instance.ts'
import { buildSchedule, type TaskSequence } from './task-sequence.ts'
import type { SearchResult, SearchBudget } from './search.ts'
import type { PlanOrder } from './weigh-plan.ts'

/** Walks from a row by small changes, worse ones too while it is hot; gives back the best it met. */
export function anneal(
  desk: ScheduleBuilder,
  instance: PlanInstance,
  order: PlanOrder,
  start: SearchResult,
  budget: SearchBudget,
  /** The shares of the time between which it may walk. */
  [from, to]: readonly [number, number],
): SearchResult {
  const random = seededRandom(budget.seed)
  const batches = instance.batches.length
  const most = Math.max(
    1,
    ...instance.batches.flatMap((batch) => batch.tasks.map((task) => 1 + task.others.length)),
  )
  const choices = most * instance.painters.length
  let row = start.row
  let current = order.height(start.cost)
  let best: SearchResult = start
  // A third of a usual task: enough to step over a set-up or a short wait.
  const hottest = Math.max(1, start.cost.deskSeconds / start.row.length / 3)
  let spent = 0
  for (let step = 0; step < budget.evaluations; step++) {
    if (step % 64 === 0 && budget.spent) {
      spent = (budget.spent() - from) / (to - from)
      if (spent >= 1) break
    }
    const temperature = hottest * 0.01 ** Math.max(spent, step / budget.evaluations)
    const tried = changed(row, batches, choices, random)
    if (!tried) continue
    const cost = buildSchedule(desk, batches, tried, start.policy)
    if (!Number.isFinite(cost.finish)) continue
    const next = order.height(cost)
    if (next > current && random() >= Math.exp((current - next) / temperature)) continue
    row = tried
    current = next
    if (order.compare(cost, best.cost) < 0) best = { row, policy: start.policy, cost }
  }
  return best
}

/** A short run of tasks taken to another place, mostly near by; or another painter or way for one of them. */
function changed(
  row: TaskSequence,
  batches: number,
  choices: number,
  random: () => number,
): TaskSequence | null {
  if (choices > 1 && random() < 0.3) {
    const at = Math.floor(random() * row.length)
    const batch = (row[at] ?? 0) % batches
    const next = [...row]
    next[at] = batch + batches * Math.floor(random() * (choices + 1))
    return next
  }
  const length = random() < 0.7 ? 1 : 1 + Math.floor(random() * 4)
  if (length >= row.length) return null
  const places = row.length - length + 1
  const from = Math.floor(random() * places)
  const reach = random() < 0.6 ? 6 : places
  const to = Math.min(places - 1, Math.max(0, from + Math.round((random() * 2 - 1) * reach)))
  if (from === to) return null
  const next = [...row]
  next.splice(to, 0, ...next.splice(from, length))
  return next
}
