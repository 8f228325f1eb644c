import type { Commission } from './commission.ts'
import type { Size } from './size.ts'
import type { Stage } from './stage.ts'
import type { Recipe, Standard, Step } from './recipe.ts'
import type { ModelId, ProjectId, StageId, UnitId } from '../units/index.ts'

/** One miniature. */
export interface Model {
  readonly id: ModelId
  readonly name: string
  readonly role: string
  /** Differences in parts and colours: `cloak`, `beard`, `hair 2`. */
  readonly variants: readonly string[]
  readonly points: number
}

/** How much there is on the sculpt. */
export const details = ['plain', 'usual', 'ornate'] as const
export type Detail = (typeof details)[number]

/** Models that play together, in roster order. */
export interface Unit {
  readonly id: UnitId
  readonly name: string
  /** The agreed finish: steps of its recipe that only a higher one needs are left out. */
  readonly standard: Standard
  readonly size: Size
  readonly detail: Detail
  /** Models that share a holder: 1 for a cork each, 5 to 10 on a stick. */
  readonly perHolder: number
  /** Taken down the line first, by themselves, timed and looked at; the unit's reference when they are done. */
  readonly pilot: readonly ModelId[]
  /** Painted apart and joined to the models of another unit at one of their stages: a shared base, a mount. */
  readonly joinedAt: { readonly unitId: UnitId; readonly stageId: StageId } | null
  readonly models: readonly Model[]
}

/** What is painted, for whom and how: no hour, no painter, no batch. */
export interface Job {
  readonly id: ProjectId
  readonly name: string
  /** For whom it is painted; `null`: for the painter's own table. */
  readonly commission: Commission | null
  readonly units: readonly Unit[]
  readonly recipes: readonly Recipe[]
  readonly line: readonly Stage[]
}

/** What of a job a plan is made of; of several planned together it is one. */
export type Work = Pick<Job, 'units' | 'recipes' | 'line'>

/** The stages that models of a unit pass through, in line order. */
export function stagesOf(project: Pick<Job, 'line'>, unitId: UnitId): readonly Stage[] {
  return project.line.filter((stage) => !stage.notNeededBy.includes(unitId))
}

/** Whether a model of the unit takes the stage, as its unit, its role and its variants have it. */
export function takesStage(
  stage: Pick<Stage, 'notNeededBy' | 'limits'>,
  unitId: UnitId,
  model: Pick<Model, 'role' | 'variants'>,
): boolean {
  if (stage.notNeededBy.includes(unitId)) return false
  const limit = stage.limits.find((each) => each.unitId === unitId)
  return !limit || isOneOf(model, limit.roles)
}

/** Whether a model takes a step, as its role and its variants have it. */
export function takesStep(step: Pick<Step, 'roles'>, model: Pick<Model, 'role' | 'variants'>): boolean {
  return step.roles.length === 0 || isOneOf(model, step.roles)
}

/** Whether the model has one of these roles or variants. */
export function isOneOf(model: Pick<Model, 'role' | 'variants'>, roles: readonly string[]): boolean {
  return roles.includes(model.role) || model.variants.some((variant) => roles.includes(variant))
}

export function countModels(project: Pick<Job, 'units'>): number {
  return project.units.reduce((sum, unit) => sum + unit.models.length, 0)
}
