import type { FreeOrder } from './free-order.ts'
import type { PlanInstance } from './instance.ts'

/** Which batch comes next, again and again, and in which order each takes its tasks. */
export interface PlainSequence {
  readonly row: readonly number[]
  readonly orders: readonly (readonly number[])[]
}

/**
 * Every sequence in which the tasks of all batches can be taken.
 * @param frees by batch the orders it may take. @returns `null` where there are more than `most`.
 */
export function everySequence(
  { batches }: Pick<PlanInstance, 'batches'>,
  frees: readonly FreeOrder[],
  most: number,
): readonly PlainSequence[] | null {
  const found: PlainSequence[] = []
  const tasks = batches.map((batch) => batch.tasks.length)
  const count = tasks.reduce((sum, each) => sum + each, 0)
  const row: number[] = []
  const orders = tasks.map((): number[] => [])
  /** @returns whether there is still room for more. */
  const goOn = (): boolean => {
    if (row.length === count) {
      found.push({ row: [...row], orders: orders.map((order) => [...order]) })
      return found.length <= most
    }
    return orders.every((order, batch) => {
      if (order.length === tasks[batch]) return true
      return (frees[batch]?.ready(order) ?? []).every((task) => {
        row.push(batch)
        order.push(task)
        const hasRoom = goOn()
        row.pop()
        order.pop()
        return hasRoom
      })
    })
  }
  return goOn() ? found : null
}
