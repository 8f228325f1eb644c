import {
  type Caution,
  type Job,
  type Material,
  type Recipe,
  type Stage,
  type Standard,
  type Step,
  type StepRef,
  withOwnNames,
} from '../trade/index.ts'
import { surfacePresets } from '../presets/index.ts'
import { factsOf, mixText, type Shelf, type StepFacts, type Takers } from '../recipe/index.ts'
import { seconds, type StageId, type UnitId } from '../units/index.ts'
import type { LineOrder, OrderedStage } from './order-line.ts'
import { stageName } from './stage-name.ts'
import { isSoftWork, workableTill } from './soft-work.ts'
import { modelsTaking, openSeconds, type FollowingUnit, type OrderedRecipe } from './pieces.ts'

/** The project's recipes with the units that follow them; recipes nobody follows are left out. */
export function followedRecipes(project: Pick<Job, 'recipes' | 'units'>): readonly OrderedRecipe[] {
  return project.recipes.flatMap((recipe) => {
    const units = followersOf(recipe, project)
    if (units.length === 0) return []
    return [{ recipe, units }]
  })
}

export function followersOf(
  recipe: Pick<Recipe, 'unitIds'>,
  project: Pick<Job, 'units'>,
): readonly FollowingUnit[] {
  return project.units
    .filter((unit) => recipe.unitIds.includes(unit.id))
    .map(({ id, name, standard, size, models }) => ({ unitId: id, name, standard, size, models }))
}

/** How many models take a step, and in how many batches. */
export function takersAmong(units: readonly FollowingUnit[], batchSize: number): (step: Step) => Takers {
  return (step) => {
    const counts = units.map((unit) => modelsTaking([step], [unit]))
    return {
      models: counts.reduce((sum, count) => sum + count, 0),
      footModels: counts.reduce(
        (sum, count, index) => sum + count * surfacePresets[units[index]?.size ?? 'foot'],
        0,
      ),
      batches: counts.reduce((sum, count) => sum + Math.ceil(count / batchSize), 0),
    }
  }
}

/**
 * The ordered stages as the project's line. A stage keeps the identity, and with it the progress, of the one
 * on the old line that carried out most of its steps. `newId` gives UUIDs for the others, after a name made of their
 * steps: where the same name gets the same UUID, a stage that comes back has its record again.
 */
export function lineOfOrder(
  order: LineOrder,
  project: Pick<Job, 'units' | 'line' | 'recipes'>,
  shelf: Shelf,
  tableReady: Standard,
  newId: (name: string) => string,
): readonly Stage[] {
  const taken = new Set<StageId>()
  const known = new Set<string>(project.line.map((stage) => stage.id))
  const freshId = (steps: readonly StepRef[]): StageId => {
    const name = steps
      .map((step) => step.stepId)
      .toSorted()
      .join(' ')
    for (let again = 0; again < 100; again++) {
      const id = newId(again === 0 ? name : `${name} ${String(again)}`)
      if (known.has(id)) continue
      known.add(id)
      return id as StageId
    }
    throw new RangeError('newId gives the same id for every name')
  }
  const stops = order.stopLines.map((stop) => stop.after[tableReady] ?? -1)
  const lastNeeded = Math.max(-1, ...stops)
  const line = order.stages.map((ordered, index): Stage => {
    const old = closestStage(project.line, ordered.steps, taken)
    if (old) taken.add(old.id)
    return {
      ...stageOfOrdered(ordered, project, shelf),
      ...twoWaits(order, index),
      id: old?.id ?? freshId(ordered.steps),
      tableReady: index === lastNeeded,
      typed: old?.typed ?? [],
    }
  })
  return withOwnNames(line)
}

/** A stage as the steps it carries out have it, with nothing that a person wrote on it. */
function stageOfOrdered(
  ordered: OrderedStage,
  project: { readonly units: readonly { readonly id: UnitId }[]; readonly recipes: readonly Recipe[] },
  shelf: Shelf,
): Omit<Stage, 'id'> {
  const drying = ordered.facts.map((facts) => facts.drying)
  return {
    name: stageName(ordered.facts, shelf),
    material: potName(ordered.facts, shelf),
    touch: touchOf(ordered),
    handsOnSecondsPerModel: seconds(Math.round(ordered.handsOnSeconds / Math.max(1, ordered.models))),
    setUpSeconds: seconds(Math.round(openSeconds(ordered.facts))),
    dryingMinSeconds: seconds(Math.max(0, ...drying.map((range) => range.min))),
    dryingMaxSeconds: seconds(Math.max(0, ...drying.map((range) => range.max))),
    nextWithinSeconds: null,
    notNeededBy: project.units.filter((unit) => !ordered.units.includes(unit.id)).map((unit) => unit.id),
    limits: limitsOf(ordered, project),
    tableReady: false,
    cautions: [...new Set(ordered.facts.flatMap(cautionsOf))],
    note: [...new Set(ordered.facts.map((facts) => facts.step.note))].filter((note) => note !== '').join(' '),
    technique: null,
    typed: [],
    steps: ordered.steps,
  }
}

/** A stage of its own for one step of a recipe; the others of `everyone` pass it by. */
export function stageOfStep(
  { recipe, units }: OrderedRecipe,
  step: Step,
  shelf: Shelf,
  everyone: readonly UnitId[],
  newId: () => string,
): Stage {
  const facts = factsOf(recipe, shelf).filter((each) => each.step.id === step.id)
  const models = modelsTaking([step], units)
  const ordered: OrderedStage = {
    key: '',
    steps: [{ recipeId: recipe.id, stepId: step.id }],
    facts,
    units: units.filter((unit) => modelsTaking([step], [unit]) > 0).map((unit) => unit.unitId),
    optional: false,
    models,
    handsOnSeconds: facts.reduce((sum, each) => sum + each.handsOnSecondsPerModel * models, 0),
  }
  const project = {
    recipes: [recipe],
    units: everyone.map((id) => ({ id })),
  }
  return { ...stageOfOrdered(ordered, project, shelf), id: newId() as StageId }
}

/**
 * Of what is wiped or strewn on while it is soft the next stage wants the soft coat, and what comes after it the hard one: the coat's
 * own drying stands on that.
 */
function twoWaits(
  { stages }: LineOrder,
  index: number,
): Partial<Pick<Stage, 'dryingMinSeconds' | 'dryingMaxSeconds' | 'nextWithinSeconds'>> {
  const [before, own, next] = [stages[index - 1], stages[index], stages[index + 1]]
  const soft = own && next && softCoat(own, next)
  if (soft) {
    return {
      dryingMinSeconds: soft.min,
      dryingMaxSeconds: soft.min,
      nextWithinSeconds: soft.max,
    }
  }
  if (!own || !before || !softCoat(before, own)) return {}
  const drying = [...before.facts, ...own.facts].map((facts) => facts.drying)
  return {
    dryingMinSeconds: seconds(Math.max(0, ...drying.map((range) => range.min))),
    dryingMaxSeconds: seconds(Math.max(0, ...drying.map((range) => range.max))),
  }
}

/** From when to when the one stage's coat bears the other. */
function softCoat(wet: OrderedStage, next: OrderedStage): Material['workable'] {
  const soft = wet.facts.flatMap((coat) => next.facts.flatMap((each) => workableTill(coat, each) ?? []))
  if (soft.length === 0 || !next.facts.every(isSoftWork)) return null
  const max = Math.min(...soft.map((each) => each.max))
  return {
    min: seconds(Math.min(max, Math.max(...soft.map((each) => each.min)))),
    max: seconds(max),
  }
}

/** A unit of which only some roles or variants take what its recipe does at the stage. */
function limitsOf(
  { steps, facts, units }: OrderedStage,
  project: { readonly recipes: readonly Recipe[] },
): Stage['limits'] {
  return units.flatMap((unitId): Stage['limits'] => {
    const recipe = project.recipes.find((each) => each.unitIds.includes(unitId))
    const own = facts.filter((_, index) => steps[index]?.recipeId === recipe?.id)
    const roles = own.map(({ step }) => step.roles)
    if (roles.length === 0 || roles.some((each) => each.length === 0)) return []
    return [{ unitId, roles: [...new Set(roles.flat())] }]
  })
}

function closestStage(
  line: readonly Stage[],
  steps: readonly StepRef[],
  taken: ReadonlySet<StageId>,
): Stage | undefined {
  const wanted = new Set(steps.map((step) => step.stepId))
  const shared = (stage: Stage) => stage.steps.filter((step) => wanted.has(step.stepId)).length
  return line
    .filter((stage) => !taken.has(stage.id) && shared(stage) > 0)
    .sort((a, b) => shared(b) - shared(a))[0]
}

function potName(facts: readonly StepFacts[], shelf: Shelf): string {
  const mixes = facts.map(({ step }) => mixText(step.mix, shelf))
  return [...new Set(mixes)].join(' + ').slice(0, 80)
}

function touchOf({ facts }: OrderedStage): Stage['touch'] {
  if (facts.some((each) => each.whole && each.step.except.length === 0)) return { kind: 'whole' }
  if (facts.every((each) => each.onBase)) return { kind: 'base' }
  return {
    kind: 'regions',
    regions: [...new Set(facts.flatMap((each) => each.regions.map(({ name }) => name)))],
  }
}

function cautionsOf(facts: StepFacts): readonly Caution[] {
  const kind = facts.material?.kind
  const spirit = facts.material?.carrier === 'spirit' && !facts.sprayed
  return [
    ...(facts.sprayed ? (['spray'] as const) : []),
    ...(spirit ? (['solvent'] as const) : []),
    ...(kind === 'oil' || kind === 'dip' ? (['oily-rags'] as const) : []),
    ...(kind === 'pigment' ? (['dust'] as const) : []),
    ...(['join', 'assemble'].includes(facts.step.technique) ? (['glue'] as const) : []),
    ...(['prepare', 'cut'].includes(facts.step.technique) ? (['knife', 'dust'] as const) : []),
  ]
}
