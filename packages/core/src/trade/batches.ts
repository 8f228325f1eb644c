import type { BatchId, ModelId, UnitId } from '../units/index.ts'
import type { Model, Unit, Job } from './job.ts'
import type { Planning, Project } from './project.ts'
import type { Holder, KeptBatch, Wishes } from './wishes.ts'

/** At most so many models a batch, and in the first one of a unit. */
export type BatchSplit = Pick<Project, 'batchSize' | 'firstBatch'>

/** What batches are made of: units, and what is kept together in them. */
export interface ToSplit extends Pick<Job, 'units'> {
  readonly planning: Pick<Planning, 'batches'>
}

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
  /** Kept together, whatever the batch size says. */
  readonly kept: boolean
  readonly models: readonly Model[]
}

/**
 * Splits every unit into as few batches of at most `batchSize` models as it takes, their sizes as equal
 * as can be (12 models at most 5 → 4 · 4 · 4): a small last batch would open every pot for little.
 * A unit's pilot comes first, by itself; then, where it is asked for, a smaller first batch. What is kept together
 * stays so, and only the others are split.
 * @throws RangeError a batch size below 1 or with a fraction.
 */
export function splitIntoBatches(
  { units, planning }: ToSplit,
  { batchSize, firstBatch }: BatchSplit,
): readonly Batch[] {
  if (!Number.isSafeInteger(batchSize) || batchSize < 1) {
    throw new RangeError(`not a batch size: ${String(batchSize)}`)
  }
  const ids = new Set<BatchId>(planning.batches.map((kept) => kept.id))
  return units.flatMap((unit) => {
    const isPilot = (model: Model) => unit.pilot.includes(model.id)
    const kept = keptOf(unit, planning.batches)
    const isKept = new Set(kept.flatMap((each) => each.models))
    const others = unit.models.filter((model) => !isPilot(model) && !isKept.has(model))
    const soon = firstBatch === null || firstBatch >= others.length ? 0 : Math.min(firstBatch, batchSize)
    const place = new Map(unit.models.map((model, index) => [model, index]))
    const placeOf = ({ models: [first] }: { readonly models: readonly Model[] }) =>
      first === undefined ? 0 : (place.get(first) ?? 0)
    const parts = [
      ...splitEvenly(unit.models.filter(isPilot), batchSize),
      ...[
        ...kept,
        ...splitEvenly(others.slice(0, soon), batchSize),
        ...splitEvenly(others.slice(soon), batchSize),
      ].toSorted((one, other) => placeOf(one) - placeOf(other)),
    ]
    return parts.map(({ id, models }, index): Batch => ({
      id: id ?? unusedId(models, ids),
      unitId: unit.id,
      unitName: unit.name,
      number: index + 1,
      of: parts.length,
      pilot: models.some(isPilot),
      kept: id !== null,
      models,
    }))
  })
}

interface Part {
  readonly id: BatchId | null
  readonly models: readonly Model[]
}

/** What is kept together of a unit, in roster order; a pilot goes by itself, and a model goes with one batch only. */
function keptOf(unit: Unit, batches: readonly KeptBatch[]): readonly Part[] {
  const free = new Set(unit.models.filter((model) => !unit.pilot.includes(model.id)))
  return batches
    .filter((each) => each.unitId === unit.id)
    .map(({ id, modelIds }) => {
      const models = [...free].filter((model) => modelIds.includes(model.id))
      for (const model of models) free.delete(model)
      return { id, models }
    })
    .filter(({ models }) => models.length > 0)
}

/** A kept batch may have the name of models that have left it since. */
function unusedId(models: readonly Model[], taken: ReadonlySet<BatchId>): BatchId {
  const id = batchIdOf(models)
  return taken.has(id) ? (`${id}${between}` as BatchId) : id
}

/**
 * What is kept together if these batches are as well: one that is begun stands on the desk as it is, and no other
 * batch size takes it apart.
 */
export function keepBatches(
  kept: readonly KeptBatch[],
  batches: readonly Batch[],
  isToKeep: (batch: Batch) => boolean,
): readonly KeptBatch[] {
  const more = batches.filter((batch) => !batch.kept && !batch.pilot && isToKeep(batch))
  return [
    ...kept,
    ...more.map(({ id, unitId, models }) => ({ id, unitId, modelIds: models.map((model) => model.id) })),
  ]
}

/**
 * Batches taken apart: what is cut goes by the models it begins and ends with, what is not keeps its name; numbered anew.
 * @param cut the parts of a batch, all its models in them, none of them empty.
 */
export function cutBatches(
  batches: readonly Batch[],
  cut: (batch: Batch) => readonly (readonly Model[])[],
): readonly Batch[] {
  const ids = new Set(batches.map(({ id }) => id))
  const parts = batches.flatMap((batch): readonly Batch[] => {
    const own = cut(batch)
    return own.length < 2 ? [batch] : own.map((models) => ({ ...batch, id: unusedId(models, ids), models }))
  })
  const ofUnit = new Map<UnitId, number>()
  const numbers = parts.map(({ unitId }) => {
    const number = (ofUnit.get(unitId) ?? 0) + 1
    ofUnit.set(unitId, number)
    return number
  })
  return parts.map((part, index) => ({
    ...part,
    number: numbers[index] ?? 1,
    of: ofUnit.get(part.unitId) ?? 1,
  }))
}

/** What is kept together when these models are a batch of their own: no batch holds them as well. */
export function keepTogether(batches: readonly KeptBatch[], own: KeptBatch): readonly KeptBatch[] {
  const others = batches.map((each) =>
    each.modelIds.some((id) => own.modelIds.includes(id))
      ? { ...each, modelIds: each.modelIds.filter((id) => !own.modelIds.includes(id)) }
      : each,
  )
  return [...others.filter(({ modelIds }) => modelIds.length > 0), own]
}

function splitEvenly(models: readonly Model[], most: number): readonly Part[] {
  return partsOfSquads(models, most).map((part) => ({ id: null, models: part }))
}

const squadMark = ' mark'

/** What tells a model's squad from the others of its unit; empty where there are none. */
function squadOf({ variants }: Model): string {
  return variants.find((variant) => variant.endsWith(squadMark)) ?? ''
}

/** How people carry the mark of a squad, from the word that was said for it. */
export function markOf(word: string): string {
  return `${word}${squadMark}`
}

/**
 * Parts of at most so many models, squads whole where they fit into one: of two squads each part has all or it has one alone.
 * Without squads as few parts as it takes, as equal as can be.
 */
export function partsOfSquads(models: readonly Model[], most: number): readonly (readonly Model[])[] {
  const squads: Model[][] = []
  for (const model of models) {
    const last = squads.at(-1)
    if (last?.[0] && squadOf(last[0]) === squadOf(model)) last.push(model)
    else squads.push([model])
  }
  const marks = new Set(squads.map(([first]) => first && squadOf(first)))
  // Marks that alternate from model to model are no squads.
  if (marks.size < 2 || marks.size < squads.length) return evenParts(models, most)
  const parts: Model[][] = []
  for (const squad of squads) {
    const last = parts.at(-1)
    if (squad.length > most) parts.push(...evenParts(squad, most).map((part) => [...part]))
    else if (last && last.length + squad.length <= most && isWhole(last, squads)) last.push(...squad)
    else parts.push([...squad])
  }
  return parts
}

/** Whether nothing of its last squad lies in another part. */
function isWhole(part: readonly Model[], squads: readonly (readonly Model[])[]): boolean {
  const last = part.at(-1)
  const squad = squads.find((each) => last !== undefined && each.includes(last))
  return squad !== undefined && squad.every((model) => part.includes(model))
}

/** As few parts of at most so many as it takes, their sizes as equal as can be; in order. */
function evenParts<Item>(items: readonly Item[], most: number): readonly (readonly Item[])[] {
  const of = Math.ceil(items.length / most)
  return Array.from({ length: of }, (_, index) =>
    items.slice(Math.floor((index * items.length) / of), Math.floor(((index + 1) * items.length) / of)),
  )
}

/** The largest batch size that still changes anything: the largest unit's count, at least 1. */
export function largestBatchSize(project: Pick<Job, 'units'>): number {
  return Math.max(1, ...project.units.map((unit) => unit.models.length))
}

/** The sizes the batches really get, as people say them: `4 · 4 · 4`. */
export function batchSizesText(batches: readonly Batch[]): string {
  return batches.map((batch) => batch.models.length).join(' · ')
}

/** `Reed-pikes B`: by letters, since models go by numbers; a unit that is one batch goes by its own name. */
export function batchName({ unitName, number, of }: Pick<Batch, 'unitName' | 'number' | 'of'>): string {
  return of === 1 ? unitName : `${unitName} ${batchLetter(number)}`
}

/** A … Z, AA, AB …: from 1. */
export function batchLetter(number: number): string {
  const letter = String.fromCharCode(65 + ((number - 1) % 26))
  return number > 26 ? batchLetter(Math.floor((number - 1) / 26)) + letter : letter
}

const between = '..'

/** A batch goes by the models it begins and ends with, so that another split cannot give its name to other models. */
export function batchIdOf(models: readonly { readonly id: ModelId }[]): BatchId {
  return `${models[0]?.id ?? ''}${between}${models.at(-1)?.id ?? ''}` as BatchId
}

/**
 * The batches that a name of before means now: the one of that name; after another split, those that lie within the
 * models it spoke of, or the one that holds them all. Empty when its models are gone or were dealt out anew.
 */
export function batchesMeant(id: BatchId, batches: readonly Batch[]): readonly Batch[] {
  const same = batches.find((batch) => batch.id === id)
  if (same) return [same]
  const [first, last] = id.split(between)
  const unit = batches.find((batch) => batch.models.some((model) => model.id === first || model.id === last))
  if (!unit) return []
  const own = batches.filter((batch) => batch.unitId === unit.unitId)
  const places = new Map<string, number>(
    own.flatMap((batch) => batch.models).map((model, place) => [model.id, place]),
  )
  const from = places.get(first ?? '') ?? places.get(last ?? '') ?? 0
  const to = places.get(last ?? '') ?? from
  return own.filter((batch) => {
    const begins = places.get(batch.models[0]?.id ?? '') ?? 0
    const ends = places.get(batch.models.at(-1)?.id ?? '') ?? 0
    return (begins >= from && ends <= to) || (begins <= from && ends >= to)
  })
}

/** Whether a name of before means this batch now. */
export function meansBatch(id: BatchId, batchId: BatchId, batches: readonly Batch[]): boolean {
  return id === batchId || batchesMeant(id, batches).some((batch) => batch.id === batchId)
}

/** In whose hands a batch is, if in anybody's alone. */
export function holderOf(
  { holders }: Pick<Wishes, 'holders'>,
  batchId: BatchId,
  batches: readonly Batch[],
): Holder | null {
  return holders.findLast(({ id }) => meansBatch(id, batchId, batches)) ?? null
}
