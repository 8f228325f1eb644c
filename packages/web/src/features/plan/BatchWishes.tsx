import { noBatchWish, type LinePlan } from '@seriatim/core/plan'
import type { Progress } from '@seriatim/core/progress'
import { largestBatchSize } from '@seriatim/core/trade'
import { useCurrentProject, useSettings } from '../../shared/project/index.ts'
import { Stepper } from '../../shared/ui/index.ts'
import { useBatchSize } from './use-batch-size.ts'

interface BatchWishesProps {
  readonly plan: LinePlan
  readonly progress: Progress | undefined
}

/** How many models at most go together, and how many batches are begun at once. */
export function BatchWishes({ plan, progress }: BatchWishesProps) {
  const project = useCurrentProject()
  const setSettings = useSettings()
  const setBatchSize = useBatchSize(project, plan, progress)
  const largest = largestBatchSize(project)
  const batches = plan.batches.length
  const together = Math.min(project.batchSize, largest)
  const inHand = Math.min(project.batchesInHand ?? batches, batches)
  return (
    <div className="flex flex-wrap gap-2">
      <Stepper
        label="Together"
        value={together}
        min={1}
        max={largest}
        valueText={together === largest ? 'any' : String(together)}
        onChange={(value) =>
          setBatchSize(
            { batchSize: value === largest ? noBatchWish(project).batchSize : value, firstBatch: null },
            '',
          )
        }
      />
      <Stepper
        label="At once"
        value={inHand}
        min={1}
        max={batches}
        valueText={inHand >= batches ? 'any' : String(inHand)}
        onChange={(value) => setSettings({ batchesInHand: value >= batches ? null : value }, '')}
      />
    </div>
  )
}
