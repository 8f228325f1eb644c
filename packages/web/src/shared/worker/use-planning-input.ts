import type { AirReading } from '@seriatim/contract'
import {
  addSeconds,
  airOfCans,
  instant,
  sprayWindows,
  type Instant,
  type BatchTimes,
  type ProjectToPlan,
  type Progress,
  type Project,
} from '@seriatim/core'
import { useMemo } from 'react'
import { clockNow } from '../clock.ts'
import { useAir, useShelf } from '../api/index.ts'
import { useNow } from '../use-now.ts'

const freshFor = 10 * 60 * 1000
const noReadings: readonly AirReading[] = []

/**
 * What the planner needs, made anew when the project, its progress or the times change, and every ten minutes
 * otherwise: a plan that follows every second could not be read. `room` and `effort` as the planner takes them.
 */
export function usePlanningInput(
  project: Project,
  progress: Progress | undefined,
  times: BatchTimes | undefined,
  room: number,
  effort?: number,
): ProjectToPlan | null {
  const slot = Math.floor(useNow(600) / freshFor)
  const air = useAir()
  const shelf = useShelf().data
  const readings = air.data ?? (air.error ? noReadings : undefined)
  return useMemo(() => {
    if (!progress || !times || !readings || !shelf) return null
    const now = momentIn(slot)
    const noSpray = unfitAir(readings, now)
    const input = { project, progress, times, shelf, now, noSpray, room }
    return effort === undefined ? input : { ...input, effort }
  }, [project, progress, times, shelf, slot, room, effort, readings])
}

/** When the readings, those to come among them, speak against cans. */
function unfitAir(all: readonly AirReading[], now: Instant) {
  const readings = airOfCans(all)
  const last = Math.max(now, ...readings.map((reading) => reading.at))
  return sprayWindows(readings, now, addSeconds(instant(last), 3600))
    .filter((window) => window.against.length > 0)
    .map(({ from, until }) => ({ from, until }))
}

/** This moment, or the slot's end where the clock is already past it. */
function momentIn(slot: number) {
  return instant(Math.min(clockNow(), (slot + 1) * freshFor))
}
