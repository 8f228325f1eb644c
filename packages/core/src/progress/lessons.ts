import type { Job } from '../trade/job.ts'
import { potOf } from '../trade/stage.ts'
import type { StageId } from '../units/ids.ts'
import type { Instant } from '../units/instant.ts'
import { slipText } from './hole-state.ts'
import type { Progress } from './progress.ts'

/** Something that was noted at a stage and is worth knowing the next time. */
export interface Lesson {
  readonly at: Instant
  readonly stageId: StageId
  readonly kind: 'said' | 'missed' | 'used'
  readonly text: string
  /** How often the same was noted of this pot. */
  readonly times: number
}

/**
 * What pilots were judged, slips and other paints were noted with, by pot: the same words on one pot are one lesson. What was
 * noted most comes first, then the newest.
 */
export function lessonsOf({ line }: Pick<Job, 'line'>, progress: Progress): readonly Lesson[] {
  const potOfStage = new Map(line.map((stage) => [stage.id, potOf(stage)]))
  const lessons = new Map<string, Lesson>()
  const note = (kind: Lesson['kind'], at: Instant, stageId: StageId, text: string) => {
    const pot = potOfStage.get(stageId)
    if (text === '' || pot === undefined) return
    const key = `${kind} ${pot} ${text.toLowerCase()}`
    const known = lessons.get(key)
    const newest = !known || at >= known.at ? { at, stageId } : { at: known.at, stageId: known.stageId }
    lessons.set(key, { ...newest, kind, text, times: (known?.times ?? 0) + 1 })
  }
  for (const { at, stageId, note: text } of progress.judgements) note('said', at, stageId, text)
  for (const slip of progress.slips) note('missed', slip.at, slip.stageId, slipText(slip))
  for (const { at, stageId, note: text } of progress.used) note('used', at, stageId, text)
  return [...lessons.values()].sort((a, b) => b.times - a.times || b.at - a.at)
}
