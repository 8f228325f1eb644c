import { lineNow } from '@seriatim/core/air'
import {
  broughtObservations,
  roomFor,
  timesOf,
  type BatchTimes,
  type EstimateInput,
  type LineEstimate,
  type PaceObservation,
  type Room,
} from '@seriatim/core/estimating'
import type { Progress } from '@seriatim/core/progress'
import type { Shelf } from '@seriatim/core/recipe'
import { type Project, partsOf } from '@seriatim/core/trade'
import { instant, type Instant } from '@seriatim/core/units'
import { useMemo } from 'react'
import { useAir, useHand, useShelf } from './api/index.ts'
import { useProgress } from './progress/index.ts'
import { useNow } from './use-now.ts'
import { useLineEstimate, type Estimated } from './worker/index.ts'

const noObservations: readonly PaceObservation[] = []
/** Gaps and air are taken to the end of these minutes: nothing here is to follow every second. */
const slotSeconds = 600

const emptyShelf: Shelf = new Map()

/** The end of the ten minutes that are running. */
export function useSlotEnd(): Instant {
  const step = slotSeconds * 1000
  return instant((Math.floor(useNow(slotSeconds) / step) + 1) * step)
}

/** The painter's hand as other projects and brought rates know it; `undefined` while that is on its way. */
function useKnownPace(project: Pick<Project, 'id'>): readonly PaceObservation[] | undefined {
  const hand = useHand(project.id)
  return useMemo(() => {
    if (hand.data)
      return [
        ...broughtObservations(hand.data.brought),
        ...hand.data.elsewhere.flatMap((each) => each.observations),
      ]
    return hand.error ? noObservations : undefined
  }, [hand.data, hand.error])
}

/** What every stage takes on every unit, made anew with each lap; `undefined` until all it needs is there. */
export function useEstimate(project: Project, progress: Progress | undefined): LineEstimate | undefined {
  return useEstimated(project, progress)?.estimate
}

/** The same with the progress it was made with, for what is to follow from both. */
export function useEstimated(project: Project, progress: Progress | undefined): Estimated | undefined {
  return useLineEstimate(useEstimateInput(project, progress))
}

/** What an estimate is made from. */
export function useEstimateInput(
  project: Project,
  progress: Progress | undefined,
): EstimateInput | undefined {
  const shelf = useShelf()
  const known = useKnownPace(project)
  const now = useSlotEnd()
  return useMemo(() => {
    if (!progress || !shelf.data || !known) return undefined
    return { project, shelf: shelf.data, progress, now, known }
  }, [project, progress, shelf.data, known, now])
}

/** The times the planner works with. */
export function useTimes(estimate: LineEstimate | undefined): BatchTimes | undefined {
  return useMemo(() => (estimate ? timesOf(estimate) : undefined), [estimate])
}

/** What plans leave free of each session. */
export function useRoom(project: Project, estimate: LineEstimate | undefined): Room | undefined {
  return useMemo(() => (estimate ? roomFor(partsOf(project), estimate) : undefined), [project, estimate])
}

/** The project with the waits that the air at the desk asks for, and that fingers on coats have found. */
export function useProjectInAir<P extends Project>(project: P): P {
  const shelf = useShelf()
  const air = useAir()
  const now = useSlotEnd()
  const touches = useProgress(project.id).progress?.touches
  return useMemo(() => {
    const line = lineNow(
      project,
      shelf.data ?? emptyShelf,
      (shelf.data && air.data) ?? [],
      touches ?? [],
      now,
    )
    return line === project.line ? project : { ...project, line: [...line] }
  }, [project, shelf.data, air.data, now, touches])
}
