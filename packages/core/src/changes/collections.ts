import type { Planning, Project } from '../trade/index.ts'
import type { Listed, ProjectFields, Thing } from './command.ts'

/** The lists of a project: how to read one, and the project with another in its place. */
interface Collection<T extends Thing> {
  /** The list, or `null` when what it stands in is not there. */
  readonly list: (project: Project, inside: string | null) => readonly Listed[T][] | null
  readonly withList: (project: Project, inside: string | null, list: readonly Listed[T][]) => Project
}

export const collections: { readonly [T in Thing]: Collection<T> } = {
  unit: {
    list: (project) => project.units,
    withList: (project, _, units) => ({ ...project, units }),
  },
  model: {
    list: (project, inside) => project.units.find((unit) => unit.id === inside)?.models ?? null,
    withList: (project, inside, models) => ({
      ...project,
      units: project.units.map((unit) => (unit.id === inside ? { ...unit, models } : unit)),
    }),
  },
  recipe: {
    list: (project) => project.recipes,
    withList: (project, _, recipes) => ({ ...project, recipes }),
  },
  step: {
    list: (project, inside) => project.recipes.find((recipe) => recipe.id === inside)?.steps ?? null,
    withList: (project, inside, steps) => ({
      ...project,
      recipes: project.recipes.map((recipe) => (recipe.id === inside ? { ...recipe, steps } : recipe)),
    }),
  },
  stage: {
    list: (project) => project.line,
    withList: (project, _, line) => ({ ...project, line }),
  },
  painter: {
    list: (project) => project.planning.painters,
    withList: (project, _, painters) => withPlanning(project, { painters }),
  },
  pin: {
    list: (project) => project.planning.pins,
    withList: (project, _, pins) => withPlanning(project, { pins }),
  },
  batch: {
    list: (project) => project.planning.batches,
    withList: (project, _, batches) => withPlanning(project, { batches }),
  },
  holder: {
    list: (project) => project.planning.holders,
    withList: (project, _, holders) => withPlanning(project, { holders }),
  },
}

/** A pin has no id of its own: there is one for a batch at a stage. */
export function idOfThing(thing: Listed[Thing]): string {
  return 'batchId' in thing ? `${thing.batchId} ${thing.stageId}` : thing.id
}

function withPlanning(project: Project, some: Partial<Planning>): Project {
  return { ...project, planning: { ...project.planning, ...some } }
}

/** What a project says of itself, in one record. */
export function projectFields(project: Project): ProjectFields {
  const { id: _id, units: _units, recipes: _recipes, line: _line, planning, ...own } = project
  const { painters: _painters, pins: _pins, batches: _batches, holders: _holders, ...wishes } = planning
  const { name, dueOn, commission, evenings, batchSize, firstBatch, batchesInHand } = own
  return { name, dueOn, commission, evenings, batchSize, firstBatch, batchesInHand, ...wishes }
}

/** The project with one of its own fields set, wherever it is kept. */
export function withProjectField(project: Project, field: keyof ProjectFields, value: unknown): Project {
  return field in project.planning
    ? withPlanning(project, { [field]: value })
    : { ...project, [field]: value }
}
