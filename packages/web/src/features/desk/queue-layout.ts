import { localDateAt } from '@seriatim/core/calendar'
import {
  addDays,
  addSeconds,
  daysBetween,
  type Instant,
  type LocalDate,
  type ProjectId,
} from '@seriatim/core/units'
import type { DeskShown } from '../../shared/worker/index.ts'

/** What one painter does of one job on one day. */
interface QueueBlock {
  /** Days from the first one drawn. */
  readonly day: number
  /** Index into the plan's painters. */
  readonly painter: number
  readonly seconds: number
  /** Seconds of the same job on the same day by painters drawn below it. */
  readonly under: number
}

export interface QueueRow {
  readonly projectId: ProjectId
  readonly blocks: readonly QueueBlock[]
  /** Days from the first one drawn; `null` without a date, or where nothing is left. */
  readonly due: number | null
  /** The day by which it is done as often as was asked; `null` beyond the calendar, where nothing is left, and until it is drawn. */
  readonly doneBy: number | null
  /** Whole days, where that is behind the date. */
  readonly lateDays: number
}

export interface QueueLayout {
  readonly from: LocalDate
  readonly days: number
  readonly rows: readonly QueueRow[]
  /** The most that is done of one job on one day. */
  readonly mostSeconds: number
}

/** Every job as a row of days: who works on it when, its date, and the day it is done by. */
export function layOutQueue(
  { plan, desk, jobs }: DeskShown,
  units: ReadonlyMap<string, ProjectId>,
  now: Instant,
): QueueLayout {
  const { timeZone } = desk.evenings
  const from = localDateAt(now, timeZone)
  const dayOf = (moment: Instant) => daysBetween(from, localDateAt(moment, timeZone))
  const jobOf = new Map(plan.batches.map((batch) => [batch.id, units.get(batch.unitId)]))
  const worked = new Map<ProjectId, Map<number, number[]>>()
  for (const { batchId, painter, startsAt, endsAt } of plan.stretches) {
    const id = jobOf.get(batchId)
    if (id === undefined) continue
    const days = worked.get(id) ?? new Map<number, number[]>()
    worked.set(id, days)
    const day = dayOf(startsAt)
    const byPainter = days.get(day) ?? []
    days.set(day, byPainter)
    byPainter[painter] = (byPainter[painter] ?? 0) + (endsAt - startsAt) / 1000
  }
  let mostSeconds = 0
  let last = 0
  const rows = jobs.map((job): QueueRow => {
    const blocks = [...(worked.get(job.projectId) ?? [])].flatMap(([day, byPainter]) => {
      let under = 0
      return byPainter.flatMap((seconds, painter) => {
        if (!seconds) return []
        const block = { day, painter, seconds, under }
        under += seconds
        mostSeconds = Math.max(mostSeconds, under)
        return [block]
      })
    })
    const isLeft = job.doneAt !== null
    const due = isLeft && job.due !== null ? dayOf(addSeconds(job.due, -1)) : null
    const doneBy = isLeft && job.doneBy ? dayOf(job.doneBy) : null
    last = Math.max(last, ...blocks.map((block) => block.day), due ?? 0, doneBy ?? 0)
    return {
      projectId: job.projectId,
      blocks,
      due,
      doneBy,
      lateDays: due !== null && doneBy !== null ? Math.max(0, doneBy - due) : 0,
    }
  })
  return { from, days: last + 1, rows, mostSeconds }
}

/** The days with a date written on them: Mondays, or every so many where these stand too close. */
export function datesToSay(
  { from, days }: Pick<QueueLayout, 'from' | 'days'>,
  most: number,
): readonly number[] {
  const mondays = Array.from({ length: days }, (_, day) => day).filter(
    (day) => new Date(`${addDays(from, day)}T00:00:00Z`).getUTCDay() === 1,
  )
  const every = Math.max(1, Math.ceil(mondays.length / most))
  return mondays.filter((_, index) => index % every === 0)
}
