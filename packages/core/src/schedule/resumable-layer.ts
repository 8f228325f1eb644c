import { sumOf } from './builder-state.ts'
import { leastWork } from './compiled.ts'
import type { PlanCost } from './instance.ts'
import type { SplitPolicy } from './place-finder.ts'
import type { ScheduleBuilder } from './schedule-builder.ts'
import { layEntry, type Owed } from './task-sequence.ts'
import type { PlanOrder } from './weigh-plan.ts'

/** Lays sequences that are alike: each anew only from where it differs from the one that was taken last. */
export interface ResumableLayer {
  /**
   * @param from the first place that differs from what was taken. @param to the last.
   * @param limit from when on the height is of no use.
   * @returns `null` where the height would be beyond the limit, or a task found no place.
   */
  readonly lay: (sequence: Int32Array, from: number, to: number, limit: number) => PlanCost | null
  /** From here on this sequence is the one that others are compared with. @param from the first place that differs. */
  readonly take: (sequence: Int32Array, from: number) => PlanCost
}

/** So many states are kept of a sequence. */
const most = 24

export function resumableLayer(
  builder: ScheduleBuilder,
  policy: SplitPolicy,
  { heightFloor }: Pick<PlanOrder, 'heightFloor'>,
): ResumableLayer {
  const { compiled } = builder
  const count = compiled.tasks.length
  const step = Math.max(2, Math.ceil(count / most))
  const marks = Math.max(1, Math.ceil(count / step))
  builder.reset(policy)
  const states = Array.from({ length: marks }, () => builder.save())
  /** Where nothing was owed when the state was kept: it says all. */
  const isWhole = new Uint8Array(marks)
  isWhole[0] = 1
  const work = leastWork(compiled)
  const mostSetUp = compiled.setUp.reduce((max, each) => Math.max(max, each), 0)
  let setUpSeconds = 0

  /** The last state that is the same up to a place. */
  function markBefore(from: number): number {
    let mark = Math.min(marks - 1, Math.floor(from / step))
    while (isWhole[mark] === 0) mark -= 1
    return mark
  }

  function lay(sequence: Int32Array, from: number, to: number, limit: number): PlanCost | null {
    const mark = markBefore(from)
    const first = mark * step
    builder.load(states[mark] ?? new Float64Array(0))
    const owed: Owed = []
    let left = 0
    for (let at = first; at < count; at++) left += work[(sequence[at] ?? 0) % count] ?? 0
    for (let at = first; at < count; at++) {
      if (at % step === 0 && at > first) {
        // What is the same from here on opens the same pots, but perhaps the first.
        const opened = states[at / step]?.[sumOf.setUp] ?? 0
        const setUps = at > to ? Math.max(0, setUpSeconds - opened - mostSetUp) : 0
        if (heightFloor(builder.leastDeskSeconds(left + setUps)) > limit) return null
      }
      const entry = sequence[at] ?? 0
      if (!layEntry(builder, entry, owed)) return null
      left -= work[entry % count] ?? 0
    }
    return builder.cost()
  }

  function take(sequence: Int32Array, from: number): PlanCost {
    const mark = markBefore(from)
    builder.load(states[mark] ?? new Float64Array(0))
    const owed: Owed = []
    isWhole.fill(0, mark + 1)
    for (let at = mark * step; at < count; at++) {
      const kept = at / step
      if (at % step === 0 && kept > mark) {
        isWhole[kept] = owed.length === 0 ? 1 : 0
        builder.save(states[kept])
      }
      if (!layEntry(builder, sequence[at] ?? 0, owed)) break
    }
    const cost = builder.cost()
    setUpSeconds = cost.setUpSeconds
    return cost
  }

  return { lay, take }
}
