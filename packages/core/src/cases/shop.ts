import { inTurn, type PlanInstance, type SearchBudget, type TaskSequence } from '../schedule/index.ts'
import { permutationRow, solveFlowShop } from './flow-shop.ts'
import { solveJobShop } from './job-shop.ts'

/** Jobs that pass machines in an order of their own, one at a time on each. */
export interface Shop {
  readonly jobs: readonly (readonly ShopOperation[])[]
  readonly machines: number
}

interface ShopOperation {
  readonly machine: number
  readonly length: number
  /** Between its end and the begin of the next. */
  readonly lag: number
}

/** The instance as a shop, when nothing in it is more than that; a painter is a machine. */
export function shopOf(instance: PlanInstance): Shop | null {
  const { batches, painters } = instance
  if (painters.length < 2 || instance.inHandAtMost !== null) return null
  if (painters.some((painter) => painter.sessions !== null || painter.pace !== 1)) return null
  const jobs: ShopOperation[][] = []
  for (const batch of batches) {
    if (batch.due !== null || batch.priority !== 0 || batch.drying.length > 0 || batch.models !== 1)
      return null
    const job: ShopOperation[] = []
    for (const task of batch.tasks) {
      const machine = task.painters?.[0]
      const plain =
        task.painters?.length === 1 &&
        task.setUp === 0 &&
        task.regions === 'whole' &&
        task.station === null &&
        task.windows === null &&
        task.maxWait === null &&
        task.others.length === 0 &&
        task.joins.length === 0
      if (!plain || machine === undefined) return null
      job.push({ machine, length: task.perModel, lag: task.wait })
    }
    jobs.push(job)
  }
  return { jobs, machines: painters.length }
}

/** A sequence whose makespan is small: by tabu search, and for jobs that all pass the machines alike by iterated greedy before it. */
export function solveShop(instance: PlanInstance, shop: Shop, budget: SearchBudget): TaskSequence {
  const [first] = shop.jobs
  const alike =
    first !== undefined &&
    shop.jobs.every((job) => sameRoute(job, first) && job.every((each) => each.lag === 0))
  if (!alike || !hasEachOnce(first)) return inTurn(instance, solveJobShop(shop, budget))
  // Where all pass alike, overtaking pays seldom: first the best common order, then what overtaking adds to it.
  const { spent } = budget
  const half = spent ? { ...budget, spent: () => spent() * 2 } : budget
  const order = permutationRow(solveFlowShop(shop, half), first.length)
  return inTurn(instance, solveJobShop(shop, budget, order))
}

function sameRoute(a: readonly ShopOperation[], b: readonly ShopOperation[]): boolean {
  return a.length === b.length && a.every((each, index) => each.machine === b[index]?.machine)
}

function hasEachOnce(job: readonly ShopOperation[]): boolean {
  return new Set(job.map((each) => each.machine)).size === job.length
}
