import type { PlanWish } from '@seriatim/core/plan'
import type { ProjectId } from '@seriatim/core/units'
import { useMemo } from 'react'
import type { ShownSources } from '../figures.ts'

/** A plan that is shown, and what it was made of: odds are drawn of it, and what could be otherwise is held against it. */
export interface PlanShown {
  readonly sources: ShownSources
  /** Whose futures are drawn; `null`: one is found. */
  readonly plan: PlanWish['before'] | null
}

/** What goes on as planned is drawn anew so seldom, in milliseconds. */
const drawnAnewAfter = 3_600_000

const drawn = new Map<ProjectId, PlanShown>()

/** Says whose futures are known. */
export function isDrawn(shown: PlanShown): void {
  drawn.set(shown.sources.project.id, shown)
}

/**
 * The plan to show the odds of; `null` while something is missing. While nothing has really changed it is the one whose odds are
 * known: a tick as planned, or the clock by itself, draws nothing anew.
 */
export function usePlanShown(
  sources: ShownSources | undefined,
  plan: PlanShown['plan'] | undefined,
): PlanShown | null {
  return useMemo(() => {
    if (!sources || plan === undefined) return null
    const shown = { sources, plan }
    const before = drawn.get(sources.project.id)
    return before && goesOnAsPlanned(before, shown) ? before : shown
  }, [sources, plan])
}

/** Whether the later one is what was expected of the earlier: of the same project and pace, and its plan still holds. */
export function goesOnAsPlanned(before: PlanShown, now: PlanShown): boolean {
  const [then, since] = [before.sources, now.sources]
  const [promised, kept] = [before.plan?.asFound, now.plan?.asFound]
  return (
    then.project === since.project &&
    then.shelf === since.shelf &&
    then.readings === since.readings &&
    then.known === since.known &&
    promised?.finishesAt !== undefined &&
    promised.finishesAt === kept?.finishesAt &&
    promised.exposedSeconds === kept.exposedSeconds &&
    (then.progress === since.progress || since.clock - then.clock < drawnAnewAfter)
  )
}
