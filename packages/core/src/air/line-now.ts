import type { Progress } from '../progress/progress.ts'
import type { Shelf } from '../recipe/step-facts.ts'
import type { Job } from '../trade/job.ts'
import type { Stage } from '../trade/stage.ts'
import type { Instant } from '../units/instant.ts'
import { lineAsFelt } from './felt-waits.ts'
import { airNow, lineInAir, type AirAt } from './line-in-air.ts'

/** The line with the waits that the air at the desk asks for, and that fingers on coats have found. */
export function lineNow(
  job: Pick<Job, 'line' | 'recipes'>,
  shelf: Shelf,
  readings: readonly AirAt[],
  touches: Progress['touches'],
  now: Instant,
): readonly Stage[] {
  return lineAsFelt(lineInAir(job, shelf, airNow(readings, now, 'indoors')), touches)
}
