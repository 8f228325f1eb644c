import type { Project } from '../trade/index.ts'

/**
 * The project as it is to be read: what names a unit, a model or a stage that has left is passed over, and speaks
 * again when that comes back.
 */
export function withoutDangling<P extends Project>(project: P): P {
  const units = new Set<string>(project.units.map((unit) => unit.id))
  const stages = new Set<string>(project.line.map((stage) => stage.id))
  return {
    ...project,
    units: keepSame(project.units, (unit) => {
      const models = new Set<string>(unit.models.map((model) => model.id))
      const pilot = keepKnown(unit.pilot, (id) => models.has(id))
      const { joinedAt } = unit
      const isJoined = joinedAt !== null && units.has(joinedAt.unitId) && stages.has(joinedAt.stageId)
      if (pilot === unit.pilot && (joinedAt === null || isJoined)) return unit
      return { ...unit, pilot, joinedAt: isJoined ? joinedAt : null }
    }),
    recipes: keepSame(project.recipes, (recipe) => {
      const unitIds = keepKnown(recipe.unitIds, (id) => units.has(id))
      return unitIds === recipe.unitIds ? recipe : { ...recipe, unitIds }
    }),
    line: keepSame(project.line, (stage) => {
      const notNeededBy = keepKnown(stage.notNeededBy, (id) => units.has(id))
      const limits = keepKnown(stage.limits, ({ unitId }) => units.has(unitId))
      const typed = keepKnown(stage.typed, ({ unitId }) => units.has(unitId))
      const isSame = notNeededBy === stage.notNeededBy && limits === stage.limits && typed === stage.typed
      return isSame ? stage : { ...stage, notNeededBy, limits, typed }
    }),
  }
}

/** The list with each entry looked at; the same list where nothing changed. */
function keepSame<T>(list: readonly T[], look: (each: T) => T): readonly T[] {
  const next = list.map(look)
  return next.every((each, index) => each === list[index]) ? list : next
}

function keepKnown<T>(list: readonly T[], isKnown: (each: T) => boolean): readonly T[] {
  return list.every(isKnown) ? list : list.filter(isKnown)
}
