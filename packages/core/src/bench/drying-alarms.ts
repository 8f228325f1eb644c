import { type Batch, batchName, type Job } from '../trade/index.ts'
import type { CalendarEntry } from '../calendar/index.ts'
import { dryingShelf, type Progress } from '../progress/index.ts'
import type { Instant } from '../units/index.ts'

/** When what is wet at `now` will be dry, for another calendar to ring; the same one as long as it is the same coat of a batch. */
export function dryingAlarms(
  project: Pick<Job, 'line'>,
  batches: readonly Batch[],
  progress: Progress,
  now: Instant,
): readonly CalendarEntry[] {
  return dryingShelf(project, batches, progress, now).map(({ batch, stage, until }) => ({
    kind: 'dry',
    key: `dry-${batch.id}-${stage.id}`,
    at: until,
    what: `${stage.name}, ${batchName(batch)}`,
  }))
}
