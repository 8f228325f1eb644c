import type { StoredProject } from '@seriatim/contract'
import { applyCommand, withoutDangling } from '@seriatim/core/changes'
import { asksForLine } from '@seriatim/core/ordering'
import { withOwnNames } from '@seriatim/core/trade'
import type { Parcel } from '../outbox/index.ts'

type Change = Extract<Parcel, { kind: 'change' }>

/** A project as the screen shows it: what the server has, and over it what is on its way there. */
export interface ShownProject extends StoredProject {
  /** The highest number of this device's changes that are in it; see `own` of a change. */
  readonly own: number
  /** The state that the server has, where what waits asks for another line: it will be made there, and is foretold here. */
  readonly lineAskedFrom: StoredProject | null
}

/**
 * Carries out what waits over what the server has; a command that finds its thing gone is passed over here. Every stage
 * goes by a name of its own, wherever it is shown.
 */
export function replay(server: StoredProject, waiting: readonly Change[], delivered: number): ShownProject {
  let project: StoredProject = server
  let own = delivered
  for (const { change } of waiting) {
    own = Math.max(own, change.number)
    for (const command of change.commands) {
      const next = applyCommand(project, command)
      if (next.ok) project = next.value
    }
  }
  const whole = waiting.length > 0 ? withoutDangling(project) : project
  const lineAskedFrom = asksForLine(server, project) ? server : null
  return { ...whole, line: withOwnNames(whole.line), own, lineAskedFrom }
}
