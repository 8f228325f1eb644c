import type { LinePlan } from '@seriatim/core/plan'
import type { Progress } from '@seriatim/core/progress'
import { createStandings, groupSheet, lateModels } from '@seriatim/core/sheet'
import { useDeferredValue, useMemo, useState } from 'react'
import type { ShownProject } from '../../shared/project/index.ts'
import { useNow } from '../../shared/use-now.ts'
import { usePlannedBatches } from '../../shared/worker/index.ts'
import type { SheetWish } from './SheetControls.tsx'

/** Every model as it stands, grouped and narrowed as is wished. */
export function useSheetRows(project: ShownProject, progress: Progress, plan: LinePlan | null) {
  const now = useNow(10)
  const [standingsOf] = useState(createStandings)
  const standings = useMemo(() => standingsOf(project, progress, now), [standingsOf, project, progress, now])
  const batches = usePlannedBatches(project, plan)
  const late = useMemo(() => lateModels(project, plan), [project, plan])
  const [wish, setWish] = useState<SheetWish>({ by: 'unit', show: 'all', find: '', stageId: null })
  const asked = useDeferredValue(wish)
  const groups = useMemo(() => groupSheet(standings, batches, asked, late), [standings, batches, asked, late])
  return { now, standings, late, groups, wish, setWish }
}
