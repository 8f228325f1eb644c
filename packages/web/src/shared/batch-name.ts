import type { Batch } from '@seriatim/core'

/** `Reed-pikes 2`; a unit that is one batch needs no number. */
export function batchName(batch: Batch): string {
  return batch.of === 1 ? batch.unitName : `${batch.unitName} ${String(batch.number)}`
}
