import type { Job } from '../trade/job.ts'
import type { CalendarEntry } from '../calendar/calendar-entries.ts'
import { dryingShelf } from '../progress/drying-shelf.ts'
import type { Progress } from '../progress/progress.ts'
import { batchName, splitIntoBatches, type BatchSplit, type ToSplit } from '../trade/batches.ts'
import type { Instant } from '../units/instant.ts'

/** When what is wet at `now` will be dry, for another calendar to ring; the same one as long as it is the same coat of a batch. */
export function dryingAlarms(
  project: ToSplit & BatchSplit & Pick<Job, 'line'>,
  progress: Progress,
  now: Instant,
): readonly CalendarEntry[] {
  return dryingShelf(project, splitIntoBatches(project, project), progress, now).map(
    ({ batch, stage, until }) => ({
      kind: 'dry',
      key: `dry-${batch.id}-${stage.id}`,
      at: until,
      what: `${stage.name}, ${batchName(batch)}`,
    }),
  )
}
