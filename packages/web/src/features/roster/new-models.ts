import type { Model, Unit } from '@seriatim/core/trade'
import type { ModelId, UnitId } from '@seriatim/core/units'
import { v7 } from 'uuid'
import type { ModelSet } from './parse-sets.ts'
import type { RosterLine } from './roster-reader.ts'

type Alike = Pick<RosterLine, 'name' | 'count' | 'role' | 'variants' | 'points'>

/** `count` models alike; more than one are numbered. */
function modelsAlike({ name, count, role, variants, points }: Alike): Model[] {
  return Array.from({ length: count }, (_, index) => ({
    id: v7() as ModelId,
    name: count === 1 ? name : `${name} ${String(index + 1)}`,
    role,
    variants,
    points,
  }))
}

/** The models of a unit set by set; once for each mark where there are squads, who carry it as a variant. */
export function modelsOfSets(
  unit: string,
  sets: readonly ModelSet[],
  marks: readonly string[],
  points: number,
): Model[] {
  return (marks.length > 0 ? marks : [null]).flatMap((mark) => {
    const squad = mark === null ? unit : `${unit} ${mark}`
    return sets.flatMap(({ count, role, called }) => {
      const name = called === '' ? squad : `${squad}, ${called}`
      const alike = modelsAlike({
        name,
        count,
        role,
        variants: mark === null ? [] : [`${mark} mark`],
        points,
      })
      // The rank and file are numbered even when they are one.
      return called === '' && count === 1 && sets.length > 1
        ? alike.map((model) => ({ ...model, name: `${name} 1` }))
        : alike
    })
  })
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
