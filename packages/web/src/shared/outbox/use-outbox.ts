import type { ProjectId } from '@seriatim/core/units'
import { useMemo, useSyncExternalStore } from 'react'
import { serverCarrier } from './deliver.ts'
import { createOutbox, type OutboxState } from './outbox.ts'
import type { Parcel } from './parcel.ts'
import { createSpareParcels } from './spare-parcels.ts'

/** The one outbox of this page. */
export const outbox = createOutbox(window.localStorage, serverCarrier, createSpareParcels())

export function useOutbox(): OutboxState {
  return useSyncExternalStore(outbox.subscribe, outbox.getState)
}

type Change = Extract<Parcel, { kind: 'change' }>

/** Changes of a project that the server does not have yet, in the order they were made; the same list while they are. */
export function useWaiting(id: ProjectId | null): readonly Change[] {
  const { waiting } = useOutbox()
  const changes = useMemo(
    () => waiting.filter((parcel): parcel is Change => parcel.kind === 'change' && parcel.projectId === id),
    [waiting, id],
  )
  const key = changes.map((parcel) => parcel.change.id).join(' ')
  // oxlint-disable-next-line react-hooks/exhaustive-deps -- the ids say all: a change never changes
  return useMemo(() => changes, [key])
}
