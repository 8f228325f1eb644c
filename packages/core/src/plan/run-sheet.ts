import { type Batch, type Job, regionsMeet, type Stage, touchedRegions } from '../trade/index.ts'
import type { Instant } from '../units/index.ts'
import { departuresOf, type Departure } from './departures.ts'
import type { LinePlan, PlanSession, Stretch } from './line-plan.ts'

/** A batch drying after a stage. */
export interface Drying {
  readonly batch: Batch
  readonly stage: Stage
  readonly until: Instant
}

export type RunSheetEntry =
  | {
      readonly kind: 'work'
      readonly stretch: Stretch
      readonly batch: Batch
      readonly stage: Stage
      /** Other batches whose drying this work fills. */
      readonly fills: readonly Drying[]
      /** Sooner than the line has it; `null` in its place. */
      readonly departure: Departure | null
    }
  | {
      readonly kind: 'wait'
      readonly startsAt: Instant
      readonly endsAt: Instant
      /** What has to dry before the next work. */
      readonly for: Drying | null
    }

/** One evening: what to do in which order. */
export interface RunSheet {
  readonly session: PlanSession
  readonly entries: readonly RunSheetEntry[]
  /** From the last work to the end. */
  readonly freeSeconds: number
  /** The part of it that the plan leaves for what is to be expected. */
  readonly roomSeconds: number
}

/** Less is no wait: hands are wiped meanwhile. Milliseconds. */
const shortestWait = 60_000

/** The plan session by session; sessions without work are left out. */
export function runSheets(plan: LinePlan, project: Pick<Job, 'line'>): readonly RunSheet[] {
  const batchOf = new Map(plan.batches.map((batch) => [batch.id, batch]))
  const stageOf = new Map(project.line.map((stage) => [stage.id, stage]))
  const departures = departuresOf(plan, project)
  const sheets: RunSheet[] = []
  const bySession = new Map<number, Stretch[]>()
  for (const stretch of plan.stretches) {
    const own = bySession.get(stretch.session)
    if (own) own.push(stretch)
    else bySession.set(stretch.session, [stretch])
  }
  plan.sessions.forEach((session, index) => {
    const stretches = bySession.get(index)
    if (!stretches) return
    const entries: RunSheetEntry[] = []
    let clock = session.startsAt
    for (const stretch of stretches) {
      const batch = batchOf.get(stretch.batchId)
      const stage = stageOf.get(stretch.stageId)
      if (!batch || !stage) continue
      const earlier = dryingBefore(plan, stretch, batchOf, stageOf)
      if (stretch.startsAt - clock >= shortestWait) {
        const bound = earlier.filter(
          (each) =>
            each.batch.id === batch.id &&
            regionsMeet(touchedRegions(each.stage.touch), touchedRegions(stage.touch)),
        )
        entries.push({ kind: 'wait', startsAt: clock, endsAt: stretch.startsAt, for: latest(bound) })
      }
      const fills = earlier.filter(
        (each) =>
          each.batch.id !== batch.id && each.until > stretch.startsAt && goesOn(plan, each.batch, stretch),
      )
      entries.push({
        kind: 'work',
        stretch,
        batch,
        stage,
        fills,
        departure: departures.get(stretch) ?? null,
      })
      clock = stretch.endsAt
    }
    const freeSeconds = (session.endsAt - clock) / 1000
    const room = Math.round((plan.room * (session.endsAt - session.startsAt)) / 1000)
    sheets.push({ session, entries, freeSeconds, roomSeconds: Math.min(freeSeconds, room) })
  })
  return sheets
}

function dryingBefore(
  plan: LinePlan,
  stretch: Stretch,
  batchOf: ReadonlyMap<string, Batch>,
  stageOf: ReadonlyMap<string, Stage>,
): readonly Drying[] {
  // What is dry by then may still be what was waited for, on the same batch.
  const matters = (each: Stretch) => each.dryAt > stretch.startsAt || each.batchId === stretch.batchId
  const planned = plan.stretches
    .filter((each) => each.endsAt <= stretch.startsAt && each.dryAt > each.endsAt && matters(each))
    .flatMap((each) => {
      const batch = batchOf.get(each.batchId)
      const stage = stageOf.get(each.stageId)
      return batch && stage ? [{ batch, stage, until: each.dryAt }] : []
    })
  return [...plan.drying, ...planned]
}

function goesOn(plan: LinePlan, batch: Batch, after: Stretch): boolean {
  return plan.stretches.some((each) => each.batchId === batch.id && each.startsAt >= after.endsAt)
}

function latest(drying: readonly Drying[]): Drying | null {
  return drying.reduce<Drying | null>((last, each) => (last && last.until >= each.until ? last : each), null)
}
