import type { Planning } from './planning.ts'
import type { Evenings, Project } from './project.ts'

/** When, by whom and at which stations work is done, whatever the job. */
export interface Desk extends Pick<
  Planning,
  | 'painters'
  | 'teamwork'
  | 'aims'
  | 'sprayPlaces'
  | 'airbrushes'
  | 'rackPlaces'
  | 'sprayHours'
  | 'skipShare'
  | 'bores'
> {
  readonly evenings: Evenings
  /** At most so many batches, of whichever job, are begun and unfinished at a time; `null`: any number. */
  readonly batchesInHand: number | null
}

/** The desk as one job has it. */
export function deskOf({ evenings, batchesInHand, planning }: Project): Desk {
  const { painters, teamwork, aims, sprayPlaces, airbrushes, rackPlaces, sprayHours, skipShare, bores } =
    planning
  return {
    evenings,
    batchesInHand,
    painters,
    teamwork,
    aims,
    sprayPlaces,
    airbrushes,
    rackPlaces,
    sprayHours,
    skipShare,
    bores,
  }
}

/** The job with the hours, people and stations of a desk. */
export function atDesk(project: Project, desk: Desk): Project {
  const { evenings, batchesInHand, ...rest } = desk
  return { ...project, evenings, batchesInHand, planning: { ...project.planning, ...rest } }
}
