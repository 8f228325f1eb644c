import { dryingWait, potOf, type Stage } from '../trade/index.ts'
import { type Progress, stillTacky } from '../progress/index.ts'
import type { Seconds } from '../units/index.ts'

/** The wait that is written counts as so many fingers of its own. */
const writtenCounts = 2

/**
 * The line with its waits as fingers found them, pot by pot: the geometric mean of what is written and of what was felt.
 * A coat found dry after its wait says nothing, since nobody knows how much sooner it was. Without a finger on it a stage
 * is the same object.
 */
export function lineAsFelt(line: readonly Stage[], touches: Progress['touches']): readonly Stage[] {
  if (touches.length === 0) return line
  const potOfStage = new Map(line.map((stage) => [stage.id, potOf(stage)]))
  return line.map((stage) => {
    const written = dryingWait(stage)
    if (written === 0) return stage
    const felt = touches.flatMap(({ stageId, feels, elapsedSeconds }) => {
      if (potOfStage.get(stageId) !== potOf(stage)) return []
      if (feels === 'tacky') return [Math.max(written, stillTacky(elapsedSeconds))]
      return elapsedSeconds < written ? [Math.max(60, elapsedSeconds)] : []
    })
    if (felt.length === 0) return stage
    const sum = felt.reduce((total, seconds) => total + Math.log(seconds / written), 0)
    const factor = Math.exp(sum / (felt.length + writtenCounts))
    const wait = (seconds: Seconds) => Math.round(seconds * factor) as Seconds
    return {
      ...stage,
      dryingMinSeconds: wait(stage.dryingMinSeconds),
      dryingMaxSeconds: wait(stage.dryingMaxSeconds),
    }
  })
}
