import type { Desk, Peek, SplitPolicy } from './desk.ts'
import type { PlanInstance } from './instance.ts'

/** What a rule of thumb looks at when the painter asks which batch to take next; the lowest score wins. */
type Rule = (peek: Peek, waited: number, tail: number) => number

const byStart: Rule = (_, waited) => waited
const openPotFirst: Rule = (peek, waited) => waited + peek.setUp
const longestTailFirst: Rule = (_, waited, tail) => waited * 4 - tail
const quickestFirst: Rule = (peek, waited) => waited + peek.task.perModel * peek.task.models.length

export const rules: readonly Rule[] = [byStart, openPotFirst, longestTailFirst, quickestFirst]

/** A row built by asking the rule after every task; ties go to the batch furthest from its end, then the first. */
export function dispatch(desk: Desk, instance: PlanInstance, policy: SplitPolicy, rule: Rule): number[] {
  const tails = instance.batches.map(tailAfter)
  const position = instance.batches.map(() => 0)
  const row: number[] = []
  desk.reset(policy)
  for (;;) {
    let best = -1
    let bestScore = Number.POSITIVE_INFINITY
    let bestTail = 0
    for (let batch = 0; batch < instance.batches.length; batch++) {
      const peek = desk.peek(batch)
      if (!peek) continue
      const tail = tails[batch]?.[position[batch] ?? 0] ?? 0
      const score = rule(peek, peek.start - desk.free(), tail)
      if (score < bestScore || (score === bestScore && tail > bestTail)) {
        best = batch
        bestScore = score
        bestTail = tail
      }
    }
    if (best < 0) return row
    row.push(best)
    position[best] = (position[best] ?? 0) + 1
    if (!desk.place(best)) return row
  }
}

/** Work and waits from each task of a batch to its end. */
function tailAfter(batch: PlanInstance['batches'][number]): readonly number[] {
  let tail = 0
  return batch.tasks
    .toReversed()
    .map((task) => (tail += task.perModel * task.models.length + task.wait))
    .reverse()
}
