import type { Project } from '../trade/project.ts'
import { addSeconds, type Instant } from '../units/instant.ts'
import { addDays } from '../units/local-date.ts'
import { clockOn, endOfDay } from './sessions.ts'

type Dated = Pick<Project, 'dueOn' | 'evenings'> & {
  readonly planning: Pick<Project['planning'], 'handOver'>
}

/** When the models are handed over: the hour of the due day, else its end; `null` without a date. */
export function handedOverAt({ dueOn, evenings, planning }: Dated): Instant | null {
  if (dueOn === null) return null
  const { handOver } = planning
  return handOver ? clockOn(dueOn, handOver.at, evenings.timeZone) : endOfDay(dueOn, evenings.timeZone)
}

/** From when on the models are here; `null`: they are, as far as anybody knows. */
export function hereFrom({ commission, evenings }: Pick<Project, 'commission' | 'evenings'>): Instant | null {
  const arrivesOn = commission?.arrivesOn ?? null
  return arrivesOn === null ? null : endOfDay(addDays(arrivesOn, -1), evenings.timeZone)
}

/** By when the last coat has to be dry: what is handed over at an hour cures and is packed before. */
export function paintedBy(project: Dated): Instant | null {
  const due = handedOverAt(project)
  const { handOver } = project.planning
  return due === null || handOver === null
    ? due
    : addSeconds(due, -(handOver.cureSeconds + handOver.packingSeconds))
}
