import type { Place } from './desk-draft.ts'
import type { Desk, SplitPolicy } from './desk.ts'
import { wayOf, type PlanBatch, type PlanInstance } from './instance.ts'
import { entryOf, type Row } from './row.ts'

/** What a rule of thumb looks at when a painter asks which batch to take next; the lowest score wins. */
type Rule = (place: Place, waited: number, tail: number, batch: PlanBatch) => number

const byStart: Rule = (_, waited) => waited
const openPotFirst: Rule = (place, waited) => waited + place.setUp
const longestTailFirst: Rule = (_, waited, tail) => waited * 4 - tail
const quickestFirst: Rule = (place, waited) => waited + wayOf(place.task, place.way).perModel * place.count
/** By priority, then the date less what is left to do. */
const pressedFirst: Rule = (place, waited, tail, batch) =>
  waited * 2 +
  place.setUp -
  batch.priority * 1e7 +
  (batch.due === null ? 1e6 : Math.min(1e6, batch.due - tail))

export const rules: readonly Rule[] = [byStart, openPotFirst, longestTailFirst, quickestFirst, pressedFirst]

/** A row built by asking the rule after every task; ties go to the batch furthest from its end, then the first. */
export function dispatch(desk: Desk, instance: PlanInstance, policy: SplitPolicy, rule: Rule): Row {
  const tails = instance.batches.map(tailAfter)
  const position = instance.batches.map(() => 0)
  const people = instance.painters.length
  const row: number[] = []
  desk.reset(policy)
  for (;;) {
    let free = Number.POSITIVE_INFINITY
    for (let painter = 0; painter < people; painter++) free = Math.min(free, desk.free(painter))
    let best = -1
    let choice = 0
    let bestScore = Number.POSITIVE_INFINITY
    let bestTail = 0
    instance.batches.forEach((planned, batch) => {
      const place = desk.peek(batch)
      if (!place) return
      const tail = tails[batch]?.[position[batch] ?? 0] ?? 0
      const score = rule(place, place.start - free, tail, planned)
      if (best < 0 || score < bestScore || (score === bestScore && tail > bestTail)) {
        best = batch
        choice = 1 + place.way * people + place.painter
        bestScore = score
        bestTail = tail
      }
    })
    if (best < 0) return row
    row.push(entryOf(instance, best, choice))
    position[best] = (position[best] ?? 0) + 1
    if (!desk.place(best, choice)) return row
  }
}

/** Work and waits from each task of a batch to its end. */
function tailAfter(batch: PlanBatch): readonly number[] {
  let tail = 0
  return batch.tasks
    .toReversed()
    .map((task) => (tail += task.perModel * task.models.length + task.wait))
    .reverse()
}
