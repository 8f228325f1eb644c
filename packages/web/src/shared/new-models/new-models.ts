import { markOf, type Detail, type Model, type Size, type Unit } from '@seriatim/core/trade'
import type { ModelId, UnitId } from '@seriatim/core/units'
import { v7 } from 'uuid'
import { parseSets, type ModelSet } from './parse-sets.ts'

/** A line of a roster: models of a unit that are alike. */
export interface RosterLine {
  readonly unit: string
  readonly name: string
  readonly count: number
  readonly role: string
  /** In their cell with `+` between them. */
  readonly variants: readonly string[]
  readonly points: number
  /** Of its unit; the first line that names one decides. */
  readonly size: Size | null
  readonly detail: Detail | null
}

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
        variants: mark === null ? [] : [markOf(mark)],
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

/**
 * The models by which a unit grows, as people say it: `+10 green`, `+5, leader`. A word that some of its models carry as a mark
 * is that mark; any other is a role.
 */
export function grownBy(
  { name, models }: Pick<Unit, 'name' | 'models'>,
  text: string,
): { readonly models: readonly Model[] } | { readonly error: string } {
  const parsed = parseSets(text.trim().replace(/^\+\s*/, ''))
  if (!parsed.ok) return { error: parsed.error }
  const marks = new Set(models.flatMap(({ variants }) => variants))
  let number = models.length
  return {
    models: parsed.sets.flatMap(({ count, role, called, word }) => {
      const mark = [word, markOf(word)].find((each) => marks.has(each))
      const after = mark === undefined ? called : word
      return Array.from({ length: count }, (): Model => {
        number += 1
        return {
          id: v7() as ModelId,
          name: `${name}${after === '' ? '' : ` ${after}`} ${String(number)}`,
          role: mark === undefined ? role : 'trooper',
          variants: mark === undefined ? [] : [mark],
          points: models[0]?.points ?? 0,
        }
      })
    }),
  }
}
