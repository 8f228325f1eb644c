import { hereFrom } from '../calendar/index.ts'
import type { Figures } from '../estimating/index.ts'
import { type Desk, deskOf, partsOf, type Project } from '../trade/index.ts'
import type { PlanningInput } from './planning-input.ts'

type OfProject = Pick<PlanningInput, 'work' | 'desk' | 'wishes' | 'hereByUnit'>

/** A project by itself, as its plan is made of it; at its own desk where no other is given. */
export function toPlan(project: Project, desk: Desk = deskOf(project)): OfProject {
  const here = hereFrom(project, desk)
  return {
    ...partsOf(project),
    desk,
    ...(here === null ? {} : { hereByUnit: new Map(project.units.map(({ id }) => [id, here] as const)) }),
  }
}

/** What is asked of a plan beside what it is made of. */
export type PlanWish = Pick<
  PlanningInput,
  'split' | 'teamwork' | 'before' | 'seed' | 'effort' | 'spare' | 'isCalledOff'
>

/** What a project's plan is made of: its figures, and what is wished of this one. */
export function planningOf(figures: Figures, wish: PlanWish = {}, desk?: Desk): PlanningInput {
  const { project, progress, now, times, shelf, noSpray, room } = figures
  return { ...toPlan(project, desk), progress, now, times, shelf, noSpray, room: room.share, ...wish }
}
