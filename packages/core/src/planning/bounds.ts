import type { PlanBatch, PlanInstance } from './instance.ts'
import { createRegionSlots } from './region-slots.ts'

/** No plan of this instance can be finished before either of these moments. */
export interface LowerBound {
  /** All hands-on work and the set-ups nobody can avoid, laid without a gap. */
  readonly workContent: number
  /** The longest batch alone, its pots always open. */
  readonly longestChain: number
}

export function lowerBound(instance: PlanInstance): LowerBound {
  return {
    workContent: workContent(instance),
    longestChain: Math.max(0, ...instance.batches.map((batch) => chain(instance, batch))),
  }
}

/** The later of the two bounds. */
export function earliestFinish(bound: LowerBound): number {
  return Math.max(bound.workContent, bound.longestChain)
}

function workContent(instance: PlanInstance): number {
  const working = instance.batches.filter((batch) => batch.tasks.length > 0)
  if (working.length === 0) return 0
  let work = 0
  const setUps = new Map<number, { first: number; again: number; times: number }>()
  for (const batch of working) {
    const runs = new Map<number, number>()
    let previous: number | null = null
    for (const task of batch.tasks) {
      work += task.perModel * task.models.length
      if (task.family !== previous) runs.set(task.family, (runs.get(task.family) ?? 0) + 1)
      previous = task.family
      const known = setUps.get(task.family)
      setUps.set(task.family, {
        first: Math.min(known?.first ?? task.setUp, task.setUp),
        again: Math.min(known?.again ?? task.again, task.again, task.setUp),
        times: known?.times ?? 1,
      })
    }
    // Between two runs of one pot the same batch needs another pot, so each run opens it anew.
    for (const [family, times] of runs) {
      const known = setUps.get(family)
      if (known) setUps.set(family, { ...known, times: Math.max(known.times, times) })
    }
  }
  // The first opening is a whole one; later the colour may still lie on the palette.
  for (const [family, { first, again, times }] of setUps) {
    work += (family === instance.openFamily ? 0 : first) + again * (times - 1)
  }
  const lastWaits = working.map((batch) => batch.tasks.at(-1)?.wait ?? 0)
  return atWork(instance, work) + Math.min(...lastWaits)
}

/** The moment by which `work` seconds can have been worked inside the sessions. */
function atWork(instance: PlanInstance, work: number): number {
  if (!instance.sessions) return work
  let left = work
  for (const session of instance.sessions) {
    const open = session.end - Math.max(0, session.start)
    if (left <= open) return Math.max(0, session.start) + left
    left -= open
  }
  return instance.sessions.at(-1)?.end ?? 0
}

/** One batch with the painter to itself, free to pause between any two models. */
function chain(instance: PlanInstance, batch: PlanBatch): number {
  const slots = createRegionSlots(batch, instance.regionCount)
  const sessions = instance.sessions
  let session = 0
  let clock = 0
  for (const task of batch.tasks) {
    for (const model of task.models) {
      let start = Math.max(clock, slots.dryAt(model, task.regions))
      while (sessions) {
        const window = sessions[session]
        if (!window) return clock
        start = Math.max(start, window.start)
        if (start + task.perModel <= window.end) break
        session += 1
      }
      clock = start + task.perModel
      slots.wet(model, task.regions, clock + task.wait)
    }
  }
  return slots.allDryAt()
}
