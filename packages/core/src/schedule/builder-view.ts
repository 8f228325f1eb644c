import { openTime, slotsOf, type TimeSlots } from './time-slots.ts'
import type { BuilderState } from './builder-state.ts'
import type { PlanInstance } from './instance.ts'

/** What a search asks of the state as a whole. */
export interface BuilderView {
  /** Whether some painter has the pot open. */
  readonly isPotOpen: (family: number) => boolean
  /** The earliest moment by which so much work can be done from here on, however it is shared. */
  readonly workedUntil: (work: number) => number
  /** States with the same hash go on alike. */
  readonly hash: () => number
  /** Seconds a painter is at the desk before a moment. */
  readonly atDeskBefore: (painter: number, moment: number) => number
}

export function builderView(
  instance: PlanInstance,
  state: BuilderState,
  slotTable: readonly (readonly TimeSlots[])[],
): BuilderView {
  const { batches, painters } = instance
  const people = painters.length
  const anyWindow = instance.windows.length
  const { family, familySession, free, onPalette } = state
  const atDesk = slotTable.map((bySlots) => openTime(bySlots[anyWindow] ?? slotsOf(instance, 0, null)))
  const sameHours = painters.every((painter) => painter.sessions === painters[0]?.sessions)
  const alone = painters.map((_, painter) => painter)
  const noPalette = batches.every((batch) => batch.tasks.every((task) => task.again >= task.setUp))
  const alike =
    people > 1 &&
    noPalette &&
    sameHours &&
    painters.every((painter) => painter.pace === painters[0]?.pace) &&
    batches.every((batch) => batch.tasks.every((task) => task.painters === null))

  function isPotOpen(pot: number): boolean {
    for (let painter = 0; painter < people; painter++) if (family[painter] === pot) return true
    return false
  }

  function workedUntil(work: number): number {
    let from = 0
    let already = 0
    for (let painter = 0; painter < people; painter++) {
      from = Math.max(from, free[painter] ?? 0)
      already += atDesk[painter]?.until(free[painter] ?? 0) ?? 0
    }
    const first = atDesk[0]
    if (sameHours && first) return Math.max(from, Math.ceil(first.when((work + already) / people)))
    let to = from + 1
    while (openBefore(to) - already < work && to < 1e12) to += to - from
    let low = from
    while (to - low > 1) {
      const middle = Math.floor((low + to) / 2)
      if (openBefore(middle) - already >= work) to = middle
      else low = middle
    }
    return to
  }

  function openBefore(moment: number): number {
    let open = 0
    for (const each of atDesk) open += each.until(moment)
    return open
  }

  function hash(): number {
    let low = 17
    let high = 31
    // Painters who are alike may change places.
    const order = alike
      ? alone.toSorted((a, b) => (free[a] ?? 0) - (free[b] ?? 0) || (family[a] ?? 0) - (family[b] ?? 0))
      : alone
    for (const painter of order) {
      low = mixed(mixed(mixed(low, free[painter] ?? 0), family[painter] ?? 0), familySession[painter] ?? 0)
      high = mixed(high ^ low, painter === 0 || alike ? 0 : painter)
    }
    if (!noPalette) for (const since of onPalette) low = mixed(low, since)
    for (const figure of state.common) {
      low = mixed(low, figure)
      high = Math.imul(high ^ low, 0x5bd1e995) ^ (high >>> 15)
    }
    return (low >>> 0) * 2_097_152 + ((high >>> 0) & 2_097_151)
  }

  return {
    isPotOpen,
    workedUntil,
    hash,
    atDeskBefore: (painter, moment) => atDesk[painter]?.until(moment) ?? 0,
  }
}

function mixed(state: number, figure: number): number {
  return (Math.imul(state, 1_664_525) + (figure | 0) + 1_013_904_223) | 0
}
