import { instant, type BatchTimes, type PlanningInput, type Progress, type Project } from '@seriatim/core'
import { useMemo } from 'react'
import { useNow } from '../use-now.ts'

const freshFor = 10 * 60 * 1000

/**
 * What the planner needs, made anew when the project, its progress or the times change, and every ten minutes
 * otherwise: a plan that follows every second could not be read. `effort` as the planner takes it.
 */
export function usePlanningInput(
  project: Project,
  progress: Progress | undefined,
  times: BatchTimes | undefined,
  effort?: number,
): PlanningInput | null {
  const slot = Math.floor(useNow(600) / freshFor)
  return useMemo(
    () =>
      progress && times
        ? { project, progress, times, now: momentIn(slot), ...(effort === undefined ? {} : { effort }) }
        : null,
    [project, progress, times, slot, effort],
  )
}

/** This moment, or the slot's end where the clock is already past it. */
function momentIn(slot: number) {
  return instant(Math.min(Date.now(), (slot + 1) * freshFor))
}
