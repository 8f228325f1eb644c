import { hasBatchWish, noBatchWish, priceOfWish, type LinePlan, type WishPrice } from '@seriatim/core/plan'
import { largestBatchSize, type Project } from '@seriatim/core/trade'
import type { ShownSources } from '../../shared/figures.ts'
import { durationText, plural } from '../../shared/format/index.ts'
import { useCurrentProject } from '../../shared/project/index.ts'
import { Button } from '../../shared/ui/index.ts'
import { usePlanWithoutWish } from '../../shared/worker/index.ts'
import { useBatchSize } from './use-batch-size.ts'

/** What the wish about the batches costs against what the plan would do without, as soon as that is a day or a good bit of work. */
export function BatchWishPrice({
  plan,
  sources,
}: {
  readonly plan: LinePlan
  readonly sources: ShownSources | null
}) {
  const project = useCurrentProject()
  const setWish = useBatchSize(project, plan, sources?.progress)
  const without = usePlanWithoutWish(hasBatchWish(project) ? sources : null)
  const price = without && priceOfWish(plan, without, project.evenings.timeZone)
  if (!price) return null
  return (
    <div
      role="status"
      className="ticket mb-4 flex flex-wrap items-center gap-x-4 gap-y-1 border-l-8 border-l-hands px-4 py-1"
    >
      <p className="grow">
        {wishText(project)} costs <b className="figures">{priceText(price)}</b>.
      </p>
      <Button
        weight="quiet"
        onClick={() => setWish(noBatchWish(project), 'The plan decides who goes together.')}
      >
        Let the plan decide
      </Button>
    </div>
  )
}

/** `At most 6 together and 3 batches at once`. */
function wishText(project: Project): string {
  const { batchSize, firstBatch, batchesInHand } = project
  const parts = [
    ...(batchSize < largestBatchSize(project) ? [`${String(batchSize)} together`] : []),
    ...(firstBatch === null ? [] : [`${String(firstBatch)} first`]),
    ...(batchesInHand === null ? [] : [`${plural(batchesInHand, 'batch', 'batches')} at once`]),
  ]
  return `At most ${parts.join(' and ')}`
}

function priceText({ days, handsOnSeconds, potOpenings }: WishPrice): string {
  const parts = [
    ...(days > 0 ? [plural(days, 'day')] : []),
    ...(handsOnSeconds >= 60 ? [`${durationText(handsOnSeconds)} of work`] : []),
    ...(potOpenings > 0 ? [`${plural(potOpenings, 'pot')} more to open`] : []),
  ]
  return parts.join(', ')
}
