import type { Lap } from '../progress/progress.ts'
import type { Seconds } from '../units/seconds.ts'

/** Under this share of what was expected it was a tick, not a lap (common practice). */
export const leastLap = 0.2

/** Of ticks: so many at least, each under a third of what a model was expected to take, all nearly alike. */
const fewestTicks = 5
const tickAtMost = 1 / 3
/** Deviation over mean. A hand at work never keeps to a tenth from model to model (common practice). */
const mostEven = 0.1

/** A clock still ran when nothing was marked for so long, and for so many times what a model took: it was forgotten. */
const forgottenSeconds = 900
const forgottenModels = 4

/**
 * What the clock of a lap tells of the hand: seconds to the last model where the clock was forgotten after it, else
 * all of them; and whether the models were ticked off one after the other, not painted.
 * @param expectedSeconds all models of the lap at the preset's pace
 */
export function readLap(
  { startedAt, stoppedAt, done, taps }: Pick<Lap, 'startedAt' | 'stoppedAt' | 'done' | 'taps'>,
  expectedSeconds: number,
): { readonly seconds: Seconds; readonly isTicked: boolean } {
  const whole = (stoppedAt - startedAt) / 1000
  const isTicked = areTicks(taps, expectedSeconds / Math.max(1, done.length))
  const last = taps.at(-1)
  if (last === undefined || last <= startedAt) return { seconds: whole as Seconds, isTicked }
  const painted = (last - startedAt) / 1000
  const idle = whole - painted
  const aModel = Math.max(painted, expectedSeconds) / Math.max(1, done.length)
  const isForgotten = idle > forgottenSeconds && idle > forgottenModels * aModel
  return { seconds: (isForgotten ? painted : whole) as Seconds, isTicked }
}

function areTicks(taps: Lap['taps'], expectedAModel: number): boolean {
  const steps = taps.slice(1).map((tap, index) => (tap - (taps[index] ?? tap)) / 1000)
  if (taps.length < fewestTicks) return false
  const mean = steps.reduce((sum, step) => sum + step, 0) / steps.length
  const deviation = Math.sqrt(steps.reduce((sum, step) => sum + (step - mean) ** 2, 0) / steps.length)
  return mean < tickAtMost * expectedAModel && deviation <= mostEven * mean
}
