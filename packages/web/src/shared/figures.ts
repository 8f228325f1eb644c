import { knownPace, type AirReading, type StoredProject } from '@seriatim/contract'
import { Figures, type FigureSources } from '@seriatim/core/estimating'
import type { Progress } from '@seriatim/core/progress'
import type { Project } from '@seriatim/core/trade'
import { instant, type Instant } from '@seriatim/core/units'
import { useMemo } from 'react'
import { useAir, useHand, useShelf } from './api/index.ts'
import { clockNow } from './clock.ts'
import { useCurrentProject, type ShownProject } from './project/index.ts'
import { useProgress } from './progress/index.ts'
import { useNow } from './use-now.ts'

/** With the revision of a project that somebody keeps. */
export interface ShownSources extends FigureSources {
  readonly project: Project & Partial<Pick<StoredProject, 'revision'>>
}

export const noReadings: readonly AirReading[] = []
export const nobodysPace = { brought: [], elsewhere: [] }

/**
 * What a project's figures follow from, and so what every computation beside the page is given; `undefined` until all of it
 * is there. It is another with each record, and every ten minutes: figures do not follow every second.
 */
export function useSources(
  project: ShownSources['project'],
  progress: Progress | undefined,
): ShownSources | undefined {
  const shelf = useShelf().data
  const air = useAir()
  const hand = useHand(project.id)
  const slot = useNow(600)
  const readings = air.data ?? (air.error ? noReadings : undefined)
  const taught = hand.data ?? (hand.error ? nobodysPace : undefined)
  const known = useMemo(() => taught && knownPace(taught, project.id), [taught, project.id])
  return useMemo(() => {
    if (!progress || !shelf || !known || !readings) return undefined
    return { project, progress, shelf, readings, known, clock: momentIn(slot) }
  }, [project, progress, shelf, readings, known, slot])
}

const slotLength = 600_000

/** This moment, or the end of the ten minutes where the clock is already past it. */
export function momentIn(slot: Instant): Instant {
  return instant(Math.min(clockNow(), slot + slotLength - 1))
}

/** The project of this road with what its figures follow from. */
export interface CurrentFigures {
  /** As it is written down: what is edited. */
  readonly written: ShownProject
  /** With the waits that the air at the desk asks for, and that fingers on coats have found. */
  readonly project: ShownProject
  readonly progress: Progress | undefined
  readonly sources: ShownSources | undefined
  readonly error: Error | null
  readonly refetch: () => void
}

export function useCurrentFigures(): CurrentFigures {
  const written = useCurrentProject()
  const { progress, error, refetch } = useProgress(written.id)
  const sources = useSources(written, progress)
  // Only what costs nothing is asked of them here: the rest is worked out beside the page.
  const line = useMemo(() => sources && Figures.of(sources).project.line, [sources])
  const project = useMemo(() => (line ? { ...written, line } : written), [written, line])
  return { written, project, progress, sources, error, refetch: () => void refetch() }
}
