import { isThrough } from './hole-state.ts'
import type { Progress } from './progress.ts'
import { type Batch, type Job, type Stage, takesStage } from '../trade/index.ts'
import { addSeconds, type Instant, type ModelId } from '../units/index.ts'

/** Models of a batch whose coat has to be followed soon: a wash to be wiped, a pool to be mopped. */
export interface ToFollow {
  readonly batch: Batch
  /** What was put on, and what has to follow. */
  readonly stage: Stage
  readonly next: Stage
  readonly modelIds: readonly ModelId[]
  /** By model of these, when it has to be taken up at the latest. */
  readonly untilOf: ReadonlyMap<ModelId, Instant>
  /** When the first of them has to be taken up at the latest. */
  readonly until: Instant
}

/** So long after its limit a coat is as it is, and nobody is reminded any more; seconds. */
const forgottenAfter = 3600
/** What was open for minutes only holds nothing once it is dry: it is done again, and asked about for a week. */
const openForMinutes = { within: 900, forgottenAfter: 7 * 86_400 }

/** What has to be followed soon at `now`, the most pressing first. Goes by the stages that are followed, which are few. */
export function toFollow(
  project: Pick<Job, 'line'>,
  batches: readonly Batch[],
  progress: Progress,
  now: Instant,
): readonly ToFollow[] {
  return following(project, batches, progress, (until) => addSeconds(until, forgottenAfter) > now)
}

/** What was open for minutes only, as glue is, and dried before anything followed: it holds nothing, and is to be put on again. */
export function driedOut(
  project: Pick<Job, 'line'>,
  batches: readonly Batch[],
  progress: Progress,
  now: Instant,
): readonly ToFollow[] {
  return following(
    project,
    batches,
    progress,
    (until, within) =>
      within <= openForMinutes.within &&
      addSeconds(until, forgottenAfter) <= now &&
      addSeconds(until, openForMinutes.forgottenAfter) > now,
  )
}

function following(
  { line }: Pick<Job, 'line'>,
  batches: readonly Batch[],
  progress: Progress,
  isMeant: (until: Instant, within: number) => boolean,
): readonly ToFollow[] {
  const followed = line.flatMap((stage, place) =>
    stage.nextWithinSeconds === null ? [] : [{ stage, within: stage.nextWithinSeconds, place }],
  )
  return followed
    .flatMap(({ stage, within, place }) =>
      batches.flatMap((batch): ToFollow[] => {
        const waiting = batch.models.flatMap((model) => {
          const mark = progress.marks.get(model.id)?.get(stage.id)
          if (mark?.kind !== 'punched') return []
          const next = line.slice(place + 1).find((each) => takesStage(each, batch.unitId, model))
          if (!next || isThrough(progress, model.id, next)) return []
          const until = addSeconds(mark.at, within)
          return isMeant(until, within) ? [{ id: model.id, next, until }] : []
        })
        const [first] = waiting.toSorted((a, b) => a.until - b.until)
        if (!first) return []
        const own = waiting.filter(({ next }) => next === first.next)
        const untilOf = new Map(own.map(({ id, until }) => [id, until]))
        return [
          { batch, stage, next: first.next, modelIds: [...untilOf.keys()], untilOf, until: first.until },
        ]
      }),
    )
    .sort((a, b) => a.until - b.until)
}
