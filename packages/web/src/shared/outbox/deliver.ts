import { eventJson, newChangeSchema, routes, type StoredProject } from '@seriatim/contract'
import type { CommandVerdict } from '@seriatim/core/changes'
import type { ProgressEvent } from '@seriatim/core/progress'
import type { ProjectId } from '@seriatim/core/units'
import { z } from 'zod'
import { call } from '../api/index.ts'
import { heardServerTime } from '../clock.ts'
import { type Parcel, type Refused } from './parcel.ts'

/** What became of parcels that reached the server. */
export interface Delivered {
  /** In the order they were sent; `null` is one that was taken. */
  readonly refused: readonly (Refused | null)[]
  /** The project as it is now, where it was changed. */
  readonly project: StoredProject | null
}

/** The way to the server; an error is one of the whole request. */
export interface Carrier {
  readonly events: (projectId: ProjectId, events: readonly ProgressEvent[]) => Promise<Delivered>
  readonly change: (parcel: Extract<Parcel, { kind: 'change' }>) => Promise<Delivered>
}

export const serverCarrier: Carrier = {
  events: async (projectId, events) => {
    const sentAt = Date.now()
    const { verdicts, now } = await call(routes.recordEvents, {
      params: { id: projectId },
      body: { events: events.map(eventJson) },
    })
    heardServerTime(now, sentAt, Date.now())
    return {
      project: null,
      refused: events.map((event, index) => {
        const verdict = verdicts[index]
        return verdict?.verdict === 'refused'
          ? {
              parcel: { kind: 'event', projectId, event },
              reason: verdict.reason ?? 'The server did not take it.',
            }
          : null
      }),
    }
  },
  change: async (parcel) => {
    const { verdicts, project } = await call(routes.changeProject, {
      params: { id: parcel.projectId },
      body: z.encode(newChangeSchema, parcel.change),
    })
    return { project, refused: [refusedPart(parcel, verdicts)] }
  },
}

/** What of a change others were first with; the rest of it is done. */
function refusedPart(
  parcel: Extract<Parcel, { kind: 'change' }>,
  verdicts: readonly CommandVerdict[],
): Refused | null {
  const { change } = parcel
  const left = change.commands.flatMap((command, index) => {
    const verdict = verdicts[index]
    return verdict && verdict.kind !== 'done' ? [{ command, verdict }] : []
  })
  if (left.length === 0) return null
  return {
    parcel: { ...parcel, change: { ...change, commands: left.map(({ command }) => command) } },
    reason: left.some(({ verdict }) => verdict.kind === 'clash')
      ? 'Somebody else changed the same thing meanwhile.'
      : 'What it changes is not there any more.',
    theirs: left.map(({ verdict }) => (verdict.kind === 'clash' ? verdict.theirs : null)),
  }
}
