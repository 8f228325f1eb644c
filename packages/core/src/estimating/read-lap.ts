import { type Lap, longestPause } from '../progress/index.ts'
import type { Instant, Seconds } from '../units/index.ts'

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
 * Whether a clock runs on by itself.
 * @param idleSeconds since the last model was marked. @param aModelSeconds what one takes.
 */
export function hasRunOn(idleSeconds: number, aModelSeconds: number): boolean {
  return idleSeconds > forgottenSeconds && idleSeconds > forgottenModels * aModelSeconds
}

/**
 * What the clock of a lap tells of the hand: seconds to the last model where the clock was forgotten after it, else
 * all of them, without the nights that it ran through; and whether the models were ticked off one after the other, not
 * painted.
 * @param expectedSeconds all models of the lap at the preset's pace
 */
export function readLap(
  { startedAt, stoppedAt, done, taps }: Pick<Lap, 'startedAt' | 'stoppedAt' | 'done' | 'taps'>,
  expectedSeconds: number,
): { readonly seconds: Seconds; readonly isTicked: boolean } {
  const expectedAModel = expectedSeconds / Math.max(1, done.length)
  const isTicked = areTicks(taps, expectedAModel)
  const last = taps.at(-1)
  if (last === undefined || last <= startedAt)
    return { seconds: ((stoppedAt - startedAt) / 1000) as Seconds, isTicked }
  const painted = withoutNights(startedAt, taps, expectedAModel)
  const idle = (stoppedAt - last) / 1000
  const isForgotten = hasRunOn(idle, Math.max(painted, expectedSeconds) / Math.max(1, done.length))
  return { seconds: (isForgotten ? painted : painted + idle) as Seconds, isTicked }
}

/**
 * Seconds to the last mark. Where the lid was closed on a running clock, the model marked after it counts as much as the
 * others do on average; models marked together after hours of work were painted in them.
 */
function withoutNights(startedAt: Instant, taps: Lap['taps'], expectedAModel: number): number {
  const steps = taps.map((tap, index) => (tap - (taps[index - 1] ?? startedAt)) / 1000)
  const isNight = steps.map((step, index) => {
    if (step * 1000 <= longestPause) return false
    const others = steps.slice(index + 1).findIndex((next) => next >= leastLap * expectedAModel)
    const markedTogether = others === -1 ? steps.length - index : others + 1
    return step > forgottenModels * expectedAModel * markedTogether
  })
  const days = steps.filter((_, index) => !isNight[index])
  const sum = days.reduce((all, step) => all + step, 0)
  const usual = days.length > 0 ? sum / days.length : expectedAModel
  return sum + usual * (steps.length - days.length)
}

function areTicks(taps: Lap['taps'], expectedAModel: number): boolean {
  const steps = taps.slice(1).map((tap, index) => (tap - (taps[index] ?? tap)) / 1000)
  if (taps.length < fewestTicks) return false
  const mean = steps.reduce((sum, step) => sum + step, 0) / steps.length
  const deviation = Math.sqrt(steps.reduce((sum, step) => sum + (step - mean) ** 2, 0) / steps.length)
  return mean < tickAtMost * expectedAModel && deviation <= mostEven * mean
}
