import { projectFileSchema, type ProjectFile, type ProjectFileJson } from '@seriatim/contract'
import { modelsOf, type SaidUnit } from '@seriatim/core/notes'
import { starterShelf } from '@seriatim/core/presets'
import { noBatchWish } from '@seriatim/core/plan'
import type { ProgressEvent } from '@seriatim/core/progress'
import {
  bodyPlans,
  fitToShelf,
  joinWords,
  materialsOf,
  recipeFromSchool,
  recipeSchools,
  type Shelf,
} from '@seriatim/core/recipe'
import {
  plainPlanning,
  type Evenings,
  type Material,
  type Project,
  type Recipe,
  type Unit,
} from '@seriatim/core/trade'
import type { Instant, LocalDate, ProjectId, UnitId } from '@seriatim/core/units'
import { v7 } from 'uuid'
import { z } from 'zod'
import { modelsOfSets } from '../../shared/new-models/index.ts'

/** What is painted and how: a unit with its kind of model, and its own method where it has one. */
export interface DraftUnit {
  readonly said: SaidUnit
  readonly unit: Unit
  /** A school's id; `null`: as all. */
  readonly method: string | null
}

/** What is changed of a unit after it was typed. */
export type Correction = Partial<Pick<SaidUnit, 'bodyPlan' | 'standard'>> & {
  readonly method?: string | null
}

/** Units with their models, each as it was corrected. @param corrections by the units' names. */
export function draftUnits(
  said: readonly SaidUnit[],
  corrections: Readonly<Record<string, Correction>>,
): readonly DraftUnit[] {
  return said.map((each) => {
    const { method = null, ...changed } = corrections[each.name] ?? {}
    const unit = { ...each, ...changed }
    // Another kind of model is of its usual size.
    const size =
      changed.bodyPlan === undefined || changed.bodyPlan === each.bodyPlan
        ? each.size
        : (bodyPlans.find(({ id }) => id === changed.bodyPlan)?.usualSize ?? each.size)
    const set = { count: unit.each, role: 'trooper', called: '', word: '' }
    return {
      said: { ...unit, size },
      method,
      unit: {
        id: v7() as UnitId,
        name: unit.name,
        standard: unit.standard ?? 'tabletop',
        size,
        detail: 'usual',
        perHolder: 1,
        pilot: [],
        joinedAt: null,
        models: modelsOfSets(unit.name, [set], unit.marks, 0),
      },
    }
  })
}

/** Units of one kind and one method follow one recipe, of what is on the shelf where it is called the same. */
export function draftRecipes(units: readonly DraftUnit[], method: string, shelf: Shelf): readonly Recipe[] {
  const keyOf = (each: DraftUnit) => `${each.said.bodyPlan} ${each.method ?? method}`
  return [...new Set(units.map(keyOf))].flatMap((key) => {
    const own = units.filter((each) => keyOf(each) === key)
    const plan = bodyPlans.find(({ id }) => id === own[0]?.said.bodyPlan)
    const school = recipeSchools.find(({ id }) => id === (own[0]?.method ?? method))
    if (!plan || !school) return []
    const name = joinWords(own.map(({ unit }) => unit.name)).slice(0, 120)
    const { recipe } = fitToShelf(recipeFromSchool(school, plan, name, v7), starterShelf, shelf)
    return [{ ...recipe, unitIds: own.map(({ unit }) => unit.id) }]
  })
}

interface DraftSettings {
  readonly id: ProjectId
  readonly name: string
  readonly dueOn: LocalDate | null
  readonly evenings: Evenings
}

export function draftProject(
  settings: DraftSettings,
  units: readonly Unit[],
  recipes: readonly Recipe[],
): Project {
  return {
    ...settings,
    commission: null,
    ...noBatchWish({ units }),
    planning: plainPlanning,
    units,
    recipes,
    line: [],
  }
}

/** Own materials, and what is usual beside them with nothing in stock. */
export function withUsual(shelf: Shelf): Shelf {
  const usual = starterShelf.map((material): Material => ({ ...material, stockMl: 0 }))
  return new Map([...usual, ...shelf.values()].map((material) => [material.id, material]))
}

/** The project as one file: the server writes its stages. */
export function draftFile(
  project: Project,
  shelf: Shelf,
  events: readonly ProgressEvent[],
  writtenAt: Instant,
): ProjectFileJson {
  const used = new Set(project.recipes.flatMap((recipe) => [...materialsOf(recipe)]))
  const file: ProjectFile = {
    format: 'seriatim-project',
    version: 2,
    writtenAt,
    shelf: [...shelf.values()].filter(({ id }) => used.has(id)),
    project,
    events,
  }
  return z.encode(projectFileSchema, file)
}

/** `3 × 10 = 30` */
export function countText(said: SaidUnit): string {
  return said.marks.length > 0
    ? `${String(said.marks.length)} × ${String(said.each)} = ${String(modelsOf(said))}`
    : String(said.each)
}
