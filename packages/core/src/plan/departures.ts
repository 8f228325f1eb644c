import { type Job, regionsMeet, type Stage, touchedRegions } from '../trade/index.ts'
import type { Instant } from '../units/index.ts'
import type { LinePlan, Stretch } from './line-plan.ts'

/** A stage that a batch takes sooner than the line's row has it, and why. */
export interface Departure {
  /** The stage of the row that it goes ahead of. */
  readonly ahead: Stage
  /** What keeps that one from being done yet; `null` where it only leaves less to do later, as an open pot does. */
  readonly wet: { readonly after: Stage; readonly until: Instant } | null
  /** The pot was open, or on the palette. */
  readonly isPotOpen: boolean
}

/** Where the plan departs from the row of the line; a stage in its place has none. */
export function departuresOf(plan: LinePlan, project: Pick<Job, 'line'>): ReadonlyMap<Stretch, Departure> {
  const placeOf = new Map(project.line.map((stage, index) => [stage.id, index]))
  const stageOf = (stretch: Stretch) => project.line[placeOf.get(stretch.stageId) ?? -1]
  const departures = new Map<Stretch, Departure>()
  for (const batch of plan.batches) {
    const own = plan.stretches
      .filter((each) => each.batchId === batch.id && each.touchUp === null)
      .toSorted((a, b) => a.startsAt - b.startsAt)
    own.forEach((stretch, at) => {
      const place = placeOf.get(stretch.stageId) ?? 0
      const passed = own
        .slice(at + 1)
        .filter((later) => (placeOf.get(later.stageId) ?? 0) < place)
        .toSorted((a, b) => (placeOf.get(a.stageId) ?? 0) - (placeOf.get(b.stageId) ?? 0))[0]
      const ahead = passed && stageOf(passed)
      if (!ahead) return
      const wet = own
        .slice(0, at)
        .filter((each) => each.dryAt > stretch.startsAt)
        .flatMap((each) => {
          const after = stageOf(each)
          const binds = after && regionsMeet(touchedRegions(after.touch), touchedRegions(ahead.touch))
          return after && binds ? [{ after, until: each.dryAt }] : []
        })
        .toSorted((a, b) => b.until - a.until)[0]
      departures.set(stretch, { ahead, wet: wet ?? null, isPotOpen: !stretch.opensPot })
    })
  }
  return departures
}
