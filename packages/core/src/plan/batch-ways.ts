import {
  type Batch,
  batchSizesText,
  type BatchSplit,
  cutBatches,
  type Desk,
  partsOfSquads,
  splitIntoBatches,
  type ToSplit,
  type Wishes,
} from '../trade/index.ts'
import type { BatchId, ModelId } from '../units/index.ts'
import type { BatchesWished } from './line-plan.ts'

/** Models that an earlier plan took down the line together: as it has them, or as it is kept. */
export type BatchBefore =
  | Pick<Batch, 'id' | 'models'>
  | { readonly id: BatchId; readonly modelIds: readonly ModelId[] }

const modelIdsOf = (batch: BatchBefore): readonly ModelId[] =>
  'modelIds' in batch ? batch.modelIds : batch.models.map(({ id }) => id)

/** Batches as an earlier plan had them. */
export interface AsBefore {
  readonly batches: readonly Batch[]
  /** By the name a batch had then, its place among these. */
  readonly places: ReadonlyMap<BatchId, number>
}

/** What is wished of who goes together, to tell later whether it has changed. */
export function batchesWished({ batchSize, firstBatch, batches }: Wishes): BatchesWished {
  return { batchSize, firstBatch, kept: batches.map(({ id }) => id) }
}

/** So many parts at most a batch is divided into. */
const mostParts = 4
/** No part is smaller: it would open every pot for one. */
const fewestModels = 2

/** What has more models than the drying rack has places is divided evenly; what is kept together stays so. */
export function fitForRack(
  wished: readonly Batch[],
  { rackPlaces }: Pick<Desk, 'rackPlaces'>,
): readonly Batch[] {
  if (rackPlaces === null) return wished
  return cutBatches(wished, (batch) =>
    isFixed(batch) || batch.models.length <= rackPlaces
      ? [batch.models]
      : partsOfSquads(batch.models, rackPlaces),
  )
}

/** The painter keeps it together, or it is the pilot. */
const isFixed = (batch: Batch): boolean => batch.kept || batch.pilot

/**
 * The ways of taking the batches down the line that are worth trying: as they are, then in ever more parts, and in as many as
 * the drying rack asks for. What is kept together stays so, and so does a pilot.
 */
export function batchWays(
  wished: readonly Batch[],
  { rackPlaces }: Pick<Desk, 'rackPlaces'>,
): readonly (readonly Batch[])[] {
  const free = wished.filter((batch) => !isFixed(batch))
  const largest = Math.max(0, ...free.map((batch) => batch.models.length))
  const byParts = Array.from({ length: mostParts }, (_, parts) => Math.ceil(largest / (parts + 1)))
  const byRack = rackPlaces === null ? [] : [rackPlaces, Math.ceil(rackPlaces / 2)]
  const sizes = [...byParts, ...byRack]
    .filter((size) => size >= Math.min(fewestModels, largest) && size <= largest)
    .toSorted((a, b) => b - a)
  const seen = new Set<string>()
  return [largest, ...sizes]
    .map((size) =>
      cutBatches(wished, (batch) =>
        isFixed(batch) || size === 0 ? [batch.models] : partsOfSquads(batch.models, size),
      ),
    )
    .filter((way) => {
      const text = batchSizesText(way)
      if (seen.has(text)) return false
      seen.add(text)
      return true
    })
}

/** The batches of a project as its plan has them; as they are wished where there is none. */
export function plannedBatches(
  project: ToSplit & BatchSplit,
  plan: { readonly batches?: readonly BatchBefore[] | undefined } | null | undefined,
): readonly Batch[] {
  const wished = splitIntoBatches(project, project)
  return plan?.batches ? batchesAsBefore(wished, plan.batches).batches : wished
}

/**
 * The batches divided where an earlier plan divided them; models that it did not know go with the last part.
 * @param divided false: they are left as they are wished, and are only found again.
 */
export function batchesAsBefore(
  wished: readonly Batch[],
  before: readonly BatchBefore[],
  divided = true,
): AsBefore {
  const partOf = new Map(before.flatMap((batch, part) => modelIdsOf(batch).map((id) => [id, part] as const)))
  const batches = cutBatches(wished, ({ models }) => {
    if (!divided) return [models]
    const parts = new Map<number, (typeof models)[number][]>()
    const isNew = models.filter(({ id }) => !partOf.has(id))
    for (const model of models) {
      const part = partOf.get(model.id)
      if (part === undefined) continue
      const own = parts.get(part)
      if (own) own.push(model)
      else parts.set(part, [model])
    }
    const known = [...parts.values()]
    known.at(-1)?.push(...isNew)
    return known.length === 0 ? [models] : known
  })
  const placeOf = new Map(
    batches.flatMap(({ models }, place) => models.map((model) => [model.id, place] as const)),
  )
  const places = new Map(
    before.flatMap((batch) => {
      const first = modelIdsOf(batch).find((model) => placeOf.has(model))
      return first === undefined ? [] : [[batch.id, placeOf.get(first) ?? 0] as const]
    }),
  )
  return { batches, places }
}
