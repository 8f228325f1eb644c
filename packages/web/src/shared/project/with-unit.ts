import type { Project, Unit } from '@seriatim/core/trade'
import type { UnitId } from '@seriatim/core/units'

/** The project with the unit in the place of the one of its id, or last. */
export function withUnit<P extends Project>(project: P, unit: Unit): P {
  const isThere = project.units.some((each) => each.id === unit.id)
  const units = isThere
    ? project.units.map((each) => (each.id === unit.id ? unit : each))
    : [...project.units, unit]
  return { ...project, units }
}

export function withoutUnit<P extends Project>(project: P, id: UnitId): P {
  return { ...project, units: project.units.filter((unit) => unit.id !== id) }
}
