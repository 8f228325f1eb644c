import { firstSlotAfter, openTime, sessionsOf, slotsOf } from './desk-slots.ts'
import { deskState } from './desk-state.ts'
import { rackReady } from './drying-rack.ts'
import {
  handsSeconds,
  wayOf,
  type PlanCost,
  type PlanInstance,
  type PlanSegment,
  type PlanTask,
  type PlanWay,
} from './instance.ts'

/** How a stage too long for what is left of a session is placed: begin it there, or keep it in one piece. */
export type SplitPolicy = 'fill' | 'whole'

/** Where a batch's next task would begin, and with whom. */
export interface Place {
  readonly task: PlanTask
  readonly way: number
  readonly painter: number
  readonly start: number
  readonly setUp: number
  /** Models that fit into the session. */
  readonly count: number
  readonly end: number
  readonly session: number
  /** The hands come too late for what has to follow soon. */
  readonly tooLate: boolean
}

/** Who does a task and how: 0 leaves it to the desk, else 1 + way × painters + painter. */
export type Choice = number

/**
 * The painters at their desks, laying tasks one after the other, each as early as those before it allow. Every
 * schedule in which nothing could be moved earlier by itself is such a row of tasks, so a search over rows misses
 * no better plan, but where waiting before a task with a maximum wait would pay.
 */
export interface Desk {
  readonly reset: (policy: SplitPolicy, record?: (segment: PlanSegment) => void) => void
  /** The batch has a task left. */
  readonly hasTask: (batch: number) => boolean
  /** Its next task may begin: enough room in hand, and what is joined to it is through. */
  readonly mayGoOn: (batch: number) => boolean
  /** Where the next task would begin; `null` when it may not, or does not fit anywhere. */
  readonly peek: (batch: number, choice?: Choice) => Place | null
  /** Lays the batch's next task, and before it what would be too late after it; false when it cannot. */
  readonly place: (batch: number, choice?: Choice) => boolean
  /** Lays it and nothing else; false when something else would then be too late. */
  readonly placeAlone: (batch: number, choice: Choice) => boolean
  /** Whether some painter has the pot open. */
  readonly isPotOpen: (family: number) => boolean
  /** The earliest moment by which so much work can be done from here on, however it is shared. */
  readonly workedUntil: (work: number) => number
  /** States with the same hash go on alike. */
  readonly hash: () => number
  /** When a painter's hands are free. */
  readonly free: (painter: number) => number
  readonly dryAt: (batch: number) => number
  readonly setUpSeconds: () => number
  readonly cost: () => PlanCost
  readonly save: () => Float64Array
  readonly load: (state: Float64Array) => void
}

interface Draft {
  task: PlanTask
  way: number
  painter: number
  start: number
  setUp: number
  count: number
  end: number
  session: number
  tooLate: boolean
}

const longStage = 30 * 60
const longKind = 90 * 60

/** @param skipped by painter and session: 1 where a session falls out; read anew for every task. */
export function createDesk(instance: PlanInstance, skipped?: readonly Uint8Array[]): Desk {
  const { batches, painters, stations } = instance
  const people = painters.length
  const state = deskState(instance)
  const {
    free,
    family,
    familySession,
    onPalette,
    stationFree,
    next,
    regions,
    deadline,
    pending,
    rack,
    lastHands,
    firstHands,
    sums,
  } = state
  const closes = instance.potsCloseBetweenSessions
  const mostInHand = instance.inHandAtMost ?? Number.POSITIVE_INFINITY
  const helps = new Set(batches.flatMap((batch) => batch.tasks.flatMap((task) => task.joins)))
  const begunAtFirst = batches.filter(
    (batch, index) => batch.begun && batch.tasks.length > 0 && !helps.has(index),
  ).length
  const anyWindow = instance.windows.length
  const slotTable = painters.map((_, painter) =>
    Array.from({ length: anyWindow + 1 }, (__, at) =>
      slotsOf(instance, painter, at === anyWindow ? null : at),
    ),
  )
  const atDesk = slotTable.map((bySlots) => openTime(bySlots[anyWindow] ?? slotsOf(instance, 0, null)))
  const sameHours = painters.every((painter) => painter.sessions === painters[0]?.sessions)
  const stationAt = stations.map((_, station) =>
    stations.slice(0, station).reduce((sum, each) => sum + each, 0),
  )
  const alone = painters.map((_, painter) => painter)
  const noPalette = batches.every((batch) => batch.tasks.every((task) => task.again >= task.setUp))
  const alike =
    people > 1 &&
    noPalette &&
    painters.every(
      (painter) => painter.pace === painters[0]?.pace && painter.sessions === painters[0].sessions,
    ) &&
    batches.every((batch) => batch.tasks.every((task) => task.painters === null))
  let policy: SplitPolicy = 'fill'
  let record: ((segment: PlanSegment) => void) | undefined
  let failed = false

  function reset(newPolicy: SplitPolicy, newRecord?: (segment: PlanSegment) => void): void {
    policy = newPolicy
    record = newRecord
    failed = false
    state.reset()
    sums.inHand = begunAtFirst
  }

  const taskOf = (batch: number): PlanTask | undefined => batches[batch]?.tasks[next[batch] ?? 0]
  const hasTask = (batch: number): boolean => taskOf(batch) !== undefined

  function mayGoOn(batch: number): boolean {
    const task = taskOf(batch)
    if (!task) return false
    for (const joined of task.joins) if (hasTask(joined)) return false
    if ((next[batch] ?? 0) > 0 || (batches[batch]?.begun ?? false)) return true
    return sums.inHand < mostInHand || helps.has(batch)
  }

  function isOpen(painter: number, way: PlanWay, session: number): boolean {
    return family[painter] === way.family && (!closes || familySession[painter] === session)
  }

  /** Brought on to the palette in this session, and not dry yet. */
  function isOnPalette(painter: number, way: PlanWay, session: number): boolean {
    if (way.again >= way.setUp) return false
    const since = onPalette[painter * state.families + way.family] ?? 0
    return closes ? since === session + 1 : since > 0
  }

  function setUpOf(painter: number, way: PlanWay, session: number): number {
    if (isOpen(painter, way, session)) return 0
    return isOnPalette(painter, way, session) ? way.again : way.setUp
  }

  const dryOf = new Float64Array(batches.reduce((most, batch) => Math.max(most, batch.models), 0))
  let readyAnyway = 0
  let latestDry = 0

  /** Looks up when the models of a task are dry: the same for whoever takes it. */
  function lookUpDry(batch: number, task: PlanTask, left: number): void {
    readyAnyway = firstHands[batch] ?? 0
    for (const joined of task.joins) readyAnyway = Math.max(readyAnyway, regions[joined]?.allDryAt() ?? 0)
    latestDry = 0
    const slots = regions[batch]
    if (!slots) return
    for (let index = left; index < task.models.length; index++) {
      const dry = slots.dryAt(task.models[index] ?? 0, task.regions)
      dryOf[index] = dry
      if (dry > latestDry) latestDry = dry
    }
  }

  /** The earliest start of the hands from `from` on at which no model is touched wet when its turn comes. */
  function dryFor(task: PlanTask, left: number, hands: number, from: number): number {
    if (latestDry <= from) return readyAnyway
    let ready = readyAnyway
    let offset = 0
    for (let index = left; index < task.models.length; index++) {
      const dry = (dryOf[index] ?? 0) - offset
      if (dry > ready) ready = dry
      offset += hands
    }
    return ready
  }

  /** The latest start of the hands that keeps the maximum wait of every model. */
  function latestFor(batch: number, task: PlanTask, left: number, hands: number): number {
    let latest = Number.POSITIVE_INFINITY
    if (pending[batch] === 0) return latest
    const from = state.modelAt[batch] ?? 0
    let offset = 0
    for (let index = left; index < task.models.length; index++) {
      latest = Math.min(latest, (deadline[from + (task.models[index] ?? 0)] ?? 0) - offset)
      offset += hands
    }
    return latest
  }

  /** When a batch may begin, so that at no time too many are in hand. With one painter the row sees to that. */
  function roomInHand(batch: number): number {
    if (people === 1 || mostInHand === Number.POSITIVE_INFINITY) return 0
    if ((next[batch] ?? 0) > 0 || batches[batch]?.begun === true || helps.has(batch)) return 0
    const ends: number[] = []
    for (let other = 0; other < batches.length; other++) {
      if (!hasTask(other) && !helps.has(other)) ends.push(lastHands[other] ?? 0)
    }
    ends.sort((a, b) => a - b)
    return ends[ends.length - Math.max(1, mostInHand - sums.inHand)] ?? 0
  }

  function stationReady(station: number | null): number {
    if (station === null) return 0
    let earliest = Number.POSITIVE_INFINITY
    const from = stationAt[station] ?? 0
    for (let at = from; at < from + (stations[station] ?? 0); at++)
      earliest = Math.min(earliest, stationFree[at] ?? 0)
    return earliest
  }

  const firstTask = batches.find((batch) => batch.tasks.length > 0)?.tasks[0] ?? ({} as PlanTask)
  const draft = emptyDraft(firstTask)
  const better = emptyDraft(firstTask)
  const kept = emptyDraft(firstTask)

  /** The earliest place with this painter and way, into `draft`; false when there is none. */
  function find(batch: number, task: PlanTask, left: number, wayIndex: number, painter: number): boolean {
    const way = wayOf(task, wayIndex)
    if (way.painters !== null && !way.painters.includes(painter)) return false
    const hands = handsSeconds(way, painters[painter])
    const windows = way.windows ?? anyWindow
    const slots = slotTable[painter]?.[windows]
    if (!slots) return false
    const wanted = task.models.length - left
    const from = Math.max(free[painter] ?? 0, roomInHand(batch))
    const dry = dryFor(task, left, hands, from)
    const latest = latestFor(batch, task, left, hands)
    const station = stationReady(way.station)
    const bound = task.maxWait !== null || pending[batch] !== 0
    const together =
      !instance.maySplit || bound || (policy === 'whole' && way.setUp + wanted * hands <= slots.longest)
    for (let at = firstSlotAfter(slots, from); at < slots.count; at++) {
      const closesAt = slots.end[at] ?? 0
      const session = slots.session[at] ?? 0
      if (skipped?.[painter]?.[session] === 1) continue
      const setUp = setUpOf(painter, way, session)
      let start = Math.max(from, slots.start[at] ?? 0, dry - setUp, station - setUp)
      let count = fitting(closesAt - start - setUp, hands, wanted)
      if (count <= 0 || (count < wanted && together)) continue
      if (instance.rack !== null && way.onRack) {
        const entries = { entries: rack, count: sums.onRack }
        start = rackReady(entries, instance.rack, start + setUp, count * hands + way.wait, count) - setUp
        count = Math.min(count, fitting(closesAt - start - setUp, hands, wanted))
        if (count <= 0 || (count < wanted && together)) continue
      }
      if (task.maxWait !== null) {
        start = startOfChain(batch, next[batch] ?? 0, start, setUp, wayIndex, painter)
        if (!(start + setUp + wanted * hands <= closesAt)) continue
      }
      draft.task = task
      draft.way = wayIndex
      draft.painter = painter
      draft.start = start
      draft.setUp = setUp
      draft.count = count
      draft.end = start + setUp + count * hands
      draft.session = session
      draft.tooLate = start + setUp > latest
      return true
    }
    return false
  }

  /** The earliest start from `start` on after which the next task can keep its maximum wait; NaN when none does. */
  function startOfChain(
    batch: number,
    index: number,
    start: number,
    setUp: number,
    wayIndex: number,
    painter: number,
  ): number {
    const task = batches[batch]?.tasks[index]
    const after = batches[batch]?.tasks[index + 1]
    if (!task || !after || task.maxWait === null) return start
    const way = wayOf(task, wayIndex)
    const hands = handsSeconds(way, painters[painter])
    const others = after.painters === null || after.painters.includes(painter) ? [painter] : after.painters
    for (const other of others) {
      const own = other === painter
      const nextHands = handsSeconds(after, painters[other])
      const nextSetUp = own && after.family === way.family ? 0 : after.setUp
      const end = start + setUp + task.models.length * hands
      // What moves with this start, and what does not.
      let moving = own ? end + nextSetUp : 0
      let fixed = Math.max(stationReady(after.station), own ? 0 : (free[other] ?? 0) + nextSetUp)
      let latest = Number.POSITIVE_INFINITY
      const meets =
        task.regions === 'whole' || after.regions === 'whole' || overlap(task.regions, after.regions)
      after.models.forEach((model, position) => {
        const before = task.models.indexOf(model)
        const offset = position * nextHands
        fixed = Math.max(fixed, (regions[batch]?.dryAt(model, after.regions) ?? 0) - offset)
        if (before < 0) return
        const left = start + setUp + (before + 1) * hands
        if (meets) moving = Math.max(moving, left + way.wait - offset)
        latest = Math.min(latest, left + (task.maxWait ?? 0) - offset)
      })
      if (moving > latest) continue
      const shift = Math.max(0, fixed - latest)
      const nextStart = Math.max(moving + shift, fixed) - nextSetUp
      const length = nextSetUp + after.models.length * nextHands
      const slots = slotTable[other]?.[after.windows ?? anyWindow]
      for (let at = slots ? firstSlotAfter(slots, nextStart) : 0; slots && at < slots.count; at++) {
        const opensAt = slots.start[at] ?? 0
        if (opensAt + nextSetUp > latest + shift) break
        const begins = Math.max(nextStart, opensAt)
        if (begins + nextSetUp > latest + shift || begins + length > (slots.end[at] ?? 0)) continue
        const deeper = startOfChain(batch, index + 1, begins, nextSetUp, 0, other)
        if (deeper === begins) return start + shift
      }
    }
    return Number.NaN
  }

  /** The best place for the batch's next task, into `draft`. */
  function choose(batch: number, task: PlanTask, choice: Choice): boolean {
    lookUpDry(batch, task, 0)
    if (choice > 0) {
      const way = Math.floor((choice - 1) / people)
      const painter = (choice - 1) % people
      if (way <= task.others.length && find(batch, task, 0, way, painter)) return true
    }
    if (people === 1 && task.others.length === 0) return find(batch, task, 0, 0, 0)
    let any = false
    let bestEnd = 0
    for (let way = 0; way <= task.others.length; way++) {
      for (const painter of wayOf(task, way).painters ?? alone) {
        if (!find(batch, task, 0, way, painter)) continue
        const end = wholeEnd(draft) + wayOf(task, way).wait
        if (any && !isBetter(draft, end, better, bestEnd)) continue
        any = true
        copyDraft(draft, better)
        bestEnd = end
      }
    }
    if (any) copyDraft(better, draft)
    return any
  }

  /** When a task that does not fit into its session would be through. */
  function wholeEnd(each: Draft): number {
    const left = each.task.models.length - each.count
    if (left === 0) return each.end
    const following = sessionsOf(instance, each.painter)[each.session + 1]
    if (!following) return Number.POSITIVE_INFINITY
    return following.start + left * handsSeconds(wayOf(each.task, each.way), painters[each.painter])
  }

  function peek(batch: number, choice: Choice = 0): Place | null {
    const task = taskOf(batch)
    if (!task || !mayGoOn(batch) || !choose(batch, task, choice)) return null
    return draft
  }

  function placeAlone(batch: number, choice: Choice): boolean {
    const task = taskOf(batch)
    if (!task || !choose(batch, task, choice) || draft.tooLate) return false
    if (sums.pending > 0 && missedAfterDraft(batch) >= 0) return false
    return put(batch, task)
  }

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

  function place(batch: number, choice: Choice = 0): boolean {
    const task = taskOf(batch)
    if (!task || failed) return false
    if (!mayGoOn(batch) || !choose(batch, task, choice)) {
      failed = true
      return false
    }
    if (sums.pending > 0 && pending[batch] === 0) {
      const urgent = missedAfterDraft(batch)
      if (urgent >= 0) return place(urgent) && place(batch, choice)
    }
    return put(batch, task)
  }

  /** A batch that would miss its maximum wait if the draft were laid before it; −1 when none would. */
  function missedAfterDraft(batch: number): number {
    copyDraft(draft, kept)
    const { painter, end } = kept
    const way = wayOf(kept.task, kept.way)
    const before = [free[painter] ?? 0, family[painter] ?? -1, familySession[painter] ?? 0] as const
    free[painter] = kept.count < kept.task.models.length ? Number.POSITIVE_INFINITY : end
    family[painter] = way.family
    familySession[painter] = kept.session
    const station = way.station === null ? -1 : earliestStation(way.station)
    const stationBefore = stationFree[station] ?? 0
    if (station >= 0) stationFree[station] = end
    let missed = -1
    for (let other = 0; other < batches.length && missed < 0; other++) {
      const task = pending[other] === 0 || other === batch ? undefined : taskOf(other)
      if (task && !(choose(other, task, 0) && !draft.tooLate)) missed = other
    }
    free[painter] = before[0]
    family[painter] = before[1]
    familySession[painter] = before[2]
    if (station >= 0) stationFree[station] = stationBefore
    copyDraft(kept, draft)
    return missed
  }

  function earliestStation(station: number): number {
    const from = stationAt[station] ?? 0
    let best = from
    for (let at = from; at < from + (stations[station] ?? 0); at++) {
      if ((stationFree[at] ?? 0) < (stationFree[best] ?? 0)) best = at
    }
    return best
  }

  /** Lays the draft, and goes on with the same painter until every model is through. */
  function put(batch: number, task: PlanTask): boolean {
    const { way, painter } = draft
    let left = 0
    for (;;) {
      if (draft.tooLate) failed = true
      if (left === 0) firstHands[batch] = draft.start + draft.setUp
      lay(batch, task, left)
      left += draft.count
      if (left >= task.models.length) break
      lookUpDry(batch, task, left)
      if (!find(batch, task, left, way, painter)) {
        failed = true
        return false
      }
    }
    countInHand(batch, task)
    return !failed
  }

  function lay(batch: number, task: PlanTask, left: number): void {
    const { painter, start, setUp, count, end, session } = draft
    const way = wayOf(task, draft.way)
    const opensPot = !isOpen(painter, way, session) && !isOnPalette(painter, way, session)
    const hands = handsSeconds(way, painters[painter])
    const from = state.modelAt[batch] ?? 0
    let clock = start + setUp
    for (let index = left; index < left + count; index++) {
      clock += hands
      const model = task.models[index] ?? 0
      regions[batch]?.wet(model, task.regions, clock, clock + way.wait)
      if (task.maxWait !== null) deadline[from + model] = clock + task.maxWait
    }
    record?.({
      batch,
      task: next[batch] ?? 0,
      way: draft.way,
      painter,
      from: left,
      count,
      start,
      setUp,
      opensPot,
      end,
      session,
    })
    const opens = sessionsOf(instance, painter)[session]?.start ?? 0
    sums.exposed += start - Math.max(free[painter] ?? 0, opens)
    sums.setUp += setUp
    sums.hands += end - start
    if (opensPot) sums.pots += 1
    countSameness(batch, task, painter, session, count * hands)
    family[painter] = way.family
    onPalette[painter * state.families + way.family] = session + 1
    familySession[painter] = session
    free[painter] = end
    lastHands[batch] = Math.max(lastHands[batch] ?? 0, end)
    if (way.station !== null) stationFree[earliestStation(way.station)] = end
    if (instance.rack !== null && way.onRack) {
      rack[sums.onRack * 3] = start + setUp
      rack[sums.onRack * 3 + 1] = end + way.wait
      rack[sums.onRack * 3 + 2] = count
      sums.onRack += 1
    }
  }

  const { runs } = state
  function countSameness(
    batch: number,
    task: PlanTask,
    painter: number,
    session: number,
    worked: number,
  ): void {
    const at = painter * 4
    const kind = batches[batch]?.kind ?? 0
    const goesOn = familySession[painter] === session
    const stageRun = goesOn && runs[at] === task.stage ? (runs[at + 1] ?? 0) : 0
    const kindRun = goesOn && runs[at + 2] === kind ? (runs[at + 3] ?? 0) : 0
    sums.sameness += beyond(stageRun, worked, longStage) + beyond(kindRun, worked, longKind)
    runs[at] = task.stage
    runs[at + 1] = stageRun + worked
    runs[at + 2] = kind
    runs[at + 3] = kindRun + worked
  }

  function countInHand(batch: number, task: PlanTask): void {
    const planned = batches[batch]
    const placed = (next[batch] ?? 0) + 1
    next[batch] = placed
    const last = placed === planned?.tasks.length
    if (!helps.has(batch)) {
      if (placed === 1 && !planned?.begun) sums.inHand += 1
      if (last) sums.inHand -= 1
    }
    if (pending[batch] !== 0) {
      pending[batch] = 0
      sums.pending -= 1
    }
    if (task.maxWait !== null && !last) {
      pending[batch] = 1
      sums.pending += 1
      // Models that this task left out are bound by nothing.
      const from = state.modelAt[batch] ?? 0
      for (let model = 0; model < (planned?.models ?? 0); model++) {
        if (!task.models.includes(model)) deadline[from + model] = Number.POSITIVE_INFINITY
      }
    }
  }

  function cost(): PlanCost {
    let finish = 0
    let flow = 0
    let late = 0
    let pressed = 0
    batches.forEach((batch, index) => {
      if (hasTask(index)) failed = true
      const dry = regions[index]?.allDryAt() ?? 0
      flow += dry
      finish = Math.max(finish, dry)
      if (batch.due !== null) late += Math.max(0, dry - batch.due)
      pressed += batch.priority * dry
    })
    let handsDone = 0
    let deskSeconds = 0
    for (let painter = 0; painter < people; painter++) {
      const until = free[painter] ?? 0
      handsDone = Math.max(handsDone, until)
      deskSeconds = Math.max(deskSeconds, atDesk[painter]?.until(until) ?? 0)
    }
    if (failed) finish = Number.POSITIVE_INFINITY
    return {
      late,
      pressed,
      finish,
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

  return {
    reset,
    hasTask,
    mayGoOn,
    peek,
    place,
    placeAlone,
    isPotOpen,
    workedUntil,
    hash,
    free: (painter) => free[painter] ?? 0,
    dryAt: (batch) => regions[batch]?.allDryAt() ?? 0,
    setUpSeconds: () => sums.setUp,
    cost,
    save: state.save,
    load: (saved) => {
      state.load(saved)
      failed = false
    },
  }
}

function emptyDraft(task: PlanTask): Draft {
  return { task, way: 0, painter: 0, start: 0, setUp: 0, count: 0, end: 0, session: 0, tooLate: false }
}

function copyDraft(from: Draft, to: Draft): void {
  to.task = from.task
  to.way = from.way
  to.painter = from.painter
  to.start = from.start
  to.setUp = from.setUp
  to.count = from.count
  to.end = from.end
  to.session = from.session
  to.tooLate = from.tooLate
}

function isBetter(a: Draft, aEnd: number, b: Draft, bEnd: number): boolean {
  if (a.tooLate !== b.tooLate) return b.tooLate
  if (aEnd !== bEnd) return aEnd < bEnd
  return a.setUp !== b.setUp ? a.setUp < b.setUp : a.start > b.start
}

function fitting(room: number, hands: number, wanted: number): number {
  if (room < 0) return 0
  return hands > 0 ? Math.min(wanted, Math.floor(room / hands)) : wanted
}

function overlap(a: readonly number[], b: readonly number[]): boolean {
  return a.some((region) => b.includes(region))
}

/** How much of the new work lies beyond where a run gets long. */
function beyond(run: number, worked: number, long: number): number {
  return Math.max(0, run + worked - long) - Math.max(0, run - long)
}

function mixed(state: number, figure: number): number {
  return (Math.imul(state, 1_664_525) + (figure | 0) + 1_013_904_223) | 0
}
