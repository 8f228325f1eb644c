import { sumOf, type BuilderState } from './builder-state.ts'
import type { CompiledInstance } from './compiled.ts'
import type { PlanCost } from './instance.ts'

export interface BuilderCost {
  /** What it costs to have laid what is laid. @param failed something found no place. */
  readonly cost: (failed: boolean) => PlanCost
  /**
   * Seconds at the desk by which the last hands rest at the earliest, however the rest is laid.
   * @param workLeft least hands-on seconds of what is not laid.
   */
  readonly leastDeskSeconds: (workLeft: number) => number
}

const day = 86_400

export function builderCost(compiled: CompiledInstance, state: BuilderState): BuilderCost {
  const { instance, people, atDesk, opens: opensAt } = compiled
  const { batches } = instance
  const { sums, free, left, dry: dryOf, session: sessionOf, family: openFamily } = state
  const jobs = 1 + batches.reduce((most, batch) => Math.max(most, batch.job ?? -1), -1)
  const lateOfJob = new Float64Array(jobs)
  const lastOfJob = new Float64Array(jobs)
  /** By job the priorities of its batches: so much it counts when the last is dry, beside each by itself; one alone is both. */
  const priorityOfJob = new Float64Array(jobs)
  for (const { job, priority } of batches)
    if (job !== undefined) priorityOfJob[job] = (priorityOfJob[job] ?? 0) + priority

  /** Where an evening has prices, a moment counts by the day. */
  const told = (seconds: number) => (instance.prices ? Math.ceil(seconds / day) * day : seconds)

  function cost(failed: boolean): PlanCost {
    let finish = 0
    let isWhole = !failed
    let flow = 0
    let late = 0
    let pressed = 0
    lateOfJob.fill(0)
    lastOfJob.fill(0)
    for (let index = 0; index < left.length; index++) {
      if ((left[index] ?? 0) > 0) isWhole = false
      const batch = batches[index]
      const dry = dryOf[index] ?? 0
      flow += dry
      if (dry > finish) finish = dry
      if (!batch) continue
      pressed += batch.priority * told(dry) * (batch.job === undefined ? 2 : 1)
      if (batch.priority > 0 && batch.job !== undefined)
        lastOfJob[batch.job] = Math.max(lastOfJob[batch.job] ?? 0, told(dry))
      if (batch.due === null) continue
      const own = Math.max(0, told(dry - batch.due))
      const known = batch.job === undefined ? 0 : (lateOfJob[batch.job] ?? 0)
      if (own <= known) continue
      late += own - known
      if (batch.job !== undefined) lateOfJob[batch.job] = own
    }
    for (let job = 0; job < jobs; job++) pressed += (priorityOfJob[job] ?? 0) * (lastOfJob[job] ?? 0)
    let handsDone = 0
    let deskSeconds = 0
    let lastOpens = 0
    for (let painter = 0; painter < people; painter++) {
      const until = free[painter] ?? 0
      const opens = opensAt[painter]?.[sessionOf[painter] ?? 0] ?? 0
      if (openFamily[painter] !== -1 && opens > lastOpens) lastOpens = opens
      handsDone = Math.max(handsDone, until)
      deskSeconds = Math.max(deskSeconds, atDesk[painter]?.until(until) ?? 0)
    }
    return {
      late,
      pressed,
      finish: isWhole ? finish : Number.POSITIVE_INFINITY,
      handsDone,
      deskSeconds,
      handsOnSeconds: sums[sumOf.hands] ?? 0,
      setUpSeconds: sums[sumOf.setUp] ?? 0,
      potOpenings: sums[sumOf.pots] ?? 0,
      exposed: sums[sumOf.exposed] ?? 0,
      flow,
      sameness: sums[sumOf.sameness] ?? 0,
      lastOpens,
      bother: sums[sumOf.bother] ?? 0,
      moved: sums[sumOf.moved] ?? 0,
    }
  }

  function leastDeskSeconds(workLeft: number): number {
    let all = workLeft
    let latest = 0
    for (let painter = 0; painter < people; painter++) {
      const until = atDesk[painter]?.until(free[painter] ?? 0) ?? 0
      all += until
      if (until > latest) latest = until
    }
    return Math.max(latest, all / people)
  }

  return { cost, leastDeskSeconds }
}
