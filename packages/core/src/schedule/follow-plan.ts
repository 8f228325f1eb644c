import { dispatcher, rulesFor } from './dispatch.ts'
import { sequenceFollower, type SequenceFollower } from './follow-sequence.ts'
import type { PlanCost } from './instance.ts'
import type { SplitPolicy } from './place-finder.ts'
import type { ScheduleBuilder } from './schedule-builder.ts'
import type { TaskSequence } from './task-sequence.ts'

/** A rule asks every batch after every task: of more than so many questions planning anew takes too long for a future. */
const mostAsked = 300
/** The first rules: whatever can be begun soonest, and the same with the pot that is open. */
const rulesTried = 2

/**
 * A sequence followed by a rule, and planned anew where that ends later than was planned: what small jobs win by another
 * order may be a whole session, as long drying begins before an evening ends instead of after it. The builder holds what was
 * laid last, which is what is told.
 * @param follows see `sequenceFollower`. @param planned when the plan ends, in seconds from now.
 */
export function planFollower(
  builder: ScheduleBuilder,
  follows: Uint8Array,
  sequence: TaskSequence,
  planned: number,
): SequenceFollower {
  const { instance, tasks } = builder.compiled
  const follow = sequenceFollower(builder, follows, sequence)
  const batches = instance.batches.length
  if (tasks.length * batches > mostAsked || batches === 1) return follow
  const rules = rulesFor(instance, rulesTried)
  const dispatch = dispatcher(builder)
  return (policy: SplitPolicy): PlanCost => {
    const followed = follow(policy)
    if (followed.finish <= planned) return followed
    let best = { cost: followed, laid: builder.save() }
    for (const rule of rules) {
      dispatch(policy, rule, { atOnce: follows })
      const cost = builder.cost()
      if (cost.finish < best.cost.finish) best = { cost, laid: builder.save() }
    }
    builder.load(best.laid)
    return best.cost
  }
}
