import { seededRandom } from '../units/random.ts'
import { createDesk, layRow, type Desk, type SplitPolicy } from './desk.ts'
import { dispatch, rules } from './dispatch.ts'
import { batchByBatch, stageByStage, stageByStageInGroups } from './habits.ts'
import { withMostInHand } from './in-hand.ts'
import { compareCosts, type PlanCost, type PlanInstance } from './instance.ts'

export interface SearchBudget {
  readonly seed: number
  /** Rows tried beyond the built ones: the same answer on every machine. */
  readonly evaluations: number
}

export interface FoundRow {
  readonly row: readonly number[]
  readonly policy: SplitPolicy
  readonly cost: PlanCost
}

const policies: readonly SplitPolicy[] = ['fill', 'whole']

/**
 * Rows built by habit and by rule, then the best of them annealed. Both hand habits are among the rows
 * built, so the answer is never worse than either.
 */
export function searchRow(instance: PlanInstance, budget: SearchBudget): FoundRow {
  const desk = createDesk(instance)
  const built = builtRows(desk, instance).sort((a, b) => compareCosts(a.cost, b.cost))
  const best = built[0] ?? { row: [], policy: 'fill' as const, cost: layRow(desk, [], 'fill') }
  if (new Set(best.row).size < 2) return best
  const starts = policies.flatMap((policy) => built.find((found) => found.policy === policy) ?? [])
  return starts
    .map((start, index) =>
      anneal(desk, instance, start, {
        seed: budget.seed + index,
        evaluations: Math.floor(budget.evaluations / starts.length),
      }),
    )
    .reduce((a, b) => (compareCosts(b.cost, a.cost) < 0 ? b : a), best)
}

function builtRows(desk: Desk, instance: PlanInstance): FoundRow[] {
  const batches = instance.batches.length
  const groups = [...new Set([2, 3, 4, 6, 8].filter((size) => size < batches))]
  return policies.flatMap((policy) => {
    const rows = [
      batchByBatch(instance),
      stageByStage(instance),
      ...groups.map((size) => stageByStageInGroups(instance, size)),
      ...rules.map((rule) => dispatch(desk, instance, policy, rule)),
    ]
    return rows.map((row) => ({ row, policy, cost: layRow(desk, row, policy) }))
  })
}

/**
 * One figure to walk by. Time at the desk, not on the calendar: there a few seconds saved show at once,
 * while the finish only moves when they add up to an evening.
 */
function height(cost: PlanCost): number {
  const tail = cost.finish - cost.handsDone
  return cost.deskSeconds + tail + cost.setUpSeconds * 0.05 + cost.exposed * 0.02
}

function anneal(desk: Desk, instance: PlanInstance, start: FoundRow, budget: SearchBudget): FoundRow {
  const random = seededRandom(budget.seed)
  let row = start.row
  let current = height(start.cost)
  let best: FoundRow = start
  // A third of a usual task: enough to step over a set-up or a short wait.
  const hottest = Math.max(1, start.cost.deskSeconds / start.row.length / 3)
  for (let step = 0; step < budget.evaluations; step++) {
    const temperature = hottest * 0.01 ** (step / budget.evaluations)
    const move = randomMove(row, random)
    if (!move) continue
    const tried = withMostInHand(instance, moved(row, move))
    const cost = layRow(desk, tried, start.policy)
    const next = height(cost)
    if (next > current && random() >= Math.exp((current - next) / temperature)) continue
    row = tried
    current = next
    if (compareCosts(cost, best.cost) < 0) best = { row, policy: start.policy, cost }
  }
  return best
}

interface Move {
  readonly from: number
  readonly to: number
  readonly length: number
}

/** Takes a short run of tasks to another place, mostly near by. */
function randomMove(row: readonly number[], random: () => number): Move | null {
  const length = random() < 0.7 ? 1 : 1 + Math.floor(random() * 4)
  if (length >= row.length) return null
  const places = row.length - length + 1
  const from = Math.floor(random() * places)
  const reach = random() < 0.6 ? 6 : places
  const to = Math.min(places - 1, Math.max(0, from + Math.round((random() * 2 - 1) * reach)))
  if (from === to) return null
  return { from, to, length }
}

function moved(row: readonly number[], { from, to, length }: Move): number[] {
  const next = [...row]
  next.splice(to, 0, ...next.splice(from, length))
  return next
}
