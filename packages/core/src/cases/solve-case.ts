import {
  buildSchedule,
  createScheduleBuilder,
  layKept,
  type PlanInstance,
  type SearchBudget,
  searchPlan,
  type SearchResult,
} from '../schedule/index.ts'
import { shopOf, solveShop } from './shop.ts'

/** A plan as its checker reads it: batches, stages and painters by number, all times in the case's own unit. */
export interface SolvedCase {
  readonly finish: number
  readonly setUps: number
  readonly tasks: readonly {
    readonly batch: number
    readonly stage: number
    readonly painter: number
    /** When the set-up begins, when the hands do, and when they end. */
    readonly block: number
    readonly hands: number
    readonly end: number
  }[]
}

/** `null` where no plan is found. */
export function solveCase(instance: PlanInstance, budget: SearchBudget): SolvedCase | null {
  const { sequence, policy } = searchCase(instance, budget)
  const tasks: SolvedCase['tasks'][number][] = []
  const cost = buildSchedule(createScheduleBuilder(instance), sequence, policy, (segment) =>
    tasks.push({
      batch: segment.batch,
      stage: segment.task,
      painter: segment.painter,
      block: segment.start,
      hands: segment.start + segment.setUp,
      end: segment.end,
    }),
  )
  return Number.isFinite(cost.finish) ? { finish: cost.finish, setUps: cost.potOpenings, tasks } : null
}

/** A pure shop by the methods that are best for shops, which no painter's project is; anything else as a project. */
export function searchCase(instance: PlanInstance, budget: SearchBudget): SearchResult {
  const shop = shopOf(instance)
  return shop ? layKept(instance, solveShop(instance, shop, budget), ['date']) : searchPlan(instance, budget)
}
