import type { Bores, Job } from '../trade/index.ts'
import type { Progress } from '../progress/index.ts'
import type { ModelId, Seconds, UnitId } from '../units/index.ts'
import type { ObservedTime } from './observe-times.ts'

/** A limit that the painter's own records speak for. */
interface LearntLimit {
  readonly seconds: Seconds
  /** Runs it was read from, and how many of them broke off. */
  readonly runs: number
  readonly broken: number
}

/** What the records say of how long sameness is borne; `null` where they are too few. */
export type LearntBores = { readonly [limit in keyof Bores]: LearntLimit | null }

/** Work without so long a pause is one sitting. */
const pauseSeconds = 45 * 60
/** A lap that takes so many times as long as the run until then was slowed down by something. */
const slowed = 1.35
const fewestRuns = 8
const fewestBroken = 3
const step = 5 * 60

/** A stretch of the same, and whether the painter broke off or slowed down at its end. */
interface Run {
  readonly seconds: number
  readonly broken: boolean
}

/**
 * How long a painter bears one stage, and one unit, without a change: from where the pace drops within a run and where
 * sittings end with models left. Half the runs have broken by then (product-limit estimate, Kaplan & Meier 1958: runs
 * that ended because the work did only say that it was borne so long), to the nearest five minutes.
 */
export function learnBores(
  project: Pick<Job, 'units'>,
  progress: Pick<Progress, 'laps'>,
  observed: readonly ObservedTime[],
): LearntBores {
  const unitOf = new Map<ModelId, UnitId>(
    project.units.flatMap((unit) => unit.models.map((model) => [model.id, unit.id] as const)),
  )
  const paceOf = new Map(
    observed.flatMap((each) =>
      each.kind === 'lap' && each.silent === null && each.expectedSeconds > 0
        ? [[each.eventId, each.countedSeconds / each.expectedSeconds] as const]
        : [],
    ),
  )
  const laps = progress.laps
    .filter((lap) => lap.done.length > 0)
    .toSorted((a, b) => a.startedAt - b.startedAt)
  const runsOf = (same: (lap: (typeof laps)[number]) => string): readonly Run[] => {
    const runs: Run[] = []
    let at = 0
    while (at < laps.length) {
      const first = laps[at]
      if (!first) break
      let seconds = 0
      let broken = false
      const paces: number[] = []
      let until = at
      for (; until < laps.length; until++) {
        const lap = laps[until]
        if (!lap || same(lap) !== same(first) || (until > at && restBefore(until) > pauseSeconds)) break
        const pace = paceOf.get(lap.eventId)
        if (pace !== undefined && paces.length >= 2 && pace > slowed * mean(paces)) {
          broken = true
          break
        }
        if (pace !== undefined) paces.push(pace)
        seconds += (lap.stoppedAt - lap.startedAt) / 1000
      }
      const last = laps[until - 1]
      const sittingEnds = until < laps.length ? restBefore(until) > pauseSeconds : true
      if (!broken && sittingEnds && last && last.done.length < last.modelIds.length) broken = true
      runs.push({ seconds, broken })
      // What was slowed down goes on as no run of its own.
      while (
        broken &&
        until < laps.length &&
        same(laps[until] ?? first) === same(first) &&
        restBefore(until) <= pauseSeconds
      )
        until += 1
      at = Math.max(until, at + 1)
    }
    return runs
  }
  const restBefore = (index: number) =>
    ((laps[index]?.startedAt ?? 0) - (laps[index - 1]?.stoppedAt ?? 0)) / 1000
  return {
    stageSeconds: limitOf(runsOf((lap) => lap.stageId)),
    unitSeconds: limitOf(
      runsOf((lap) => unitOf.get(lap.done[0] ?? lap.modelIds[0] ?? ('' as ModelId)) ?? ''),
    ),
  }
}

function mean(values: readonly number[]): number {
  return values.reduce((sum, value) => sum + value, 0) / values.length
}

function limitOf(runs: readonly Run[]): LearntLimit | null {
  const broken = runs.filter((run) => run.broken).length
  if (runs.length < fewestRuns || broken < fewestBroken) return null
  const median = productLimitMedian(runs)
  if (median === null) return null
  return { seconds: (Math.max(1, Math.round(median / step)) * step) as Seconds, runs: runs.length, broken }
}

/** The length that half of the runs survive; `null` where more than half outlive all records. */
export function productLimitMedian(runs: readonly Run[]): number | null {
  const sorted = runs.toSorted((a, b) => a.seconds - b.seconds || Number(b.broken) - Number(a.broken))
  let survive = 1
  for (const [index, run] of sorted.entries()) {
    if (!run.broken) continue
    survive *= 1 - 1 / (sorted.length - index)
    if (survive <= 0.5 + 1e-12) return run.seconds
  }
  return null
}
