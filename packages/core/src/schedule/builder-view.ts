import { sumOf, type BuilderState } from './builder-state.ts'
import type { CompiledInstance } from './compiled.ts'
import { waysOf } from './instance.ts'

/** What a search by levels asks of a state as a whole. */
export interface BuilderView {
  /** The earliest moment by which so much work can be done from here on, however it is shared. */
  readonly workedUntil: (work: number) => number
  /**
   * Seconds of set-ups so far, and the least that must still come: of pots that nobody has open; and of work.
   * @param work by task.
   */
  readonly toCome: (work: Float64Array) => ToCome
  /** States with the same hash go on alike. */
  readonly hash: () => number
}

interface ToCome {
  readonly setUp: number
  readonly unopened: number
  readonly workLeft: number
}

export function builderView(compiled: CompiledInstance, state: BuilderState): BuilderView {
  const { instance, people, tasks, families, atDesk, family: familyOf, wayFrom, again } = compiled
  const { free, family, session, laid, sums, onPalette, stationFree, wet, deadline, pending, rack } = state
  const sameHours = instance.painters.every(({ sessions }) => sessions === instance.painters[0]?.sessions)
  const noPalette = again.every((seconds, way) => seconds >= (compiled.setUp[way] ?? 0))
  /** They may change places. */
  const areAlike =
    people > 1 &&
    noPalette &&
    sameHours &&
    instance.painters.every(({ pace }) => pace === instance.painters[0]?.pace) &&
    tasks.every((task) => waysOf(task).every((way) => way.painters === null))
  const byFree = Array.from({ length: people }, (_, painter) => painter)
  const parts = [...(noPalette ? [] : [onPalette]), stationFree, laid, pending, deadline]
  const needed = new Uint8Array(families)
  const least = new Float64Array(families).fill(Number.POSITIVE_INFINITY)
  for (let way = 0; way < familyOf.length; way++) {
    const own = familyOf[way] ?? 0
    least[own] = Math.min(least[own] ?? 0, again[way] ?? 0, compiled.setUp[way] ?? 0)
  }

  function workedUntil(work: number): number {
    let from = 0
    let already = 0
    for (let painter = 0; painter < people; painter++) {
      from = Math.max(from, free[painter] ?? 0)
      already += atDesk[painter]?.until(free[painter] ?? 0) ?? 0
    }
    const [first] = atDesk
    // Of people with hours of their own it is no more than when the last of them is free.
    return sameHours && first ? Math.max(from, Math.ceil(first.when((work + already) / people))) : from
  }

  function toCome(work: Float64Array): ToCome {
    needed.fill(0)
    for (let painter = 0; painter < people; painter++) {
      const open = family[painter] ?? -1
      if (open >= 0) needed[open] = 1
    }
    let unopened = 0
    let workLeft = 0
    for (let task = 0; task < tasks.length; task++) {
      if (laid[task] === 1) continue
      workLeft += work[task] ?? 0
      const way = wayFrom[task] ?? 0
      const own = familyOf[way] ?? 0
      // Another way may do without this pot.
      if (needed[own] === 1 || (wayFrom[task + 1] ?? 0) - way > 1) continue
      needed[own] = 1
      unopened += least[own] ?? 0
    }
    return { setUp: sums[sumOf.setUp] ?? 0, unopened, workLeft }
  }

  function hash(): number {
    let low = 17
    let high = 31
    let soonest = Number.POSITIVE_INFINITY
    for (const each of free) soonest = Math.min(soonest, each)
    const add = (figure: number) => {
      low = (Math.imul(low, 1_664_525) + (figure | 0) + 1_013_904_223) | 0
      high = Math.imul(high ^ low, 0x5bd1e995) ^ (high >>> 15)
    }
    if (areAlike)
      byFree.sort((a, b) => (free[a] ?? 0) - (free[b] ?? 0) || (family[a] ?? 0) - (family[b] ?? 0))
    for (const painter of byFree) {
      add(free[painter] ?? 0)
      add(family[painter] ?? 0)
      add(session[painter] ?? 0)
    }
    for (const part of parts) for (const each of part) add(each)
    // What is dry before anybody is free binds nothing.
    for (const each of wet) add(each <= soonest ? 0 : each)
    for (let at = 0; at < (sums[sumOf.rackBreaks] ?? 0) * 2; at++) add(rack[at] ?? 0)
    return (low >>> 0) * 2_097_152 + ((high >>> 0) & 2_097_151)
  }

  return { workedUntil, toCome, hash }
}
