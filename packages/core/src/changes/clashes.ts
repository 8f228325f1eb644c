import type { Command } from './command.ts'

/** What a command touches, as a path; two commands meet where their paths do. */
export function touchedBy(command: Command): string {
  if (command.kind === 'set' && command.thing === 'project') return `project.${command.field}`
  const { thing, id } = command
  const path = command.in === null ? `${thing}:${id}` : `${command.in}/${thing}:${id}`
  switch (command.kind) {
    case 'set':
      return `${path}.${command.field}`
    case 'move':
      return `${path}@`
    case 'put':
    case 'take':
      return path
  }
}

/**
 * Whether others changed the same thing meanwhile: the same field, the place of the same thing, or anything of what
 * is to be taken out. `touched`: paths of their commands.
 */
export function clashes(command: Command, touched: ReadonlySet<string>): boolean {
  const path = touchedBy(command)
  if (command.kind === 'put') return false
  if (command.kind !== 'take') return touched.has(path)
  for (const each of touched)
    if (each.startsWith(`${path}.`) || each.startsWith(`${command.id}/`)) return true
  return false
}
