import { bearableBatch } from '@seriatim/core/plan'
import { useMemo } from 'react'
import { useCurrentFigures } from '../../shared/figures.ts'
import { useNow } from '../../shared/use-now.ts'
import {
  useEstimated,
  useLearntBores,
  usePlan,
  usePlanChanges,
  usePlanShown,
  useRunSheets,
} from '../../shared/worker/index.ts'
import { useKeptPlan } from './use-kept-plan.ts'

/** The plan that the page shows, with what it is read beside: its sheets, yesterday's plan, how long the same is borne. */
export function usePlanSeen() {
  const figures = useCurrentFigures()
  const { project, progress, sources } = figures
  const { estimate, times, room } = useEstimated(sources) ?? {}
  const bearable = useMemo(
    () => (times ? bearableBatch(project, times, project.planning.bores) : null),
    [project, times],
  )
  const planned = usePlan(sources)
  const plan = planned.data?.ok ? planned.data.value : null
  const ready = plan && !planned.isPlaceholderData ? sources : undefined
  // The odds are those of the plan that is shown.
  const shown = usePlanShown(ready, plan ?? undefined)
  const learnt = useLearntBores(sources)
  const now = useNow(60)
  const earlier = useKeptPlan(project, plan, now)
  const sheets = useRunSheets(plan, project)
  const changes = usePlanChanges(earlier, plan, project, progress, now)
  const asked = { estimate, room, bearable, learnt, now }
  return { ...figures, ...asked, planned, plan, ready, shown, sheets, earlier, changes }
}
