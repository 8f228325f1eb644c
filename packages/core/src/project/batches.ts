import type { BatchId, UnitId } from '../units/ids.ts'
import type { Model, Project } from './project.ts'

/** At most so many models a batch, and in the first one of a unit. */
export type BatchSplit = Pick<Project, 'batchSize' | 'firstBatch'>

/** The models of one unit that move down the line together. */
export interface Batch {
  readonly id: BatchId
  readonly unitId: UnitId
  readonly unitName: string
  /** From 1, within its unit. */
  readonly number: number
  readonly of: number
  /** The unit's pilot: by itself, and before the others. */
  readonly pilot: boolean
  readonly models: readonly Model[]
}

/**
 * Splits every unit into as few batches of at most `batchSize` models as it takes, their sizes as equal
 * as can be (12 models at most 5 → 4 · 4 · 4): a small last batch would open every pot for little.
 * A unit's pilot comes first, by itself; then, where it is asked for, a smaller first batch.
 * @throws RangeError a batch size below 1 or with a fraction.
 */
export function splitIntoBatches(
  project: Pick<Project, 'units'>,
  { batchSize, firstBatch }: BatchSplit,
): readonly Batch[] {
  if (!Number.isSafeInteger(batchSize) || batchSize < 1) {
    throw new RangeError(`not a batch size: ${String(batchSize)}`)
  }
  return project.units.flatMap((unit) => {
    const isPilot = (model: Model) => unit.pilot.includes(model.id)
    const others = unit.models.filter((model) => !isPilot(model))
    const soon = firstBatch === null || firstBatch >= others.length ? 0 : Math.min(firstBatch, batchSize)
    const parts = [
      ...splitEvenly(unit.models.filter(isPilot), batchSize),
      ...splitEvenly(others.slice(0, soon), batchSize),
      ...splitEvenly(others.slice(soon), batchSize),
    ]
    return parts.map((models, index): Batch => ({
      id: `${unit.id}/${String(index + 1)}` as BatchId,
      unitId: unit.id,
      unitName: unit.name,
      number: index + 1,
      of: parts.length,
      pilot: models.some(isPilot),
      models,
    }))
  })
}

function splitEvenly(models: readonly Model[], most: number): readonly (readonly Model[])[] {
  const of = Math.ceil(models.length / most)
  return Array.from({ length: of }, (_, index) =>
    models.slice(Math.floor((index * models.length) / of), Math.floor(((index + 1) * models.length) / of)),
  )
}

/** The largest batch size that still changes anything: the largest unit's count, at least 1. */
export function largestBatchSize(project: Pick<Project, 'units'>): number {
  return Math.max(1, ...project.units.map((unit) => unit.models.length))
}

/** The sizes the batches really get, as people say them: `4 · 4 · 4`. */
export function batchSizesText(batches: readonly Batch[]): string {
  return batches.map((batch) => batch.models.length).join(' · ')
}
