import type { FinishForecast } from '@seriatim/core/forecasting'
import type { LinePlan } from '@seriatim/core/plan'
import type { Project } from '@seriatim/core/trade'
import { useMemo } from 'react'
import { useSettled } from './use-settled.ts'
import { useEstimateInput, useRoom, useTimes } from './working-project.ts'
import { useForecast, usePlanBefore, usePlanningInput, type Estimated } from './worker/index.ts'

/** A forecast takes a second or two: what the page is for comes before it, and it is not made anew with every tap. */
const rests = { atFirst: 1500, later: 4000 }

/**
 * When the project is done, as every page says it; `null` until it is worked out.
 * @param project with the waits that the air asks for. @param estimated its estimate, as the page has it.
 * @param plan the one that the page shows, `null` until it is there; without it the one that is kept with the project.
 */
export function useFinish(
  project: Project,
  estimated: Estimated | undefined,
  plan?: LinePlan | null,
): FinishForecast | null {
  const estimateInput = useEstimateInput(project, estimated?.progress)
  const room = useRoom(project, estimated?.estimate)
  const times = useTimes(estimated?.estimate)
  const input = usePlanningInput(project, estimated?.progress, times, room?.share ?? 0)
  const kept = usePlanBefore(project)
  const both = useMemo(() => {
    const before = plan === undefined ? kept : (plan ?? undefined)
    if (!input || !estimateInput || before === undefined) return null
    return { input: before ? { ...input, before } : input, estimateInput }
  }, [input, estimateInput, plan, kept])
  const settled = useSettled(both, rests)
  return useForecast(settled?.input ?? null, settled?.estimateInput)
}
