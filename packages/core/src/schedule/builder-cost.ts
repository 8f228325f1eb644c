import type { BuilderState } from './builder-state.ts'
import type { BuilderView } from './builder-view.ts'
import type { PlanCost, PlanInstance } from './instance.ts'

/** What it costs to have laid what is laid; `failed`: not all of it found a place. */
export function builderCost(
  { batches, painters }: PlanInstance,
  { free, regions, sums }: BuilderState,
  view: Pick<BuilderView, 'atDeskBefore'>,
): (failed: boolean) => PlanCost {
  const lateOfJob = new Float64Array(1 + Math.max(-1, ...batches.map((batch) => batch.job ?? -1)))

  return (failed) => {
    let finish = 0
    let flow = 0
    let late = 0
    let pressed = 0
    lateOfJob.fill(0)
    batches.forEach((batch, index) => {
      const dry = regions[index]?.allDryAt() ?? 0
      flow += dry
      pressed += batch.priority * dry
      finish = Math.max(finish, dry)
      if (batch.due === null) return
      const own = Math.max(0, dry - batch.due)
      const before = batch.job === undefined ? 0 : (lateOfJob[batch.job] ?? 0)
      if (own <= before) return
      late += own - before
      if (batch.job !== undefined) lateOfJob[batch.job] = own
    })
    let handsDone = 0
    let deskSeconds = 0
    for (let painter = 0; painter < painters.length; painter++) {
      const until = free[painter] ?? 0
      handsDone = Math.max(handsDone, until)
      deskSeconds = Math.max(deskSeconds, view.atDeskBefore(painter, until))
    }
    return {
      late,
      pressed,
      finish: failed ? Number.POSITIVE_INFINITY : finish,
      handsDone,
      deskSeconds,
      handsOnSeconds: sums.hands,
      setUpSeconds: sums.setUp,
      potOpenings: sums.pots,
      exposed: sums.exposed,
      flow,
      sameness: sums.sameness,
    }
  }
}
