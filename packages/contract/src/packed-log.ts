import { instant, type EventId, type ProgressEvent, type StageId } from '@seriatim/core'
import { z } from 'zod'
import { eventSchema } from './event.ts'

/**
 * A log on its way to a client, by columns: ids and moments are nearly all there is to it, and columns of them press
 * to a tenth of what the events would take one by one. A row is an event; what only few events have stands in `rest`.
 */
/** Long, and made by `packLog` alone: `unpackLog` looks at what is in it. */
const column = z.custom<number[]>((value) => Array.isArray(value))

export const packedLogSchema = z.object({
  /** Ids that many events name (stages, models, devices, painters); columns name them by place, from 1. */
  names: z.array(z.string()),
  kinds: column,
  /** Of each id the last 20 hexadecimal digits, one after the other. */
  idEnds: z.string(),
  /** Of each id the first 12 digits as a number, less the event's moment: a UUIDv7 begins with when it was made. */
  idBegins: column,
  /** Each less the one before. */
  moments: column,
  stages: column,
  modelCounts: column,
  models: column,
  devices: column,
  /** Each less the one before. */
  numbers: column,
  painters: column,
  /** Seconds, or -1. */
  waits: column,
  worths: column,
  rest: z.array(z.tuple([z.int(), z.record(z.string(), z.unknown())])),
})

export type PackedLog = z.output<typeof packedLogSchema>

const kindNames = [
  'punched',
  'cleared',
  'touch-up',
  'clock-started',
  'clock-stopped',
  'milestone',
  'judged',
  'lap-corrected',
  'undone',
] as const satisfies readonly ProgressEvent['kind'][]

const inColumns = new Set([
  'id',
  'at',
  'kind',
  'by',
  'stageId',
  'modelIds',
  'drySeconds',
  'worthSeconds',
])

export function packLog(events: readonly ProgressEvent[]): PackedLog {
  const places = new Map<string, number>()
  const placeOf = (name: string | null | undefined): number => {
    if (name === null || name === undefined) return 0
    const known = places.get(name)
    if (known !== undefined) return known
    places.set(name, places.size + 1)
    return places.size
  }
  const log: PackedLog = {
    names: [],
    kinds: [],
    idEnds: '',
    idBegins: [],
    moments: [],
    stages: [],
    modelCounts: [],
    models: [],
    devices: [],
    numbers: [],
    painters: [],
    waits: [],
    worths: [],
    rest: [],
  }
  const ends: string[] = []
  let moment = 0
  let number = 0
  events.forEach((event, row) => {
    const digits = event.id.replaceAll('-', '')
    log.kinds.push(kindNames.indexOf(event.kind))
    ends.push(digits.slice(12))
    log.idBegins.push(Number.parseInt(digits.slice(0, 12), 16) - event.at)
    log.moments.push(event.at - moment)
    moment = event.at
    log.stages.push(placeOf('stageId' in event ? event.stageId : null))
    const models = 'modelIds' in event ? event.modelIds : []
    log.modelCounts.push(models.length)
    for (const model of models) log.models.push(placeOf(model))
    log.devices.push(placeOf(event.by?.device))
    log.numbers.push((event.by?.number ?? number) - number)
    number = event.by?.number ?? number
    log.painters.push(placeOf(event.by?.painter))
    log.waits.push(event.kind === 'punched' ? (event.drySeconds ?? -1) : -1)
    log.worths.push(event.kind === 'punched' ? (event.worthSeconds ?? -1) : -1)
    const rest = Object.entries(event).filter(([key]) => !inColumns.has(key))
    if (rest.length > 0) log.rest.push([row, Object.fromEntries(rest)])
  })
  return { ...log, names: [...places.keys()], idEnds: ends.join('') }
}

/** @throws Error a log whose columns do not fit together: this was not packed by `packLog`. */
export function unpackLog(log: PackedLog): readonly ProgressEvent[] {
  const rest = new Map(log.rest)
  const nameAt = (place: number | undefined): string => {
    const name = log.names[(place ?? 0) - 1]
    if (name === undefined) throw new Error('This log names something it does not list.')
    return name
  }
  let moment = 0
  let number = 0
  let model = 0
  return log.kinds.map((kind, row) => {
    const at = (list: readonly number[]) => list[row] ?? 0
    moment += at(log.moments)
    number += at(log.numbers)
    const name = kindNames[kind]
    if (name === undefined) throw new Error('This log has a kind of event that is not known here.')
    const begin = (at(log.idBegins) + moment).toString(16).padStart(12, '0')
    const digits = begin + log.idEnds.slice(row * 20, row * 20 + 20)
    const id = `${digits.slice(0, 8)}-${digits.slice(8, 12)}-${digits.slice(12, 16)}-${digits.slice(16, 20)}-${digits.slice(20)}`
    const count = at(log.modelCounts)
    const modelIds = log.models.slice(model, model + count).map(nameAt)
    model += count
    const stage = at(log.stages)
    const device = at(log.devices)
    const painter = at(log.painters)
    const wait = at(log.waits)
    const worth = at(log.worths)
    const event = {
      id: id as EventId,
      at: instant(moment),
      kind: name,
      ...(device > 0
        ? { by: { device: nameAt(device), number, painter: painter > 0 ? nameAt(painter) : null } }
        : {}),
      ...(stage > 0 ? { stageId: nameAt(stage) as StageId } : {}),
      ...(count > 0 ? { modelIds } : {}),
      ...(wait >= 0 ? { drySeconds: wait } : {}),
      ...(worth >= 0 ? { worthSeconds: worth } : {}),
      ...rest.get(row),
    }
    return event as unknown as ProgressEvent
  })
}

/** The events as JSON, for a file or a request. */
export function eventJson(event: ProgressEvent): z.input<typeof eventSchema> {
  return z.encode(eventSchema, event)
}
