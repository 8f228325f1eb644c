import type { Progress } from '../progress/index.ts'
import type { Shelf } from '../recipe/index.ts'
import type { Job, Stage } from '../trade/index.ts'
import type { Instant } from '../units/index.ts'
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
