import type { PlanInstance } from './instance.ts'

/**
 * The row with as few changes as it takes to keep to the number of batches in hand: a task whose batch may
 * not begin yet waits until it may, and everything else keeps its order.
 */
export function withMostInHand(instance: PlanInstance, row: readonly number[]): readonly number[] {
  const most = instance.inHandAtMost
  if (most === null) return row
  const left = instance.batches.map((batch) => batch.tasks.length)
  const begun = instance.batches.map((batch) => batch.begun)
  let inHand = instance.batches.filter((batch) => batch.begun && batch.tasks.length > 0).length
  const kept: number[] = []
  let waiting: number[] = []

  const place = (batch: number): void => {
    if (!begun[batch]) {
      begun[batch] = true
      inHand += 1
    }
    kept.push(batch)
    const after = (left[batch] ?? 0) - 1
    left[batch] = after
    if (after === 0) inHand -= 1
  }
  const mayGoOn = (batch: number): boolean => (begun[batch] ?? false) || inHand < most

  for (const batch of row) {
    if (!mayGoOn(batch)) {
      waiting.push(batch)
      continue
    }
    place(batch)
    // A batch that is through makes room; what waited longest takes it.
    while (inHand < most && waiting.length > 0) {
      const next = waiting[0] ?? 0
      for (const each of waiting.filter((other) => other === next)) place(each)
      waiting = waiting.filter((other) => other !== next)
    }
  }
  return kept
}
