import type { StoredProject } from '@seriatim/contract'
import type { ChangeId } from '@seriatim/core/units'
import { v7 } from 'uuid'
import { clockNow } from '../../shared/clock.ts'
import { nextNumber } from '../../shared/device.ts'
import type { Parcel } from '../../shared/outbox/index.ts'

/** The parcel to be sent once more: a record as it was, a change as one made now, against the project as it is now. */
export function again(parcel: Parcel, project: StoredProject | undefined): Parcel {
  if (parcel.kind === 'event') return parcel
  const number = nextNumber()
  return {
    ...parcel,
    change: {
      ...parcel.change,
      id: v7() as ChangeId,
      at: clockNow(),
      number,
      base: project?.revision ?? parcel.change.base,
      own: number - 1,
    },
  }
}
