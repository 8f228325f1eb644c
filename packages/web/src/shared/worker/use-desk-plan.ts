import type { DeskLaid, FinishForecast, JobForecast, JobLaid } from '@seriatim/core/forecasting'
import type { PlanProblem } from '@seriatim/core/plan'
import { success, type Result } from '@seriatim/core/units'
import { useMemo } from 'react'
import type { DeskWish } from './planner.worker.ts'
import { useWorkedOut } from './use-worked-out.ts'

export type { DeskWish, JobToPlan } from './planner.worker.ts'

/** A job at the desk: how it may go is there as soon as it is drawn. */
export interface JobShown extends JobLaid, Partial<JobForecast> {}

/** A plan of the desk as it is laid, and as soon as it is drawn how it may go. */
export interface DeskShown extends DeskLaid {
  readonly jobs: readonly JobShown[]
  readonly forecast?: FinishForecast
}

/** Several projects planned at one desk; `undefined` until it is laid. @param about tells two questions apart. */
export function useDeskPlan(
  wish: DeskWish | null,
  about: string,
): Result<DeskShown, PlanProblem> | undefined {
  const first = useWorkedOut({
    lane: 'plan',
    name: 'desk laid',
    about,
    inputs: wish ? [wish] : null,
    task: async (planner, turn, pack) => {
      if (!wish) throw new Error('nothing to plan')
      return { of: wish, answer: await planner.layDesk(pack(wish), turn) }
    },
  })
  // While another wish is worked out, the last answer stays in view: nothing is drawn of that again.
  const fresh = first && first.of === wish && first.answer.ok ? first : null
  const drawn = useWorkedOut({
    lane: 'plan',
    name: 'desk drawn',
    about,
    inputs: fresh ? [fresh] : null,
    task: async (planner, turn, pack) => {
      if (!fresh?.answer.ok) throw new Error('nothing to draw')
      return { of: fresh, answer: await planner.drawDesk(pack(fresh.of), fresh.answer.value.of, turn) }
    },
  })
  return useMemo(() => {
    if (!first) return undefined
    if (!first.answer.ok) return first.answer
    const { laid } = first.answer.value
    if (drawn?.of !== first) return success(laid)
    return drawn.answer.ok ? success({ ...laid, ...drawn.answer.value }) : drawn.answer
  }, [first, drawn])
}
