import { isVarnish, plainStep, type Recipe, type Region, type Step, type Technique } from '../trade/index.ts'
import { starterShelf } from '../presets/index.ts'
import type { MaterialId, RecipeId, StepId } from '../units/index.ts'
import type { BodyPlan } from './body-plans.ts'
import { preparation, type Draft, type RecipeSchool, type Surfaces } from './schools.ts'

const varnishes = new Set(starterShelf.filter((each) => isVarnish(each.kind)).map((each) => each.name))
const idByName = new Map<string, MaterialId>(starterShelf.map((material) => [material.name, material.id]))

/**
 * A complete recipe by a school for a body plan, of materials of the starter shelf; with washing, cutting, gluing and
 * mounting where the models come unbuilt. `newId` gives UUIDs.
 */
export function recipeFromSchool(
  school: RecipeSchool,
  plan: BodyPlan,
  name: string,
  newId: () => string,
  { unbuilt = false }: { readonly unbuilt?: boolean } = {},
): Recipe {
  const regions = plan.regions
  const main = regions
    .filter((region) => region.finish !== 'metal' && region.finish !== 'base')
    .reduce((a, b) => (b.areaShare > a.areaShare ? b : a))
  const surfaces: Surfaces = {
    regions,
    main,
    of: (...finishes) =>
      regions.filter((region) => finishes.includes(region.finish)).map((region) => region.name),
  }
  const drafts = [...(unbuilt ? preparation : []), ...school.steps(surfaces)].flatMap((each) => each ?? [])
  const steps = threeColours(
    withJoin(regions, drafts).map((each) => stepOf(each, newId())),
    regions,
  )
  return {
    id: newId() as RecipeId,
    name,
    unitIds: [],
    school: school.id,
    bodyPlan: plan.id,
    subAssemblies: plan.subAssemblies,
    regions: regions.map((region) => ({ ...region, bare: isBare(region, steps) })),
    steps,
    preferences: school.preferences,
    silenced: [],
    versions: [],
  }
}

/** What is painted apart is joined before the last varnish over everything if nothing on it is left to do, else in the end. */
function withJoin(regions: readonly Region[], drafts: readonly Draft[]): readonly Draft[] {
  if (!regions.some((region) => region.apart !== '')) return drafts
  const last = drafts.findLastIndex((each) => each.on === 'whole')
  const seals = varnishes.has(drafts[last]?.material ?? '')
  const isApart = ({ on }: Draft) =>
    on !== 'whole' && regions.some((region) => region.apart !== '' && on.includes(region.name))
  const place = seals && !drafts.slice(last).some(isApart) ? last : drafts.length
  const join: Draft = { on: 'whole', material: 'super glue', technique: 'join', some: {} }
  return [...drafts.slice(0, place), join, ...drafts.slice(place)]
}

/** What a model that only has to have three colours and a finished base can do with. */
function threeColours(steps: readonly Step[], regions: readonly Region[]): readonly Step[] {
  const areaOf = (step: Step) =>
    regions
      .filter((region) => step.on !== 'whole' && step.on.includes(region.name))
      .reduce((sum, region) => sum + region.areaShare, 0)
  const onBase = (step: Step) =>
    step.on !== 'whole' &&
    step.on.every((name) => regions.some((region) => region.name === name && region.finish === 'base'))
  const colours = steps
    .filter((step) => step.standard === 'tabletop' && step.on !== 'whole' && !onBase(step))
    .filter((step) => colouring.includes(step.technique))
    .filter((step, index, all) => all.findIndex((each) => String(each.on) === String(step.on)) === index)
    .sort((a, b) => areaOf(b) - areaOf(a))
    .slice(0, 3)
  const lastColour = steps.findLastIndex((step) => colours.includes(step))
  const isNeeded = (step: Step, index: number) =>
    colours.includes(step) ||
    onBase(step) ||
    step.technique === 'join' ||
    (step.on === 'whole' && index < lastColour)
  return steps.map((step, index) =>
    step.standard === 'tabletop' && isNeeded(step, index) ? { ...step, standard: 'three-colour' } : step,
  )
}

const colouring: readonly Technique[] = ['base coat', 'airbrush', 'blend', 'stipple', 'pen', 'detail']

/** What a school gives no step of its own, it leaves so on purpose. */
function isBare(region: Region, steps: readonly Step[]): boolean {
  return !steps.some((step) => step.on !== 'whole' && step.on.includes(region.name))
}

function stepOf(given: Draft, id: string): Step {
  const materialId = given.material === null ? undefined : idByName.get(given.material)
  return {
    id: id as StepId,
    on: given.on,
    mix: materialId ? [{ materialId, parts: 1 }] : [],
    technique: given.technique,
    ...plainStep,
    ...given.some,
  }
}
