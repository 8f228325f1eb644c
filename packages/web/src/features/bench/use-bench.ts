import { sittingNow } from '@seriatim/core/bench'
import { clockOf, type Feel, type Progress } from '@seriatim/core/progress'
import type { Stage } from '@seriatim/core/trade'
import { instant, type ModelId } from '@seriatim/core/units'
import { useCallback, useMemo, useState } from 'react'
import { useCurrentPlan } from '../../shared/current-plan.ts'
import { usePainterHere } from '../../shared/device.ts'
import { finishText, lastCoatText } from '../../shared/finish-text.ts'
import { useRecorder } from '../../shared/progress/index.ts'
import { useFinish } from '../../shared/use-finish.ts'
import { useNowOf } from '../../shared/use-now.ts'
import { quickEffort, usePlannedBatches } from '../../shared/worker/index.ts'
import { useBenchActions } from './use-bench-actions.ts'
import { useBenchTask } from './use-bench-task.ts'
import { useDrying } from './use-drying.ts'
import { useWent } from './use-went.ts'

/** All that stands on the bench: what to do now, whose clock runs, what dries, how the session goes. */
export function useBench(progress: Progress) {
  // The first plan is quick as well: what comes next matters more here than the last set-up saved.
  const current = useCurrentPlan({ effort: quickEffort })
  const { project, sources, estimate, times, left, plan, isPlanned } = current
  const painter = usePainterHere(project)
  const recorder = useRecorder(project, times)
  // A clock of before painters were told apart is the first painter's.
  const clock =
    clockOf(progress, painter) ??
    (painter === project.planning.painters[0]?.id ? clockOf(progress, null) : null)
  // Coats that came dry here or were felt: what changes by the clock alone is looked at when it does.
  const [dried, setDried] = useState(0)
  const onDry = useCallback(() => setDried((count) => count + 1), [])
  const stripsNow = useNowOf(dried, 30)
  const now = instant(Math.max(useNowOf(progress, 30), stripsNow))
  const batches = usePlannedBatches(project, plan)
  const drying = useDrying(project, batches, progress, now)
  const { settled } = drying
  const sitting = useMemo(
    () => plan && sittingNow(project, settled.progress, plan, estimate, painter, settled.now),
    [project, settled, plan, estimate, painter],
  )
  const bench = useBenchTask({
    project,
    batches,
    progress,
    plan,
    isPlanned,
    shelf: drying.shelf,
    painter,
    clock,
    waiting: drying.waiting,
    now,
  })
  const actions = useBenchActions(project, progress, bench.task, recorder, clock)
  const forecast = useFinish(sources, plan)
  const finish = [forecast && plan ? finishText(forecast, project) : null, lastCoatText(project)]
    .flatMap((said) => (said === null ? [] : [`, ${said}`]))
    .join('')
  const feel = ({ stage, modelIds }: Felt, feels: Feel) => {
    recorder.feel(stage.id, modelIds, feels)
    onDry()
  }
  const went = useWent(recorder)
  const shown = { project, estimate, left, plan, isPlanned, painter, recorder, clock, batches, drying }
  return { ...shown, ...bench, stripsNow, sitting, finish, actions, feel, went, onDry }
}

interface Felt {
  readonly stage: Stage
  readonly modelIds: readonly ModelId[]
}
