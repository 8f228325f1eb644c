import type { ProgressEvent, RememberedUnit } from '@seriatim/core/progress'
import type { Unit } from '@seriatim/core/trade'
import { readToldTime, type EventId, type Instant } from '@seriatim/core/units'
import { v7 } from 'uuid'

/** As it is typed. */
export interface Told {
  readonly models: string
  readonly took: string
}

export interface ReadLast {
  /** `null` where nothing was told. */
  readonly unit: RememberedUnit | null
  /** In all. */
  readonly seconds: number
  readonly fault: string | undefined
}

const mostModels = 1000
const longest = 120

/** The last unit, taken for one like the first of these, painted the same way. */
export function readLastTime(
  { models, took }: Told,
  like: Pick<Unit, 'size' | 'standard' | 'models'> | undefined,
  school: string,
): ReadLast {
  const told = took.trim()
  const none = { unit: null, seconds: 0, fault: undefined }
  if (told === '' || !like) return none
  const count = models.trim() === '' ? like.models.length : Number(models)
  if (!Number.isInteger(count) || count < 1 || count > mostModels)
    return { ...none, fault: 'Give a whole number of models.' }
  const read = told.length <= longest ? readToldTime(told, count) : null
  if (!read) return { ...none, fault: 'Say how long: 6 hours, three evenings of two hours, 20 minutes each.' }
  const { size, standard } = like
  return { unit: { models: count, school, size, standard, told }, seconds: read.seconds, fault: undefined }
}

export function recordOf(unit: RememberedUnit, at: Instant): ProgressEvent {
  return { id: v7() as EventId, at, kind: 'remembered', ...unit }
}
