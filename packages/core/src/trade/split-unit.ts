import type { ModelId, UnitId } from '../units/index.ts'
import type { Unit } from './job.ts'
import type { Project } from './project.ts'

/**
 * The project with some models of a unit as a unit of their own, right after it: same standard, recipe and stages, and what was
 * done on them stays done.
 * @returns the project itself where all models or none are named.
 */
export function splitUnit<P extends Project>(
  project: P,
  unitId: UnitId,
  modelIds: ReadonlySet<ModelId>,
  own: Pick<Unit, 'id' | 'name'>,
): P {
  const unit = project.units.find(({ id }) => id === unitId)
  const moving = unit?.models.filter(({ id }) => modelIds.has(id)) ?? []
  if (!unit || moving.length === 0 || moving.length === unit.models.length) return project
  const part = (is: boolean): Pick<Unit, 'models' | 'pilot'> => ({
    models: unit.models.filter(({ id }) => modelIds.has(id) === is),
    pilot: unit.pilot.filter((id) => modelIds.has(id) === is),
  })
  const alsoFor = <T extends { readonly unitId: UnitId }>(list: readonly T[]): readonly T[] =>
    list.flatMap((each) => (each.unitId === unitId ? [each, { ...each, unitId: own.id }] : [each]))
  const named = (ids: readonly UnitId[]) => (ids.includes(unitId) ? [...ids, own.id] : ids)
  const batches = project.planning.batches.flatMap((batch) => {
    if (batch.unitId !== unitId) return [batch]
    const stays = batch.modelIds.filter((id) => !modelIds.has(id))
    return stays.length === 0 ? [{ ...batch, unitId: own.id }] : [{ ...batch, modelIds: stays }]
  })
  return {
    ...project,
    units: project.units.flatMap((each) =>
      each === unit
        ? [
            { ...unit, ...part(false) },
            { ...unit, ...own, ...part(true) },
          ]
        : [each],
    ),
    recipes: project.recipes.map((recipe) => ({ ...recipe, unitIds: named(recipe.unitIds) })),
    line: project.line.map((stage) => ({
      ...stage,
      notNeededBy: named(stage.notNeededBy),
      limits: alsoFor(stage.limits),
      typed: alsoFor(stage.typed),
    })),
    planning: { ...project.planning, batches },
  }
}

/** The project with all models of another unit in a unit, which are painted as it is from now on; what was done stays done. */
export function joinUnits<P extends Project>(project: P, unitId: UnitId, otherId: UnitId): P {
  const unit = project.units.find(({ id }) => id === unitId)
  const other = project.units.find(({ id }) => id === otherId)
  if (!unit || !other || unit === other) return project
  const without = (ids: readonly UnitId[]) => ids.filter((id) => id !== otherId)
  const joined: Unit = {
    ...unit,
    models: [...unit.models, ...other.models],
    pilot: [...unit.pilot, ...other.pilot],
    joinedAt: unit.joinedAt?.unitId === otherId ? null : unit.joinedAt,
  }
  return {
    ...project,
    units: project.units.flatMap((each) => {
      if (each === other) return []
      if (each === unit) return [joined]
      return each.joinedAt?.unitId === otherId
        ? [{ ...each, joinedAt: { ...each.joinedAt, unitId } }]
        : [each]
    }),
    recipes: project.recipes.map((recipe) => ({ ...recipe, unitIds: without(recipe.unitIds) })),
    line: project.line.map((stage) => ({
      ...stage,
      notNeededBy: without(stage.notNeededBy),
      limits: stage.limits.filter((each) => each.unitId !== otherId),
      typed: stage.typed.filter((each) => each.unitId !== otherId),
    })),
    planning: {
      ...project.planning,
      batches: project.planning.batches.map((batch) =>
        batch.unitId === otherId ? { ...batch, unitId } : batch,
      ),
    },
  }
}
