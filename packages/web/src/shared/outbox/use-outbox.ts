import type { ProjectId } from '@seriatim/core/units'
import { useSyncExternalStore } from 'react'
import { serverCarrier } from './deliver.ts'
import { createOutbox, type OutboxState } from './outbox.ts'
import type { Parcel } from './parcel.ts'
import { createDurableCopy } from './durable-copy.ts'

/** The one outbox of this page. */
export const outbox = createOutbox(window.localStorage, serverCarrier, createDurableCopy())

export function useOutbox(): OutboxState {
  return useSyncExternalStore(outbox.subscribe, outbox.getState)
}

type Change = Extract<Parcel, { kind: 'change' }>

/** Changes of a project that the server does not have yet, in the order they were made; the same list while they are. */
export function useWaiting(id: ProjectId | null): readonly Change[] {
  return useSyncExternalStore(outbox.subscribe, () => waitingChanges(id))
}

const none: readonly Change[] = []
const known = new Map<
  ProjectId,
  { readonly of: OutboxState['waiting']; readonly changes: readonly Change[] }
>()

function waitingChanges(id: ProjectId | null): readonly Change[] {
  if (id === null) return none
  const { waiting } = outbox.getState()
  const before = known.get(id)
  if (before?.of === waiting) return before.changes
  const found = waiting.filter(
    (parcel): parcel is Change => parcel.kind === 'change' && parcel.projectId === id,
  )
  const isSame =
    found.length === before?.changes.length && found.every((each, at) => each === before.changes[at])
  const changes = isSame ? before.changes : found
  known.set(id, { of: waiting, changes })
  return changes
}
