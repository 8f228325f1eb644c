import type { Job } from '../trade/index.ts'
import { endOfDay, localDateAt, paintedBy } from '../calendar/index.ts'
import type { LineEstimate } from '../estimating/index.ts'
import type { SolvedLine } from '../plan/index.ts'

import { addDays, addSeconds, type Instant, type StageId } from '../units/index.ts'
import { drawFutures, type Future, type Futures } from './futures.ts'

/** A stage, and how much of the spread of the finish is its own. */
export interface SpreadDriver {
  readonly stageId: StageId
  /** 0 to 1; all stages together give 1. */
  readonly share: number
}

/** How it may go. */
export interface FinishForecast {
  readonly futures: number
  /** Share of futures that meet the date; `null` without a date. */
  readonly odds: number | null
  /** By these moments it is done in 50, 80 and 95 of 100 futures; `null` where that is beyond the calendar. */
  readonly p50: Instant | null
  readonly p80: Instant | null
  readonly p95: Instant | null
  /** The stages whose time moves the finish most, the strongest first. */
  readonly drivers: readonly SpreadDriver[]
  /** Finishes by day from now, for a picture: share of futures done by the end of each. */
  readonly byDay: readonly { readonly until: Instant; readonly share: number }[]
}

export interface ForecastInput {
  readonly solved: SolvedLine
  readonly estimate: LineEstimate
  readonly seed?: number
  readonly futures?: number
  /** Asked now and then; true ends it with the futures drawn so far. */
  readonly stop?: () => boolean
}

const usualFutures = 1000
const mostDays = 400

/** Draws futures of the plan. The same input and seed give the same forecast on every machine. */
export function forecastFinish(input: ForecastInput): FinishForecast {
  return forecastOf(input, drawMany(input))
}

/** When one of several jobs at one desk is done. */
export interface JobForecast {
  /** By then it is done in as many futures as was asked; `null` where that is beyond the calendar. */
  readonly doneBy: Instant | null
  /** Share of futures that meet its date; `null` without one. */
  readonly odds: number | null
}

/**
 * The same for several jobs in one plan, and for each by itself, from the same futures.
 * @param jobs the batches of each, by their place in the plan, and by when it has to be painted.
 * @param confidence the share of futures in which a job is done by its day, 0 to 1.
 */
export function forecastJobs(
  input: ForecastInput,
  jobs: readonly { readonly batches: readonly number[]; readonly due: Instant | null }[],
  confidence = 0.8,
): { readonly whole: FinishForecast; readonly jobs: readonly JobForecast[] } {
  const { now } = input.solved
  const finishes = jobs.map((): number[] => [])
  const drawn = drawMany(input, ({ finish }, { dryAt }) => {
    jobs.forEach(({ batches }, job) => {
      const done = batches.reduce((last, batch) => Math.max(last, dryAt(batch)), 0)
      finishes[job]?.push(Number.isFinite(finish) || batches.length === 0 ? done : Number.POSITIVE_INFINITY)
    })
  })
  return {
    whole: forecastOf(input, drawn),
    jobs: jobs.map(({ due }, job) => {
      const sorted = (finishes[job] ?? []).sort((a, b) => a - b)
      return {
        doneBy: heldBy(sorted, confidence, now),
        odds: due === null ? null : shareUntil(sorted, (due - now) / 1000),
      }
    }),
  }
}

function forecastOf({ solved }: ForecastInput, drawn: readonly Future[]): FinishForecast {
  const finishes = drawn.map((each) => each.finish).sort((a, b) => a - b)
  const painted = paintedBy(solved.wishes, solved.desk)
  const due = painted === null ? null : (painted - solved.now) / 1000
  const at = (share: number) => heldBy(finishes, share, solved.now)
  return {
    futures: drawn.length,
    odds: due === null ? null : shareUntil(finishes, due),
    p50: at(0.5),
    p80: at(0.8),
    p95: at(0.95),
    drivers: driversOf(drawn, solved.work),
    byDay: byDayOf(finishes, solved.now, solved.desk.evenings.timeZone),
  }
}

function drawMany(
  { solved, estimate, seed = 1, futures = usualFutures, stop }: ForecastInput,
  look?: (future: Future, source: Futures) => void,
): readonly Future[] {
  const source = drawFutures(solved, estimate, seed)
  const drawn: Future[] = []
  while (drawn.length < futures) {
    if (drawn.length % 50 === 49 && stop?.() === true) break
    const future = source.next()
    look?.(future, source)
    drawn.push(future)
  }
  return drawn
}

/** The moment by which a share of the futures is done; `null` where that is beyond the calendar. */
function heldBy(sorted: readonly number[], share: number, now: Instant): Instant | null {
  const finish = sorted[Math.ceil(share * sorted.length) - 1] ?? Number.POSITIVE_INFINITY
  return Number.isFinite(finish) ? addSeconds(now, finish) : null
}

function shareUntil(sorted: readonly number[], moment: number): number {
  return sorted.filter((finish) => finish <= moment).length / Math.max(1, sorted.length)
}

/** Covariance of each stage's time with the time at the desk, as a share of their sum; none below nothing. */
function driversOf(drawn: readonly Future[], { line }: Pick<Job, 'line'>): readonly SpreadDriver[] {
  const known = drawn.filter((each) => Number.isFinite(each.finish))
  const mean = (value: (each: Future) => number) =>
    known.reduce((sum, each) => sum + value(each), 0) / Math.max(1, known.length)
  const desk = mean((each) => each.deskSeconds)
  const covariances = line.map((_, index) => {
    const own = mean((each) => each.stageSeconds[index] ?? 0)
    return Math.max(
      0,
      mean((each) => ((each.stageSeconds[index] ?? 0) - own) * (each.deskSeconds - desk)),
    )
  })
  const all = covariances.reduce((sum, each) => sum + each, 0)
  if (all === 0) return []
  return line
    .map((stage, index) => ({ stageId: stage.id, share: (covariances[index] ?? 0) / all }))
    .filter((driver) => driver.share > 0)
    .sort((a, b) => b.share - a.share)
}

function byDayOf(sorted: readonly number[], now: Instant, timeZone: string): FinishForecast['byDay'] {
  const finite = sorted.filter((finish) => Number.isFinite(finish))
  const first = finite[0]
  if (first === undefined) return []
  const last = finite[Math.min(finite.length, Math.ceil(0.99 * sorted.length)) - 1] ?? first
  const dayOf = (finish: number) => localDateAt(addSeconds(now, finish), timeZone)
  const end = dayOf(last)
  const days: { until: Instant; share: number }[] = []
  for (let date = dayOf(first); date <= end && days.length < mostDays; date = addDays(date, 1)) {
    const until = endOfDay(date, timeZone)
    days.push({ until, share: shareUntil(sorted, (until - now) / 1000) })
  }
  return days
}
