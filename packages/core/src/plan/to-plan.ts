import { hereFrom } from '../calendar/due.ts'
import type { Desk } from '../trade/desk.ts'
import { deskOf, partsOf, type Project } from '../trade/project.ts'
import type { PlanningInput } from './plan-line.ts'

type OfProject = Pick<PlanningInput, 'work' | 'desk' | 'wishes' | 'hereByUnit'>

/** A project by itself, at its own desk, and what else its plan is made of. */
export interface ProjectToPlan extends Omit<
  PlanningInput,
  keyof OfProject | 'dueByUnit' | 'jobByUnit' | 'batches'
> {
  readonly project: Project
}

/** A project by itself, as its plan is made of it; at its own desk where no other is given. */
export function toPlan(project: Project, desk: Desk = deskOf(project)): OfProject {
  const here = hereFrom(project, desk)
  return {
    ...partsOf(project),
    desk,
    ...(here === null ? {} : { hereByUnit: new Map(project.units.map(({ id }) => [id, here] as const)) }),
  }
}
