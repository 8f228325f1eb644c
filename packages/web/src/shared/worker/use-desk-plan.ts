import type { DeskPlan } from '@seriatim/core/forecasting'
import type { PlanProblem } from '@seriatim/core/plan'
import type { Result } from '@seriatim/core/units'
import type { DeskWish } from './planner.worker.ts'
import { useWorkedOut } from './use-worked-out.ts'

export type { DeskWish, JobToPlan } from './planner.worker.ts'

/** Several projects planned at one desk; `undefined` until it is worked out. @param about tells two questions apart. */
export function useDeskPlan(wish: DeskWish | null, about: string): Result<DeskPlan, PlanProblem> | undefined {
  return useWorkedOut({
    lane: 'plan',
    name: 'desk',
    about,
    inputs: wish ? [wish] : null,
    task: async (planner, turn, pack) => {
      if (!wish) throw new Error('nothing to plan')
      return planner.planDesk(pack(wish), turn)
    },
  })
}
