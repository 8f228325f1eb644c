import type { PlanCost, PlanInstance, PlanSegment, PlanTask } from './instance.ts'
import { createRegionSlots } from './region-slots.ts'

/** How a stage too long for what is left of a session is placed: begin it there, or keep it in one piece. */
export type SplitPolicy = 'fill' | 'whole'

/** Where a batch's next task would begin in the current session. */
export interface Peek {
  readonly start: number
  readonly setUp: number
  readonly task: PlanTask
}

/**
 * One painter at the desk, laying tasks one after the other, each as early as those before it allow.
 * With one painter every schedule is such a row of tasks, so a search over rows misses no better plan.
 */
export interface Desk {
  readonly reset: (policy: SplitPolicy, record?: (segment: PlanSegment) => void) => void
  /** `null` when the batch has no task left, or may not begin yet because enough others are in hand. */
  readonly peek: (batch: number) => Peek | null
  /** Lays the batch's next task; false when it may not begin, or when the sessions have run out. */
  readonly place: (batch: number) => boolean
  readonly free: () => number
  readonly cost: () => PlanCost
}

const alwaysOpen = [{ start: 0, end: Number.POSITIVE_INFINITY }]

export function createDesk(instance: PlanInstance): Desk {
  const sessions = instance.sessions ?? alwaysOpen
  const longestSession = Math.max(0, ...sessions.map((session) => session.end - session.start))
  const openBefore = prefixLengths(sessions)
  const regions = instance.batches.map((batch) => createRegionSlots(batch, instance.regionCount))
  const closes = instance.potsCloseBetweenSessions
  const next = new Int32Array(instance.batches.length)
  const families = instance.batches.flatMap((batch) => batch.tasks.map((task) => task.family))
  /** The session in which each pot was last on the palette, from 1. */
  const onPalette = new Int32Array(Math.max(-1, instance.openFamily ?? -1, ...families) + 1)
  const begunAtFirst = instance.batches.filter((batch) => batch.begun && batch.tasks.length > 0).length
  const mostInHand = instance.inHandAtMost ?? Number.POSITIVE_INFINITY
  let policy: SplitPolicy = 'fill'
  let record: ((segment: PlanSegment) => void) | undefined
  let session = 0
  let free = 0
  let family: number | null = null
  let familySession = 0
  let setUpSeconds = 0
  let potOpenings = 0
  let exposed = 0
  let inHand = 0
  let failed = false

  function reset(newPolicy: SplitPolicy, newRecord?: (segment: PlanSegment) => void): void {
    policy = newPolicy
    record = newRecord
    session = 0
    free = Math.max(0, sessions[0]?.start ?? 0)
    family = instance.openFamily
    familySession = 0
    setUpSeconds = potOpenings = exposed = 0
    inHand = begunAtFirst
    failed = false
    next.fill(0)
    onPalette.fill(0)
    if (family !== null) onPalette[family] = 1
    for (const each of regions) each.reset()
  }

  function taskOf(batch: number): PlanTask | undefined {
    return instance.batches[batch]?.tasks[next[batch] ?? 0]
  }

  /** The batch is in hand, or there is a place for it. */
  function mayGoOn(batch: number): boolean {
    return (next[batch] ?? 0) > 0 || (instance.batches[batch]?.begun ?? false) || inHand < mostInHand
  }

  function countInHand(batch: number): void {
    const planned = instance.batches[batch]
    const placed = (next[batch] ?? 0) + 1
    next[batch] = placed
    if (placed === 1 && !planned?.begun) inHand += 1
    if (placed === planned?.tasks.length) inHand -= 1
  }

  function isOpen(task: PlanTask): boolean {
    return family === task.family && (!closes || familySession === session)
  }

  /** Brought on to the palette in this session, and not dry yet. */
  function isOnPalette(task: PlanTask): boolean {
    if (task.again >= task.setUp) return false
    const since = onPalette[task.family] ?? 0
    return closes ? since === session + 1 : since > 0
  }

  function setUpOf(task: PlanTask): number {
    if (isOpen(task)) return 0
    return isOnPalette(task) ? task.again : task.setUp
  }

  /** The earliest start of the set-up at which no model is touched wet when its turn comes. */
  function earliestStart(batch: number, task: PlanTask, left: number, setUp: number): number {
    let start = free
    let offset = setUp
    for (let index = left; index < task.models.length; index++) {
      const dry = regions[batch]?.dryAt(task.models[index] ?? 0, task.regions) ?? 0
      if (dry - offset > start) start = dry - offset
      offset += task.perModel
    }
    return start
  }

  function peek(batch: number): Peek | null {
    const task = taskOf(batch)
    if (!task || !mayGoOn(batch)) return null
    const setUp = setUpOf(task)
    return { start: earliestStart(batch, task, 0, setUp), setUp, task }
  }

  function place(batch: number): boolean {
    const task = taskOf(batch)
    if (!task || failed) return false
    if (!mayGoOn(batch)) {
      failed = true
      return false
    }
    let left = 0
    while (left < task.models.length) {
      const window = sessions[session]
      if (!window) {
        failed = true
        return false
      }
      if (free < window.start) free = window.start
      const placed = placeInSession(batch, task, left, window.end)
      left += placed
      if (placed === 0 || left < task.models.length) session += 1
    }
    countInHand(batch)
    return true
  }

  /** How many models were placed before `end`; 0 leaves everything as it was. */
  function placeInSession(batch: number, task: PlanTask, left: number, end: number): number {
    const opensPot = !isOpen(task) && !isOnPalette(task)
    const setUp = setUpOf(task)
    const start = earliestStart(batch, task, left, setUp)
    const wanted = task.models.length - left
    const room = end - start - setUp
    const fits = task.perModel > 0 ? Math.floor(room / task.perModel) : room >= 0 ? wanted : 0
    const fitsSomewhere = task.setUp + wanted * task.perModel <= longestSession
    const keepTogether = !instance.maySplit || (policy === 'whole' && fitsSomewhere)
    if (fits <= 0 || (fits < wanted && keepTogether)) return 0
    const count = Math.min(fits, wanted)
    let clock = start + setUp
    for (let index = left; index < left + count; index++) {
      clock += task.perModel
      regions[batch]?.wet(task.models[index] ?? 0, task.regions, clock + task.wait)
    }
    record?.({
      batch,
      task: next[batch] ?? 0,
      from: left,
      count,
      start,
      setUp,
      opensPot,
      end: clock,
      session,
    })
    exposed += start - free
    setUpSeconds += setUp
    if (opensPot) potOpenings += 1
    family = task.family
    onPalette[family] = session + 1
    familySession = session
    free = clock
    return count
  }

  function cost(): PlanCost {
    let finish = failed ? Number.POSITIVE_INFINITY : 0
    let flow = 0
    for (const each of regions) {
      const dry = each.allDryAt()
      flow += dry
      if (dry > finish) finish = dry
    }
    const deskSeconds = (openBefore[session] ?? 0) + free - (sessions[session]?.start ?? free)
    return { finish, handsDone: free, deskSeconds, setUpSeconds, potOpenings, exposed, flow }
  }

  return { reset, peek, place, free: () => free, cost }
}

/** For each session, how long all before it are together. */
function prefixLengths(
  sessions: readonly { readonly start: number; readonly end: number }[],
): readonly number[] {
  let open = 0
  return sessions.map((session) => {
    const before = open
    open += session.end - session.start
    return before
  })
}

/** Times for a row of batch indices: the k-th mention of a batch is its k-th task. */
export function layRow(
  desk: Desk,
  row: readonly number[],
  policy: SplitPolicy,
  record?: (segment: PlanSegment) => void,
): PlanCost {
  desk.reset(policy, record)
  for (const batch of row) if (!desk.place(batch)) break
  return desk.cost()
}
