import { isBegun, type Progress } from '../progress/index.ts'
import { factsOf, type Shelf, type StepFacts } from '../recipe/index.ts'
import {
  isPreparation,
  type Job,
  potOf,
  regionsMeet,
  type Stage,
  stagesOf,
  takesStage,
  touchedRegions,
  type Unit,
} from '../trade/index.ts'
import type { ModelId, StageId } from '../units/index.ts'

type Described = Pick<Job, 'units' | 'recipes' | 'line'>

/** Why models may do without a stage that a change asks of them. */
export type KeepReason =
  /** The same paint lies there already. */
  | 'has-it'
  /** It belongs under what they have. */
  | 'underneath'
  /** They have the stage, as it was before the change. */
  | 'other-paint'

/** A stage that a change asks of models that are begun. */
export interface AskedStage {
  readonly stage: Stage
  readonly models: readonly ModelId[]
  /** `null`: it goes on top of what they have, and is painted. */
  readonly reason: KeepReason | null
}

/** A unit of which some models are begun, and what a change asks of those. */
export interface HalfPainted {
  readonly unit: Unit
  readonly begun: readonly ModelId[]
  /** What lies on how many of them, in the order of the line before. */
  readonly onThem: readonly { readonly stage: Stage; readonly models: readonly ModelId[] }[]
  readonly asked: readonly AskedStage[]
}

const reasons: readonly (KeepReason | null)[] = ['has-it', 'underneath', null]

/**
 * The units that a change catches half-painted where it is in doubt whether all that it asks is meant: a layer that belongs under
 * what is there, that is there already, or that is now of another paint. Units without such a doubt are left out.
 */
export function halfPainted(
  before: Described,
  after: Described,
  progress: Progress,
  shelf: Shelf,
): readonly HalfPainted[] {
  if (before.line === after.line || progress.marks.size === 0) return []
  const [was, is] = [stageFacts(before, shelf), stageFacts(after, shelf)]
  return after.units.flatMap((unit): readonly HalfPainted[] => {
    const models = unit.models.filter(({ id }) => isBegun(progress, id))
    const onThem = before.line.flatMap((stage) => {
      const having = models.filter((model) => isOn(progress, model.id, stage)).map(({ id }) => id)
      return having.length > 0 ? [{ stage, models: having }] : []
    })
    if (onThem.length === 0) return []
    const old = new Set(stagesOf(before, unit.id).map(({ id }) => id))
    const placeOf = new Map(after.line.map((stage, index) => [stage.id, index]))
    const asked = stagesOf(after, unit.id).flatMap((stage): readonly AskedStage[] => {
      const taking = models.filter((model) => takesStage(stage, unit.id, model)).map(({ id }) => id)
      if (old.has(stage.id)) return otherPaint(stage, taking)
      const open = taking.filter((id) => progress.marks.get(id)?.has(stage.id) !== true)
      const byReason = open.map((id) => [reasonFor(stage, id), id] as const)
      return reasons.flatMap((reason) => {
        const ids = byReason.flatMap(([own, id]) => (own === reason ? [id] : []))
        return ids.length > 0 ? [{ stage, models: ids, reason }] : []
      })
    })
    const begun = models.filter(({ id }) => onThem.some((each) => each.models.includes(id)))
    if (asked.every(({ reason }) => reason === null)) return []
    return [{ unit, begun: begun.map(({ id }) => id), onThem, asked }]

    function otherPaint(stage: Stage, taking: readonly ModelId[]): readonly AskedStage[] {
      const having = taking.filter((id) => isOn(progress, id, stage))
      const then = before.line.find(({ id }) => id === stage.id)
      const isOther =
        then && (potOf(then) !== potOf(stage) || techniquesOf(was, then) !== techniquesOf(is, stage))
      return isOther && having.length > 0 ? [{ stage, models: having, reason: 'other-paint' }] : []
    }

    function reasonFor(stage: Stage, id: ModelId): KeepReason | null {
      const done = onThem.filter((each) => each.models.includes(id)).map((each) => each.stage)
      if (done.length === 0) return null
      const same = done.some(
        (each) =>
          potOf(each) === potOf(stage) &&
          techniquesOf(was, each) === techniquesOf(is, stage) &&
          isWithin(stage, each),
      )
      if (same) return 'has-it'
      const facts = is.get(stage.id) ?? []
      const isFirst = facts.some(
        ({ step, material }) => material?.kind === 'primer' || isPreparation(step.technique),
      )
      if (isFirst && done.some((each) => !isPreparationOf(was, each))) return 'underneath'
      const place = placeOf.get(stage.id) ?? 0
      const isUnder = done.some(
        (each) =>
          (placeOf.get(each.id) ?? -1) > place &&
          regionsMeet(touchedRegions(each.touch), touchedRegions(stage.touch)),
      )
      return isUnder ? 'underneath' : null
    }
  })
}

/** What is on the models and would be done again where a stage is painted over: it, and what lies on it. */
export function toPaintOver(
  { line }: Pick<Job, 'line'>,
  progress: Progress,
  { stage, models }: AskedStage,
): readonly { readonly stageId: StageId; readonly models: readonly ModelId[] }[] {
  const from = line.findIndex(({ id }) => id === stage.id)
  return line.slice(Math.max(0, from)).flatMap((each) => {
    if (!regionsMeet(touchedRegions(each.touch), touchedRegions(stage.touch))) return []
    const having = models.filter((id) => isOn(progress, id, each))
    return having.length > 0 ? [{ stageId: each.id, models: having }] : []
  })
}

function isOn({ marks }: Progress, id: ModelId, stage: Stage): boolean {
  const kind = marks.get(id)?.get(stage.id)?.kind
  return kind !== undefined && kind !== 'skipped'
}

type FactsByStage = ReadonlyMap<StageId, readonly StepFacts[]>

function stageFacts({ recipes, line }: Described, shelf: Shelf): FactsByStage {
  const known = new Map(
    recipes.flatMap((recipe) =>
      factsOf(recipe, shelf).map((facts) => [`${recipe.id} ${facts.step.id}`, facts] as const),
    ),
  )
  return new Map(
    line.map((stage) => [
      stage.id,
      stage.steps.flatMap(({ recipeId, stepId }) => known.get(`${recipeId} ${stepId}`) ?? []),
    ]),
  )
}

function techniquesOf(facts: FactsByStage, stage: Stage): string {
  const own = facts.get(stage.id) ?? []
  return [...new Set(own.length > 0 ? own.map(({ step }) => step.technique) : [stage.technique])].join(' ')
}

function isPreparationOf(facts: FactsByStage, stage: Stage): boolean {
  const own = facts.get(stage.id) ?? []
  return own.length > 0 && own.every(({ step }) => isPreparation(step.technique))
}

/** Whether the one touches nothing that the other does not. */
function isWithin({ touch }: Stage, other: Stage): boolean {
  const [inner, outer] = [touchedRegions(touch), touchedRegions(other.touch)]
  if (outer === 'whole') return true
  return inner !== 'whole' && inner.every((region) => outer.includes(region))
}
