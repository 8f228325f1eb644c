import { batchTime, type BatchTimes } from '../estimating/index.ts'
import { isOpenHole } from '../progress/index.ts'
import { type Job, type Model, potOf, type Stage } from '../trade/index.ts'
import type { Seconds } from '../units/index.ts'
import type { ModelStanding } from './model-standing.ts'

/** A model that an inspection left as it is, and what it would take to go on with it. */
export interface LaterOnPurpose {
  readonly model: Model
  readonly note: string
  /** Stages it takes that are not done; with a touch-up the word of an inspection no longer stands. */
  readonly stages: readonly Stage[]
  readonly pots: readonly string[]
  /** In hand; set-ups come with each pot. */
  readonly seconds: Seconds
}

export function laterOnPurpose(
  { line }: Pick<Job, 'line'>,
  standings: readonly ModelStanding[],
  times?: BatchTimes,
): readonly LaterOnPurpose[] {
  return standings.flatMap(({ model, unit, holes, inspection }): LaterOnPurpose[] => {
    if (inspection?.verdict !== 'left') return []
    const stages = line.filter((_, place) => {
      const hole = holes[place]
      return hole !== undefined && isOpenHole(hole)
    })
    const seconds = stages.reduce((sum, stage) => sum + batchTime(stage, unit.id, times).secondsPerModel, 0)
    return [
      {
        model,
        note: inspection.note,
        stages,
        pots: [...new Set(stages.map(potOf))],
        seconds: Math.round(seconds) as Seconds,
      },
    ]
  })
}
