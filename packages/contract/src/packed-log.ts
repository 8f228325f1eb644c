import type { ProgressEvent } from '@seriatim/core/progress'
import { instant, type EventId } from '@seriatim/core/units'
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

/** A packed log names a kind by its place among all: a new one comes last. */
const kindNames = eventSchema.options.map((option) => option.shape.kind.value)

/** What of an event has a column of its own. */
interface InColumns {
  readonly stageId?: string
  readonly modelIds?: readonly string[]
  readonly drySeconds?: number
  readonly worthSeconds?: number
}

export function packLog(events: readonly ProgressEvent[]): PackedLog {
  const packer = createLogPacker()
  packer.add(events)
  return packer.log()
}

const emptyLog: PackedLog = {
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

const sum = (steps: readonly number[]) => steps.reduce((total, step) => total + step, 0)

/** Packs a log as it grows: what was packed once stays so. */
export interface LogPacker {
  readonly add: (events: readonly ProgressEvent[]) => void
  readonly log: () => PackedLog
}

/** @param before a log that was packed earlier, and is gone on with */
export function createLogPacker(before?: PackedLog): LogPacker {
  const places = new Map<string, number>(before?.names.map((name, index) => [name, index + 1]))
  const placeOf = (name: string | null | undefined): number => {
    if (name === null || name === undefined) return 0
    const known = places.get(name)
    if (known !== undefined) return known
    places.set(name, places.size + 1)
    return places.size
  }
  const log: PackedLog = structuredClone(before ?? emptyLog)
  const ends: string[] = [log.idEnds]
  let moment = sum(log.moments)
  let number = sum(log.numbers)
  function add(event: ProgressEvent): void {
    const row = log.kinds.length
    const { id, kind, at, by, ...own } = event
    const { stageId, modelIds = [], drySeconds, worthSeconds, ...rest } = own as InColumns
    log.kinds.push(kindNames.indexOf(kind))
    ends.push(id.slice(14, 18), id.slice(19, 23), id.slice(24))
    log.idBegins.push(Number.parseInt(id.slice(0, 8) + id.slice(9, 13), 16) - at)
    log.moments.push(at - moment)
    moment = at
    log.stages.push(placeOf(stageId))
    log.modelCounts.push(modelIds.length)
    for (const model of modelIds) log.models.push(placeOf(model))
    log.devices.push(placeOf(by?.device))
    log.numbers.push((by?.number ?? number) - number)
    number = by?.number ?? number
    log.painters.push(placeOf(by?.painter))
    log.waits.push(drySeconds ?? -1)
    log.worths.push(worthSeconds ?? -1)
    if (Object.keys(rest).length > 0) log.rest.push([row, rest])
  }

  return {
    add: (events) => {
      for (const event of events) add(event)
    },
    log: () => ({ ...log, names: [...places.keys()], idEnds: ends.join('') }),
  }
}

/** @throws Error a log whose columns do not fit together: this was not packed by `packLog`. */
export function unpackLog(log: PackedLog): readonly ProgressEvent[] {
  const rest = new Map(log.rest)
  const nameAt = (place: number): string => {
    const name = log.names[place - 1]
    if (name === undefined) throw new Error('This log names something it does not list.')
    return name
  }
  let moment = 0
  let number = 0
  let model = 0
  return log.kinds.map((kindPlace, row) => {
    moment += log.moments[row] ?? 0
    number += log.numbers[row] ?? 0
    const kind = kindNames[kindPlace]
    if (kind === undefined) throw new Error('This log has a kind of event that is not known here.')
    const modelIds: string[] = []
    for (const last = model + (log.modelCounts[row] ?? 0); model < last; model++)
      modelIds.push(nameAt(log.models[model] ?? 0))
    const device = log.devices[row] ?? 0
    const painter = log.painters[row] ?? 0
    const wait = log.waits[row] ?? -1
    const worth = log.worths[row] ?? -1
    // One shape for nearly all events: a long log is read in one go.
    const event: Record<string, unknown> = { id: idAt(log, row, moment), at: instant(moment), kind }
    if (device > 0)
      event['by'] = { device: nameAt(device), number, painter: painter > 0 ? nameAt(painter) : null }
    if ((log.stages[row] ?? 0) > 0) event['stageId'] = nameAt(log.stages[row] ?? 0)
    if (modelIds.length > 0) event['modelIds'] = modelIds
    if (wait >= 0) event['drySeconds'] = wait
    if (worth >= 0) event['worthSeconds'] = worth
    const more = rest.get(row)
    return (more ? { ...event, ...more } : event) as unknown as ProgressEvent
  })
}

function idAt(log: PackedLog, row: number, moment: number): EventId {
  const begin = ((log.idBegins[row] ?? 0) + moment).toString(16).padStart(12, '0')
  const from = row * 20
  const end = (start: number, stop: number) => log.idEnds.slice(from + start, from + stop)
  return `${begin.slice(0, 8)}-${begin.slice(8)}-${end(0, 4)}-${end(4, 8)}-${end(8, 20)}` as EventId
}

/** The events as JSON, for a file or a request. */
export function eventJson(event: ProgressEvent): z.input<typeof eventSchema> {
  return z.encode(eventSchema, event)
}
