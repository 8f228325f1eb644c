import type { AirReading, StoredProject } from '@seriatim/contract'
import { unfitForCans } from '@seriatim/core/air'
import type { BatchTimes } from '@seriatim/core/estimating'
import type { ProjectToPlan } from '@seriatim/core/plan'
import type { Progress } from '@seriatim/core/progress'
import type { Project } from '@seriatim/core/trade'
import { instant } from '@seriatim/core/units'
import { useMemo } from 'react'
import { clockNow } from '../clock.ts'
import { useAir, useShelf } from '../api/index.ts'
import { useNow } from '../use-now.ts'

const freshFor = 10 * 60 * 1000
const noReadings: readonly AirReading[] = []

/** With the revision of a project that somebody keeps. */
export type RevisedProject = Project & Partial<Pick<StoredProject, 'revision'>>

export interface PlanInput extends ProjectToPlan {
  readonly project: RevisedProject
}

/**
 * What the planner needs, made anew when the project, its progress or the times change, and every ten minutes
 * otherwise: a plan that follows every second could not be read. `room` and `effort` as the planner takes them.
 */
export function usePlanningInput(
  project: RevisedProject,
  progress: Progress | undefined,
  times: BatchTimes | undefined,
  room: number,
  effort?: number,
): PlanInput | null {
  const slot = Math.floor(useNow(600) / freshFor)
  const air = useAir()
  const shelf = useShelf().data
  const readings = air.data ?? (air.error ? noReadings : undefined)
  return useMemo(() => {
    if (!progress || !times || !readings || !shelf) return null
    const now = momentIn(slot)
    const noSpray = unfitForCans(readings, now)
    const input = { project, progress, times, shelf, now, noSpray, room }
    return effort === undefined ? input : { ...input, effort }
  }, [project, progress, times, shelf, slot, room, effort, readings])
}

/** This moment, or the slot's end where the clock is already past it. */
function momentIn(slot: number) {
  return instant(Math.min(clockNow(), (slot + 1) * freshFor))
}
