import type { Project } from '../trade/index.ts'
import { applyCommand, valueNow } from './apply-command.ts'
import { clashes, touchedBy } from './clashes.ts'
import type { Command } from './command.ts'
import { invertCommand } from './invert-command.ts'
import { sameJson } from './same-json.ts'

/** What became of a command. */
export type CommandVerdict =
  | { readonly kind: 'done' }
  /** Somebody else changed the same thing meanwhile; `theirs` is what a field is now. */
  | { readonly kind: 'clash'; readonly theirs: unknown }
  | { readonly kind: 'gone' }
  | { readonly kind: 'taken' }

interface AppliedChange<P extends Project> {
  readonly project: P
  /** One for each command. */
  readonly verdicts: readonly CommandVerdict[]
  /** What takes back all that was done, the last first. */
  readonly undo: readonly Command[]
  readonly touched: readonly string[]
}

/** Carries out commands one by one; what others changed meanwhile (`touched`) or took away is refused, each by itself. */
export function applyChange<P extends Project>(
  start: P,
  commands: readonly Command[],
  touched: ReadonlySet<string>,
): AppliedChange<P> {
  let project = start
  const undo: Command[] = []
  const own: string[] = []
  const verdicts = commands.map((command): CommandVerdict => {
    const now = command.kind === 'set' ? valueNow(project, command) : undefined
    // Both want the same: nobody is in the other's way.
    if (command.kind === 'set' && sameJson(now, command.value)) return { kind: 'done' }
    const inverse = invertCommand(project, command)
    const next = applyCommand(project, command)
    if (!next.ok) return next.error
    if (clashes(command, touched)) return { kind: 'clash', theirs: now ?? null }
    if (inverse) undo.unshift(inverse)
    if (next.value !== project) own.push(touchedBy(command))
    project = next.value
    return { kind: 'done' }
  })
  return { project, verdicts, undo, touched: own }
}
