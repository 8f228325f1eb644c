import type { Model, ModelId, Unit, UnitId } from '@seriatim/core'
import { v7 } from 'uuid'
import type { RosterLine } from './parse-roster.ts'

type Alike = Pick<RosterLine, 'name' | 'count' | 'role' | 'variants' | 'points'>

/** `count` models alike; more than one are numbered. */
export function modelsAlike({ name, count, role, variants, points }: Alike): Model[] {
  return Array.from({ length: count }, (_, index) => ({
    id: v7() as ModelId,
    name: count === 1 ? name : `${name} ${String(index + 1)}`,
    role,
    variants,
    points,
  }))
}

/** The lines grouped by unit, in the order the units first appear. */
export function unitsOf(lines: readonly RosterLine[]): Unit[] {
  const byUnit = new Map<string, RosterLine[]>()
  for (const line of lines) byUnit.set(line.unit, [...(byUnit.get(line.unit) ?? []), line])
  return [...byUnit].map(([name, own]) => ({
    id: v7() as UnitId,
    name,
    standard: 'tabletop',
    size: own.find((line) => line.size !== null)?.size ?? 'foot',
    detail: own.find((line) => line.detail !== null)?.detail ?? 'usual',
    perHolder: 1,
    pilot: [],
    joinedAt: null,
    models: own.flatMap(modelsAlike),
  }))
}
