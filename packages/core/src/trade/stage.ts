import type { Technique } from './technique.ts'
import type { StepRef } from './recipe.ts'
import type { RecipeId, Seconds, StageId, StepId, UnitId } from '../units/index.ts'
import type { Caution } from './cautions.ts'
import type { Regions } from './regions.ts'

/** What a stage's material lands on. The base is a region of its own, named by its own kind. */
export type Touch =
  | { readonly kind: 'whole' }
  | { readonly kind: 'regions'; readonly regions: readonly string[] }
  | { readonly kind: 'base' }

/** What somebody expects of one model of a unit at a stage. */
export interface TypedTime {
  readonly unitId: UnitId
  readonly bestSeconds: Seconds
  readonly likelySeconds: Seconds
  readonly worstSeconds: Seconds
}

/** One stop on the assembly line: one material put on every model that takes it. */
export interface Stage {
  readonly id: StageId
  readonly name: string
  readonly material: string
  readonly touch: Touch
  /** As written on the stage; the recipe's own steps are estimated anew for every unit. */
  readonly handsOnSecondsPerModel: Seconds
  readonly setUpSeconds: Seconds
  readonly dryingMinSeconds: Seconds
  readonly dryingMaxSeconds: Seconds
  /** The next stage has to begin on a model so soon after this leaves it; `null`: any time. */
  readonly nextWithinSeconds: Seconds | null
  /** Units whose models pass this stage by. */
  readonly notNeededBy: readonly UnitId[]
  /** Of these units only the models with one of these roles or variants take it. */
  readonly limits: readonly { readonly unitId: UnitId; readonly roles: readonly string[] }[]
  /** A stop line: a model that is through this stage already counts as table-ready. */
  readonly tableReady: boolean
  readonly cautions: readonly Caution[]
  readonly note: string
  /** What the hand does; `null` where the recipe says it, or nobody did. */
  readonly technique: Technique | null
  /** Where somebody knows better, for the models of a unit: minutes of a model, handling in them. */
  readonly typed: readonly TypedTime[]
  /** The recipe steps it carries out; none for a stage written by hand. */
  readonly steps: readonly StepRef[]
}

/** The stages that carry out steps of a recipe, by step. */
export function stagesByStep(line: readonly Stage[], recipeId: RecipeId): ReadonlyMap<StepId, Stage> {
  return new Map(
    line.flatMap((stage) =>
      stage.steps.flatMap((step) => (step.recipeId === recipeId ? [[step.stepId, stage] as const] : [])),
    ),
  )
}

/** The wait the plan uses: the middle of the range, to the nearest second. */
export function dryingWait(stage: Pick<Stage, 'dryingMinSeconds' | 'dryingMaxSeconds'>): Seconds {
  return Math.round((stage.dryingMinSeconds + stage.dryingMaxSeconds) / 2) as Seconds
}

/** The regions a stage touches, in lower case without outer spaces; `'whole'` touches all of them. */
export function touchedRegions(touch: Touch): Regions<string> {
  switch (touch.kind) {
    case 'whole':
      return 'whole'
    case 'base':
      return ['base']
    case 'regions':
      return touch.regions.map((region) => region.trim().toLowerCase())
  }
}

/** Stages with the same pot need no new set-up in between; a stage without a material is its own pot. */
export function potOf(stage: Pick<Stage, 'id' | 'material'>): string {
  return stage.material.trim().toLowerCase() || stage.id
}
