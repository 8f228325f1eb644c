import { outcomeOf, type LinePlan } from '@seriatim/core/plan'
import type { Progress } from '@seriatim/core/progress'
import { useInView } from 'react-intersection-observer'
import type { ShownSources } from '../../shared/figures.ts'
import { Later } from '../../shared/later.tsx'
import { largestBatchSize } from '@seriatim/core/trade'
import { useCurrentProject } from '../../shared/project/index.ts'
import { useBatchSizeComparison } from '../../shared/worker/index.ts'
import { useBatchSize } from './use-batch-size.ts'

/** Charts are fetched when they are wanted. */
const loadChart = () => import('./BatchSizeChart.tsx')

/** How the batch sizes compare, and the one that is chosen; worked out when somebody comes to see it. */
export function BatchSizeControl({
  sources,
  plan,
  chosen,
  progress,
}: {
  readonly sources: ShownSources | null
  readonly plan: LinePlan
  readonly chosen: string
  readonly progress: Progress | undefined
}) {
  const { ref, inView } = useInView({ triggerOnce: true, rootMargin: '300px' })
  const tried = useBatchSizeComparison(inView ? sources : null)
  // The size in use has the figures of the plan on this page, which was searched for longer than the others.
  const project = useCurrentProject()
  const { firstBatch } = project
  const inUse = { batchSize: Math.min(project.batchSize, largestBatchSize(project)), firstBatch }
  const outcomes = tried.outcomes.map((each) => (each.split === chosen ? outcomeOf(plan, inUse) : each))
  const comparison = { ...tried, outcomes }
  const setBatchSize = useBatchSize(project, plan, progress)
  return (
    <section ref={ref} aria-label="Batch sizes compared" className="min-h-96">
      {inView ? (
        <Later load={loadChart} name="The chart of batch sizes">
          {({ BatchSizeChart }) => (
            <BatchSizeChart
              comparison={comparison}
              project={project}
              chosen={chosen}
              onChoose={({ batchSize, firstBatch, split }) =>
                setBatchSize({ batchSize, firstBatch }, `Batches of ${split}.`)
              }
            />
          )}
        </Later>
      ) : null}
    </section>
  )
}
