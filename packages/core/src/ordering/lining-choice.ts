import { colourDifference } from '../colour/index.ts'
import { isSprayed, type Material, plainStep, type Recipe, sheenOf, type Step } from '../trade/index.ts'
import { shareRegion, type Shelf, type StepFacts } from '../recipe/index.ts'
import type { StepId } from '../units/index.ts'
import type { OtherChoice } from './other-choices.ts'

interface Asked {
  readonly recipe: Recipe
  readonly facts: readonly StepFacts[]
  readonly units: OtherChoice['units']
  readonly shelf: Shelf
  readonly newId: () => string
}

/** Lines in the recesses: an oil that runs by itself over gloss and is wiped, or a wash led by the point. */
export function linings(asked: Asked): readonly OtherChoice[] {
  return asked.facts.flatMap((lining) => {
    if (lining.step.technique !== 'pin wash' || !lining.material) return []
    if (lining.material.kind === 'oil') return byWash(asked, lining, lining.material)
    return lining.material.kind === 'wash' ? byOil(asked, lining, lining.material) : []
  })
}

function byOil(asked: Asked, lining: StepFacts, wash: Material): readonly OtherChoice[] {
  const { recipe, facts, shelf, newId } = asked
  const oil = likest(shelf, wash, ({ kind }) => kind === 'oil')
  const spirit = first(shelf, ({ kind, carrier }) => kind === 'thinner' && carrier === 'spirit')
  const gloss = first(shelf, ({ kind, carrier }) => kind === 'gloss varnish' && carrier === 'spirit')
  if (!oil || !spirit || !gloss) return []
  const below = facts.filter((each) => each.index < lining.index && shareRegion(each, lining))
  const isGlossy = below.findLast((each) => each.varnish || each.colours)?.material
  const seal =
    isGlossy && sheenOf(isGlossy) === 'gloss'
      ? []
      : [madeStep(lining.step, newId, gloss, { on: 'whole', technique: 'spray' })]
  const wipe = madeStep(lining.step, newId, spirit, { technique: 'wipe' })
  const own: Step = { ...lining.step, mix: [{ materialId: oil.id, parts: 1 }] }
  const steps = recipe.steps.flatMap((step) => (step.id === own.id ? [...seal, own, wipe] : [step]))
  return [choice(asked, lining, steps, wash, `${oil.name}, which runs by itself over gloss, wiped off again`)]
}

function byWash(asked: Asked, lining: StepFacts, oil: Material): readonly OtherChoice[] {
  const { recipe, facts, shelf } = asked
  const wash = likest(shelf, oil, ({ kind }) => kind === 'wash')
  if (!wash) return []
  const wiped = facts.filter(
    (each) => each.index > lining.index && each.step.technique === 'wipe' && shareRegion(each, lining),
  )
  const gone = new Set(wiped.slice(0, 1).map(({ step }) => step.id))
  const own: Step = { ...lining.step, mix: [{ materialId: wash.id, parts: 1 }], dryingSeconds: null }
  const steps = recipe.steps.flatMap((step) => {
    if (step.id === own.id) return [own]
    return gone.has(step.id) ? [] : [step]
  })
  return [choice(asked, lining, steps, oil, `${wash.name} led into the lines by the point of the brush`)]
}

function choice(
  { recipe, units }: Asked,
  lining: StepFacts,
  steps: readonly Step[],
  by: Material,
  instead: string,
): OtherChoice {
  const where = lining.whole ? 'all over' : lining.regions.map(({ name }) => name).join(', ')
  return {
    kind: 'lining',
    stepIds: [lining.step.id],
    now: `the lines (${where}) in ${by.name}`,
    instead,
    recipe: { ...recipe, steps },
    units,
  }
}

/** A step for those who take the other one. */
function madeStep(
  like: Step,
  newId: () => string,
  material: Material,
  some: Pick<Step, 'technique'> & Partial<Pick<Step, 'on'>>,
): Step {
  const { on, except, standard, roles } = like
  const all = isSprayed(some.technique)
  return {
    ...plainStep,
    id: newId() as StepId,
    on,
    except: all ? [] : except,
    standard,
    roles,
    mix: [{ materialId: material.id, parts: 1 }],
    ...some,
  }
}

/** What is in stock before what is not. */
function first(shelf: Shelf, suits: (material: Material) => boolean): Material | undefined {
  const fitting = [...shelf.values()].filter(suits)
  return fitting.find(({ stockMl }) => stockMl > 0) ?? fitting[0]
}

function likest(shelf: Shelf, to: Material, suits: (material: Material) => boolean): Material | undefined {
  return [...shelf.values()]
    .filter(suits)
    .map((each) => ({ each, difference: colourDifference(each.colour, to.colour) }))
    .sort((a, b) => a.difference - b.difference)[0]?.each
}
