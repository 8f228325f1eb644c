import { eventSchema, newChangeSchema, type NewChange } from '@seriatim/contract'
import type { ProgressEvent } from '@seriatim/core/progress'
import type { ProjectId } from '@seriatim/core/units'
import { z } from 'zod'

/** Something recorded or changed here, on its way to the server. */
export type Parcel =
  | { readonly kind: 'event'; readonly projectId: ProjectId; readonly event: ProgressEvent }
  | {
      readonly kind: 'change'
      readonly projectId: ProjectId
      readonly change: NewChange
      /** What was done, in the words the screen used. */
      readonly said: string
    }

/** A parcel the server will not take as it is. */
export interface Refused {
  readonly parcel: Parcel
  /** A sentence for a person. */
  readonly reason: string
  /** For each command of a change that others had changed first, what a field is now; absent for other refusals. */
  readonly theirs?: readonly unknown[]
}

export function idOf(parcel: Parcel): string {
  return parcel.kind === 'event' ? parcel.event.id : parcel.change.id
}

/** The device's running number: parcels go out in the order they were made. */
export function numberOf(parcel: Parcel): number {
  return parcel.kind === 'event' ? (parcel.event.by?.number ?? 0) : parcel.change.number
}

const projectId = z.string().transform((id) => id as ProjectId)

const parcelSchema: z.ZodType<Parcel> = z.union([
  z.object({ kind: z.literal('event'), projectId, event: eventSchema }),
  z.object({ kind: z.literal('change'), projectId, change: newChangeSchema, said: z.string() }),
  // As it was written before there were changes.
  z.object({ projectId, event: eventSchema }).transform((old) => ({ kind: 'event' as const, ...old })),
])

const refusedSchema: z.ZodType<Refused> = z.object({
  parcel: parcelSchema,
  reason: z.string(),
  theirs: z.array(z.unknown()).exactOptional(),
})

export function parcelJson(parcel: Parcel): object {
  return parcel.kind === 'event'
    ? { ...parcel, event: z.encode(eventSchema, parcel.event) }
    : { ...parcel, change: z.encode(newChangeSchema, parcel.change) }
}

export function readParcel(text: string): Parcel | null {
  return read(text, parcelSchema)
}

export function refusedJson(refused: Refused): object {
  return { ...refused, parcel: parcelJson(refused.parcel) }
}

/** One refused as it was kept; earlier releases kept the parcel alone. */
export function readRefused(text: string): Refused | null {
  const parcel = readParcel(text)
  return parcel ? { parcel, reason: 'The server did not take it.' } : read(text, refusedSchema)
}

function read<T>(text: string, schema: z.ZodType<T>): T | null {
  try {
    const parsed = schema.safeParse(JSON.parse(text))
    return parsed.success ? parsed.data : null
  } catch {
    return null
  }
}
