import type { LinePlan } from '@seriatim/core/plan'
import { useMemo } from 'react'
import type { ShownSources } from './figures.ts'
import { useSettled } from './use-settled.ts'
import { useForecast, usePlanBefore, usePlanShown, type FinishShown } from './worker/index.ts'

/** A forecast takes a second or two: what the page is for comes before it, and it is not made anew with every tap. */
const rests = { atFirst: 1500, later: 4000 }

/**
 * When the project is done, as every page says it; `null` until it is worked out.
 * @param plan the one that the page shows, `null` until it is there; without it the one that is kept with the project.
 */
export function useFinish(sources: ShownSources | undefined, plan?: LinePlan | null): FinishShown | null {
  const kept = usePlanBefore(sources?.project)
  const shown = usePlanShown(sources, plan === undefined ? kept : (plan ?? undefined))
  const settled = useSettled(shown, rests)
  const said = useForecast(settled)
  const isBehind = settled !== shown
  return useMemo(() => said && (isBehind ? { ...said, isFresh: false } : said), [said, isBehind])
}
