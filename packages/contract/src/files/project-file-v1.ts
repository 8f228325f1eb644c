import { batchIdOf, splitIntoBatches, type Unit } from '@seriatim/core/trade'

/**
 * A file of version 1 as one of version 2: batches are named by their models instead of `<unit id>/<number>`. Untrusted
 * JSON in and out; what does not look like a file is passed on for the schema to judge.
 */
export function fromVersion1(file: Record<string, unknown>): Record<string, unknown> {
  const { project } = file
  if (!isRecord(project) || !isRecord(project['planning'])) return { ...file, version: 2 }
  const names = batchNames(project)
  const rename = (name: unknown) =>
    typeof name === 'string' ? (names.get(name.toLowerCase()) ?? name) : name
  const { planning } = project
  const first = Array.isArray(planning['first']) ? planning['first'].map(rename) : planning['first']
  const pins = Array.isArray(planning['pins'])
    ? planning['pins'].map((pin: unknown) =>
        isRecord(pin) ? { ...pin, batchId: rename(pin['batchId']) } : pin,
      )
    : planning['pins']
  return { ...file, version: 2, project: { ...project, planning: { ...planning, first, pins } } }
}

/** By their old name, what the batches of a project as it was written are called now. */
export function batchNames(project: Record<string, unknown>): ReadonlyMap<string, string> {
  const units = (Array.isArray(project['units']) ? project['units'] : []).filter(isUnit)
  const { batchSize, firstBatch } = project
  if (!isCount(batchSize)) return new Map()
  const split = { batchSize, firstBatch: isCount(firstBatch) ? firstBatch : null }
  return new Map(
    units.flatMap((unit) =>
      splitIntoBatches({ units: [asThen(unit) as unknown as Unit], planning: { batches: [] } }, split).map(
        (batch) => [
          `${unit.id}/${String(batch.number)}`.toLowerCase(),
          batchIdOf(batch.models).toLowerCase(),
        ],
      ),
    ),
  )
}

/** Squads were torn then: nobody wears a mark. */
function asThen({ models, pilot = [], ...unit }: UnitOfFile) {
  return { ...unit, pilot, models: models.map(({ id }) => ({ id, variants: [] })) }
}

interface UnitOfFile {
  readonly id: string
  readonly models: readonly { readonly id: string }[]
  readonly pilot?: readonly string[]
}

function isUnit(unit: unknown): unit is UnitOfFile {
  return (
    isRecord(unit) &&
    typeof unit['id'] === 'string' &&
    Array.isArray(unit['models']) &&
    unit['models'].every((model) => isRecord(model) && typeof model['id'] === 'string') &&
    (unit['pilot'] === undefined || Array.isArray(unit['pilot']))
  )
}

function isCount(value: unknown): value is number {
  return typeof value === 'number' && Number.isSafeInteger(value) && value >= 1
}

function isRecord(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && !Array.isArray(value)
}
