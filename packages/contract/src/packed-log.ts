import { instant, type EventId, type ProgressEvent } from '@seriatim/core'
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

/** What the columns do not have, of the kinds that have more. */
function restOf(event: ProgressEvent): Record<string, unknown> | null {
  switch (event.kind) {
    case 'punched':
    case 'cleared':
    case 'clock-started':
      return null
    case 'clock-stopped':
    case 'undone':
      return { targetId: event.targetId }
    case 'touch-up':
      return { note: event.note }
    case 'judged':
      return { verdict: event.verdict, note: event.note }
    case 'lap-corrected':
      return { targetId: event.targetId, workSeconds: event.workSeconds, note: event.note }
    case 'milestone':
      return {
        stageIds: event.stageIds,
        workSeconds: event.workSeconds,
        ...(event.waits ? { waits: event.waits } : {}),
      }
  }
}

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
    const { id } = event
    log.kinds.push(kindNames.indexOf(event.kind))
    ends.push(id.slice(14, 18), id.slice(19, 23), id.slice(24))
    log.idBegins.push(Number.parseInt(id.slice(0, 8) + id.slice(9, 13), 16) - event.at)
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
    const rest = restOf(event)
    if (rest) log.rest.push([row, rest])
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
    const end = log.idEnds.slice(row * 20, row * 20 + 20)
    const id = `${begin.slice(0, 8)}-${begin.slice(8)}-${end.slice(0, 4)}-${end.slice(4, 8)}-${end.slice(8)}`
    const event: Record<string, unknown> = { id: id as EventId, at: instant(moment), kind: name }
    const device = at(log.devices)
    if (device > 0) {
      const painter = at(log.painters)
      event['by'] = { device: nameAt(device), number, painter: painter > 0 ? nameAt(painter) : null }
    }
    const stage = at(log.stages)
    if (stage > 0) event['stageId'] = nameAt(stage)
    const count = at(log.modelCounts)
    if (count > 0) {
      const modelIds: string[] = []
      for (const last = model + count; model < last; model++) modelIds.push(nameAt(log.models[model]))
      event['modelIds'] = modelIds
    }
    if (at(log.waits) >= 0) event['drySeconds'] = at(log.waits)
    if (at(log.worths) >= 0) event['worthSeconds'] = at(log.worths)
    Object.assign(event, rest.get(row))
    return event as unknown as ProgressEvent
  })
}

/** The events as JSON, for a file or a request. */
export function eventJson(event: ProgressEvent): z.input<typeof eventSchema> {
  return z.encode(eventSchema, event)
}
