import { withCapital } from '../units/index.ts'
import type { Stage } from './stage.ts'

/**
 * The line with a name of its own for every stage, the one it has everywhere: where several are called alike the pot goes
 * before it, `Ivory primer: zenithal spray`, and where that is alike as well, a number after it.
 */
export function withOwnNames<S extends Pick<Stage, 'name' | 'material'>>(line: readonly S[]): readonly S[] {
  const alike = counted(line.map(nameOf))
  if (alike.size === line.length) return line
  const byPot = line.map((stage) => ((alike.get(nameOf(stage)) ?? 0) > 1 ? withPot(stage) : nameOf(stage)))
  const still = counted(byPot)
  const seen = new Map<string, number>()
  return line.map((stage, index) => {
    const name = byPot[index] ?? stage.name
    const time = (seen.get(name) ?? 0) + 1
    seen.set(name, time)
    const own = (still.get(name) ?? 0) > 1 ? `${name} ${String(time)}` : name
    return own === stage.name ? stage : { ...stage, name: own }
  })
}

const nameOf = ({ name }: Pick<Stage, 'name'>): string => name

function withPot({ name, material }: Pick<Stage, 'name' | 'material'>): string {
  if (material === '' || saysPot({ name, material })) return name
  return `${withCapital(material.replace(/, spray$/, ''))}: ${name.slice(0, 1).toLowerCase()}${name.slice(1)}`.slice(
    0,
    longest,
  )
}

/** Whether the stage's name says its pot already, so that it need not be said beside it. */
export function saysPot({ name, material }: Pick<Stage, 'name' | 'material'>): boolean {
  return name.toLowerCase().includes(material.toLowerCase().replace(/, spray$/, ''))
}

/** So long a name may be, with room for a number. */
const longest = 56

function counted(names: readonly string[]): ReadonlyMap<string, number> {
  const count = new Map<string, number>()
  for (const name of names) count.set(name, (count.get(name) ?? 0) + 1)
  return count
}
