import { newChangeSchema, type LoggedChange, type NewChange } from '@seriatim/contract'
import { commandsBetween, type Command } from '@seriatim/core/changes'
import type { Project } from '@seriatim/core/trade'
import type { ChangeId } from '@seriatim/core/units'
import { toast } from 'sonner'
import { v7 } from 'uuid'
import { z } from 'zod'
import { clockNow } from '../clock.ts'
import { deviceId, nextNumber, usePainterHere } from '../device.ts'
import { outbox } from '../outbox/index.ts'
import { deliveredNumber, revisionOf } from './delivered.ts'
import type { ShownProject } from './replay.ts'
import { sayChange } from './say-change.ts'
import { useCurrentProject } from './use-project.ts'

/**
 * Changes the project: `next` is what it is to be, stated against `from`, the project that the screen showed. Only
 * what differs between the two goes out, so that nobody else's change is undone by it; it is on the screen at once,
 * and kept in this browser until the server has it. `said` is the toast, with an undo; an empty one says nothing.
 * Answers what went out; `null` when nothing differs, or the fault was said.
 */
type Edit = (from: ShownProject, next: Project, said: string) => NewChange | null

export function useEdit(): Edit {
  const project = useCurrentProject()
  const send = useSend(project)
  return (from, next, said) => {
    const change = send(commandsBetween(from, next), from.revision, from.own, said)
    if (!change) return null
    const back = commandsBetween(next, from)
    const undo = () => {
      const base = revisionOf(change.id) ?? from.revision
      send(back, base, Math.max(change.number, deliveredNumber(project.id)), `Taken back: ${said}`)
    }
    sayChange(said, back.length > 0 ? undo : null)
    return change
  }
}

/**
 * Takes back a change that the log has, from any device; what was changed again since is shown as a clash. Answers what
 * went out; `null` when the fault was said.
 */
export function useTakeBack(project: Pick<Project, 'id' | 'planning'>) {
  const send = useSend(project)
  return (change: LoggedChange) => {
    const sent = send(change.undo, change.revision, 0, 'Taken back.')
    if (sent) sayChange('Taken back.', null)
    return sent
  }
}

/** Puts commands on their way; `null` when there is nothing to send, or the fault is said. */
function useSend({ id, planning }: Pick<Project, 'id' | 'planning'>) {
  const painter = usePainterHere({ id, planning })
  return (commands: readonly Command[], base: number, own: number, said: string): NewChange | null => {
    if (commands.length === 0) return null
    const change = {
      id: v7() as ChangeId,
      at: clockNow(),
      device: deviceId,
      number: nextNumber(),
      painter,
      base,
      own,
      commands,
    }
    const fault = faultOf(change)
    if (fault !== null) {
      toast.error(fault)
      return null
    }
    outbox.record({ kind: 'change', projectId: id, change, said })
    return change
  }
}

/** What the server would say against it, found out here: nothing wrong goes on its way. */
function faultOf(change: NewChange): string | null {
  const parsed = z.safeDecode(newChangeSchema, z.encode(newChangeSchema, change))
  return parsed.success ? null : (parsed.error.issues[0]?.message ?? 'This cannot be changed so.')
}
