import type { FinishForecast } from '@seriatim/core/forecasting'
import type { Project } from '@seriatim/core/trade'
import { useEffect, useMemo, useState } from 'react'
import { useEstimateInput, useRoom, useTimes } from './working-project.ts'
import { useForecast, usePlanningInput, type Estimated } from './worker/index.ts'

/** A forecast takes a second or two: it is not made anew with every tap. */
const settlesAfter = 4

/**
 * When the project is done, as every page says it; `null` until it is worked out.
 * @param project with the waits that the air asks for. @param estimated its estimate, as the page has it.
 */
export function useFinish(project: Project, estimated: Estimated | undefined): FinishForecast | null {
  const estimateInput = useEstimateInput(project, estimated?.progress)
  const room = useRoom(project, estimated?.estimate)
  const times = useTimes(estimated?.estimate)
  const input = usePlanningInput(project, estimated?.progress, times, room?.share ?? 0)
  const both = useMemo(
    () => (input && estimateInput ? { input, estimateInput } : null),
    [input, estimateInput],
  )
  const settled = useSettled(both, settlesAfter)
  return useForecast(settled?.input ?? null, settled?.estimateInput)
}

/** A value that has not changed for some seconds; the first one that is there at once. */
function useSettled<Value>(value: Value | null, seconds: number): Value | null {
  const [settled, setSettled] = useState(value)
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), seconds * 1000)
    return () => clearTimeout(timer)
  }, [value, seconds])
  return settled ?? value
}
