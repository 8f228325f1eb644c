import type { BatchTimes, LineEstimate, Room, WorkLeft } from '@seriatim/core/estimating'
import type { ShownSources } from '../figures.ts'
import { useWorkedOut } from './use-worked-out.ts'

/** What a project's stages take and what is left, with what it was worked out from: newer records may be shown already. */
export interface Estimated {
  readonly sources: ShownSources
  readonly estimate: LineEstimate
  readonly times: BatchTimes
  readonly room: Room
  readonly left: WorkLeft
}

/** Worked out beside the page; the last one stays until the next is there. */
export function useEstimated(sources: ShownSources | undefined): Estimated | undefined {
  return useWorkedOut({
    lane: 'estimate',
    name: 'estimate',
    about: sources?.project.id ?? '',
    inputs: sources ? [sources] : null,
    task: async (planner, _, pack) => {
      if (!sources) throw new Error('nothing to estimate')
      return { sources, ...(await planner.estimate(pack(sources))) }
    },
  })
}
