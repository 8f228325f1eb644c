import type { LocalDate, MaterialId, RecipeId, Seconds, StepId, UnitId } from '../units/index.ts'
import type { RuleId } from './rule-id.ts'
import type { Size } from './size.ts'
import type { Technique } from './technique.ts'

/** What a region is made to look like; schools choose materials by it. */
export const finishes = [
  'skin',
  'hair',
  'cloth',
  'leather',
  'wood',
  'metal',
  'bone',
  'hide',
  'plate',
  'glass',
  'eye',
  'base',
] as const

export type Finish = (typeof finishes)[number]

/** A part of the model with one finish. Its name is its identity within a recipe. */
export interface Region {
  readonly name: string
  readonly finish: Finish
  /** Share of the model's surface, 0 to 1; that of a base is in the same measure, on top. */
  readonly areaShare: number
  /** Small parts to pick out one by one. */
  readonly parts: number
  readonly neighbours: readonly string[]
  /** 0 lies on the outside; higher is deeper and harder to reach later. */
  readonly depth: number
  /** Left without a step of its own on purpose: primer, stain or wash is its finish. */
  readonly bare: boolean
  /** The sub-assembly it is painted on, by name, joined later; empty for the model itself. */
  readonly apart: string
  /** Where a colour is easily missed on it, as the painter has it; left out: as its finish and its place have it. */
  readonly hides?: readonly string[] | undefined
}

/** What is painted apart, at a size of its own. */
export interface SubAssembly {
  /** As `apart` of its regions has it. */
  readonly name: string
  readonly size: Size
  /** So many on one model: a crew of three. */
  readonly count: number
}

/** The agreed finish, from the least on. */
export const standards = ['three-colour', 'tabletop', 'tabletop plus', 'display'] as const

export type Standard = (typeof standards)[number]

/** The standard from which a model counts as table-ready. */
export const tableReadyStandard: Standard = 'tabletop'

/** One material or several stirred together, by parts; none for work without material. */
export type Mix = readonly { readonly materialId: MaterialId; readonly parts: number }[]

interface SpraySettings {
  readonly from: 'all round' | 'above' | 'below'
  readonly bar: number | null
  readonly nozzleMm: number | null
  /** Parts of thinner to one of paint. */
  readonly thinning: number | null
}

/** Another way to do the same step; the batch decides which is quicker. */
interface StepMode {
  readonly technique: Technique
  readonly setUpSeconds: Seconds
}

/** How much of its regions a step takes, from all of them to dabs: tips, tops, a line at the hem. */
export const extents = ['all of it', 'most', 'half', 'a third', 'dabs'] as const

export type Extent = (typeof extents)[number]

/** One material put on with one technique. */
export interface Step {
  readonly id: StepId
  /** Regions by name; `'whole'` is every region with the base, but for those of `except`. */
  readonly on: 'whole' | readonly string[]
  /** All over but these regions, by name; empty unless `on` is `'whole'`. */
  readonly except: readonly string[]
  readonly mix: Mix
  readonly technique: Technique
  /** Less hides nothing completely. */
  readonly extent: Extent
  /** The painter wants it, whatever it shows for its minutes. */
  readonly matters: boolean
  readonly coats: number
  /** So many decals, chips, dots or studs by themselves; `null` where regions say how much there is. */
  readonly count: number | null
  readonly note: string
  /** The least standard that needs it; below, it is left out. */
  readonly standard: Standard
  /** Only models with one of these roles or variants; empty for all. */
  readonly roles: readonly string[]
  /** Steps of one group are done wet-in-wet, model by model. */
  readonly wetGroup: string | null
  /** Longer or shorter than the material says; `null` as the material says. */
  readonly dryingSeconds: { readonly min: Seconds; readonly max: Seconds } | null
  readonly spray: SpraySettings | null
  readonly otherModes: readonly StepMode[]
  readonly substitutes: readonly MaterialId[]
}

/** Questions on which schools differ; each with its reason in `preferences.ts`. */
export interface Preferences {
  readonly mainColour: 'first' | 'last' | 'either'
  readonly base: 'first' | 'last' | 'meanwhile'
  readonly lightBeforeDark: boolean
  /** Careful throughout, or slop first and let later colours tidy. */
  readonly careful: boolean
}

/** As they are where nobody says otherwise. */
export const plainPreferences: Preferences = {
  mainColour: 'either',
  base: 'meanwhile',
  lightBeforeDark: true,
  careful: false,
}

/** From what is on the model: regions, and for each a stack of layers. */
export interface Recipe {
  readonly id: RecipeId
  readonly name: string
  /** The units painted by it. */
  readonly unitIds: readonly UnitId[]
  readonly school: string
  readonly bodyPlan: string
  readonly regions: readonly Region[]
  /** What of it has a size of its own; the others are as large as the model says. */
  readonly subAssemblies: readonly SubAssembly[]
  /** From the bottom up: of two steps on one region, the first lies below. Apart from that, no order. */
  readonly steps: readonly Step[]
  readonly preferences: Preferences
  /** Rules not to be reported here, and why not. */
  readonly silenced: readonly { readonly rule: RuleId; readonly note: string }[]
  /** Earlier states that were kept, the oldest first. */
  readonly versions: readonly RecipeVersion[]
}

/** A state of a recipe that was kept, to be compared with and gone back to. */
export interface RecipeVersion {
  /** From 1. */
  readonly number: number
  readonly keptOn: LocalDate
  readonly note: string
  readonly regions: readonly Region[]
  readonly steps: readonly Step[]
  readonly preferences: Preferences
}

/** What a step is unless it says otherwise. */
export const plainStep: Omit<Step, 'id' | 'on' | 'mix' | 'technique'> = {
  except: [],
  extent: 'all of it',
  matters: false,
  coats: 1,
  count: null,
  note: '',
  standard: 'tabletop',
  roles: [],
  wetGroup: null,
  dryingSeconds: null,
  spray: null,
  otherModes: [],
  substitutes: [],
}

/** A step of a recipe, as a stage names it. */
export interface StepRef {
  readonly recipeId: RecipeId
  readonly stepId: StepId
}

/** Regions a step lands on, by name. */
export function regionsOfStep(
  recipe: Pick<Recipe, 'regions'>,
  step: Pick<Step, 'on' | 'except'>,
): readonly string[] {
  if (step.on !== 'whole') return step.on
  return recipe.regions.flatMap(({ name }) => (step.except.includes(name) ? [] : [name]))
}

/** So much of the model, its base apart, is what people call all over, where it is most of the regions as well. */
const mostOfSurface = 0.6

/**
 * The step as one would say it: all over but for some, where it lands on most of a model, and by the names of its regions
 * else. Both ways to write the same come to the same.
 */
export function asOneSays<S extends Pick<Step, 'on' | 'except'>>(
  { regions }: Pick<Recipe, 'regions'>,
  step: S,
): S {
  const own = regions.filter(({ name }) => landsOn(step, name))
  const isNamed = step.on !== 'whole'
  if (own.length === 0 || (!isNamed && step.except.length === 0)) return step
  const areaOf = (some: readonly Region[]) =>
    some.reduce((sum, { areaShare, finish }) => sum + (finish === 'base' ? 0 : areaShare), 0)
  const isAllOver = own.length > regions.length / 2 && areaOf(own) >= mostOfSurface * areaOf(regions)
  if (isAllOver === !isNamed) return step
  return isAllOver
    ? { ...step, on: 'whole', except: regions.flatMap(({ name }) => (landsOn(step, name) ? [] : [name])) }
    : { ...step, on: own.map(({ name }) => name), except: [] }
}

export function landsOn(step: Pick<Step, 'on' | 'except'>, region: string): boolean {
  return step.on === 'whole' ? !step.except.includes(region) : step.on.includes(region)
}

export function standardReaches(standard: Standard, wanted: Standard): boolean {
  return standards.indexOf(standard) <= standards.indexOf(wanted)
}
