import { type Job, type Recipe, regionsMeet, type Stage, touchedRegions } from '../trade/index.ts'
import { mainRegionOf, orderRules, preferences, ruleApplies } from '../ordering/index.ts'
import { neededForTable } from '../progress/index.ts'
import { factsOf, type Shelf, type StepFacts } from '../recipe/index.ts'
import type { StageId, UnitId } from '../units/index.ts'

/** By unit and stage, the stages that have to come before it on a model; all of them stand before it on the line. */
export type LineLinks = ReadonlyMap<UnitId, ReadonlyMap<StageId, ReadonlySet<StageId>>>

interface Own {
  readonly stage: Stage
  readonly facts: readonly StepFacts[]
  readonly needed: boolean
}

/**
 * What the line's row has to keep to on a model, everything else being free: layers of one region, what goes over the
 * whole model, what a rule would find spoiled or wasted the other way round, what the recipe's own preferences ask for,
 * and what is needed for the table before what is not. Stages written by hand are bound by the regions they touch.
 */
export function lineLinks(project: Pick<Job, 'units' | 'recipes' | 'line'>, shelf: Shelf): LineLinks {
  const isNeeded = neededForTable(project)
  return new Map(
    project.units.map((unit) => {
      const recipe = project.recipes.find((each) => each.unitIds.includes(unit.id))
      const facts = new Map(
        recipe ? factsOf(recipe, shelf, unit.models).map((each) => [each.step.id, each] as const) : [],
      )
      const taken = project.line.filter((stage) => !stage.notNeededBy.includes(unit.id))
      const own = taken.map((stage): Own => ({
        stage,
        facts: stage.steps.flatMap((step) =>
          step.recipeId === recipe?.id ? (facts.get(step.stepId) ?? []) : [],
        ),
        needed: isNeeded(stage, unit.id),
      }))
      return [unit.id, linksOf(own, recipe)] as const
    }),
  )
}

function linksOf(
  taken: readonly Own[],
  recipe: Recipe | undefined,
): ReadonlyMap<StageId, ReadonlySet<StageId>> {
  const wantsBefore = recipe ? wishesOf(recipe) : () => false
  return new Map(
    taken.map((later, place) => [
      later.stage.id,
      new Set(
        taken
          .slice(0, place)
          .filter((earlier) => isBound(earlier, later, wantsBefore))
          .map((earlier) => earlier.stage.id),
      ),
    ]),
  )
}

/** Whether the first of two steps wants to be done before the other. */
type WantsBefore = (first: StepFacts, then: StepFacts) => boolean

function isBound(earlier: Own, later: Own, wantsBefore: WantsBefore): boolean {
  if (earlier.needed && !later.needed) return true
  if (regionsMeet(touchedRegions(earlier.stage.touch), touchedRegions(later.stage.touch))) return true
  return earlier.facts.some((first) => later.facts.some((then) => wantsBefore(first, then)))
}

/** Masks lie beside what they keep clean, so that they are bound to everything. */
const beside = ['mask', 'peel']

function wishesOf(recipe: Recipe): WantsBefore {
  const main = mainRegionOf(recipe)
  const silenced = new Set(recipe.silenced.map((each) => each.rule))
  const rules = orderRules.filter(
    (rule) =>
      rule.severity !== 'your call' && !silenced.has(rule.id) && (rule.isOn?.(recipe.preferences) ?? true),
  )
  return (first, then) =>
    beside.includes(first.step.technique) ||
    beside.includes(then.step.technique) ||
    rules.some((rule) => ruleApplies(rule, first, then) && !ruleApplies(rule, then, first)) ||
    preferences.some((preference) => preference.applies(recipe.preferences, first, then, main))
}
