import type { ScheduleBuilder, SplitPolicy } from './schedule-builder.ts'
import { dispatch, rulesFor } from './dispatch.ts'
import { rowFollower, type RowFollower, type RowFreedom } from './follow-sequence.ts'
import type { PlanCost, PlanInstance, PlanTask } from './instance.ts'
import type { TaskSequence } from './task-sequence.ts'

/** A rule asks every batch after every task: of more than so many questions planning anew takes too long for a future. */
const mostAsked = 800
/** The first rules: whatever can be begun soonest, and the same with the pot that is open. */
const rulesTried = 2

/**
 * A row followed by a rule, and planned anew where that ends later than was planned: what small jobs win by another order
 * may be a whole session, as long drying begins before an evening ends instead of after it. The desk holds what was laid
 * last, which is what is told.
 * @param instance the same that the desk lays. @param planned when the plan ends, in seconds from now.
 */
export function planFollower(
  desk: ScheduleBuilder,
  instance: PlanInstance,
  taskLists: readonly PlanTask[][],
  freedom: RowFreedom,
  row: TaskSequence,
  planned: number,
): RowFollower {
  const follow = rowFollower(desk, taskLists, freedom, row)
  const batches = instance.batches.length
  const tasks = taskLists.reduce((sum, list) => sum + list.length, 0)
  if (tasks * batches > mostAsked || batches === 1) return follow
  const rules = rulesFor(instance, rulesTried)
  const eachAlone = instance.batches.map(() => -1)
  const atOnce = new Set(
    taskLists.flatMap((list, batch) => list.filter((_, at) => freedom.follows[batch]?.[at] === true)),
  )
  return (policy: SplitPolicy): PlanCost => {
    const followed = follow(policy)
    if (followed.finish <= planned) return followed
    let best = { cost: followed, laid: desk.save() }
    for (const rule of rules) {
      dispatch(desk, instance, policy, rule, eachAlone, 'anybody', atOnce)
      const cost = desk.cost()
      if (cost.finish < best.cost.finish) best = { cost, laid: desk.save() }
    }
    desk.load(best.laid)
    return best.cost
  }
}
