import { sumOf, type BuilderState } from './builder-state.ts'
import type { CompiledInstance } from './compiled.ts'
import { rackReady } from './drying-rack.ts'
import { everFollowed, followingStart } from './following-start.ts'
import { firstSlotAfter } from './time-slots.ts'

/** How a stage too long for what is left of a session is placed: begin it there, or keep it in one piece. */
export type SplitPolicy = 'fill' | 'whole'

/** Where a task would begin, and with whom; one object is written over and over. */
export interface Place {
  task: number
  way: number
  painter: number
  start: number
  setUp: number
  opensPot: boolean
  /** Models that fit into the session. */
  count: number
  end: number
  session: number
  /** Rather here than after a wait in the session before. */
  putOff: boolean
  /** The hands come too late for what has to follow soon. */
  tooLate: boolean
}

export const noPlace = (): Place => ({
  task: 0,
  way: 0,
  painter: 0,
  start: 0,
  setUp: 0,
  opensPot: false,
  count: 0,
  end: 0,
  session: 0,
  putOff: false,
  tooLate: false,
})

export function copyPlace(from: Place, to: Place): void {
  to.task = from.task
  to.way = from.way
  to.painter = from.painter
  to.start = from.start
  to.setUp = from.setUp
  to.opensPot = from.opensPot
  to.count = from.count
  to.end = from.end
  to.session = from.session
  to.putOff = from.putOff
  to.tooLate = from.tooLate
}

/** The state in which a place is looked for, and who asks. */
export interface PlaceFinder {
  /** The place found last. */
  readonly draft: Place
  /** Looks for the best place of a task by a choice, into `draft`; false when there is none. */
  readonly choose: (task: number, choice: number) => boolean
  /** Looks for the earliest place of what is left of a task, with this painter and way. */
  readonly goOn: (task: number, left: number, way: number, painter: number) => boolean
  readonly earliestStation: (station: number) => number
  readonly reset: (policy: SplitPolicy) => void
}

/**
 * @param choices see `choicesOf`.
 * @param skipped by painter and session: 1 where a session falls out; read anew for every task.
 */
export function placeFinder(
  compiled: CompiledInstance,
  state: BuilderState,
  idle: BuilderState,
  choices: number,
  skipped?: readonly Uint8Array[],
): PlaceFinder {
  const { instance, people, families, tasks, models, modelsFrom, hands: handsOf, wayFrom, batchOf } = compiled
  const { whole, regions, regionsFrom, maxWait, helps, opens, slots: slotsOf, windows } = compiled
  const { family, setUp: setUps, again, wait: waits, station: stationOf, onRack } = compiled
  const { sums, free, wet, width, pending, deadline, session: sessionOf, stationFree } = state
  const { left: leftOf, begun, firstHands, lastHands, dry: dryOfBatch, stationAt } = state
  const hasJoins = tasks.some((task) => task.joins.length > 0)
  const isBound = tasks.some((task) => task.maxWait !== null) || (state.sums[sumOf.pending] ?? 0) > 0
  const keepsPalette = again.some((seconds, way) => seconds < (setUps[way] ?? 0))
  const stations = Int32Array.from(instance.stations)
  const closes = instance.potsCloseBetweenSessions
  const mostInHand = instance.inHandAtMost ?? Number.POSITIVE_INFINITY
  const places = instance.rack ?? Number.POSITIVE_INFINITY
  const kinds = instance.windows.length + 1
  const severalHands = people > 1
  const startOfChain = followingStart(compiled, state)
  const canBeFollowed = everFollowed(compiled, idle)
  const draft = noPlace()
  const better = noPlace()
  let policy: SplitPolicy = 'fill'

  const dryOf = new Float64Array(compiled.tasks.reduce((most, task) => Math.max(most, task.models.length), 0))
  let readyAnyway = 0
  let latestDry = 0

  /** Looks up when the models of a task are dry: the same for whoever takes it. */
  function lookUpDry(task: number, left: number): void {
    const batch = batchOf[task] ?? 0
    readyAnyway = firstHands[batch] ?? 0
    if (hasJoins)
      for (const joined of tasks[task]?.joins ?? [])
        readyAnyway = Math.max(readyAnyway, dryOfBatch[joined] ?? 0)
    latestDry = 0
    const from = (modelsFrom[task] ?? 0) + left
    const to = modelsFrom[task + 1] ?? 0
    const isWhole = whole[task] === 1
    const firstRegion = regionsFrom[task] ?? 0
    const endRegion = regionsFrom[task + 1] ?? 0
    for (let at = from; at < to; at++) {
      const base = (models[at] ?? 0) * width
      let dry = 0
      if (isWhole) dry = wet[base + 1] ?? 0
      else {
        dry = wet[base] ?? 0
        if (severalHands) dry = Math.max(dry, wet[base + 2] ?? 0)
        for (let region = firstRegion; region < endRegion; region++) {
          const until = wet[base + 3 + (regions[region] ?? 0)] ?? 0
          if (until > dry) dry = until
        }
      }
      dryOf[at - from] = dry
      if (dry > latestDry) latestDry = dry
    }
  }

  /** The earliest start of the hands from `from` on at which no model is touched wet when its turn comes. */
  function dryFor(count: number, hands: number, from: number): number {
    if (latestDry <= from) return readyAnyway
    let ready = readyAnyway
    for (let at = 0; at < count; at++) {
      const dry = (dryOf[at] ?? 0) - at * hands
      if (dry > ready) ready = dry
    }
    return ready
  }

  /** The latest start of the hands that keeps the maximum wait of every model. */
  function latestFor(task: number, left: number, hands: number): number {
    let latest = Number.POSITIVE_INFINITY
    if (pending[batchOf[task] ?? 0] !== task + 1) return latest
    const from = (modelsFrom[task] ?? 0) + left
    const to = modelsFrom[task + 1] ?? 0
    for (let at = from; at < to; at++)
      latest = Math.min(latest, (deadline[models[at] ?? 0] ?? 0) - (at - from) * hands)
    return latest
  }

  const ends = new Float64Array(instance.batches.length)
  let roomAt = -1
  let room = 0

  /** When a batch may begin, so that at no time too many are in hand. With one painter the sequence sees to that. */
  function roomInHand(batch: number): number {
    if (people === 1 || mostInHand === Number.POSITIVE_INFINITY) return 0
    if (begun[batch] === 1 || helps[batch] === 1) return 0
    // The same for every batch that is not begun, until something is laid.
    if (roomAt === state.stamp.now) return room
    roomAt = state.stamp.now
    let through = 0
    for (let other = 0; other < ends.length; other++) {
      if (leftOf[other] === 0 && helps[other] !== 1) ends[through++] = lastHands[other] ?? 0
    }
    const inHand = sums[sumOf.inHand] ?? 0
    room = ends.subarray(0, through).sort()[through - Math.max(1, mostInHand - inHand)] ?? 0
    return room
  }

  function earliestStation(station: number): number {
    const from = stationAt[station] ?? 0
    let best = from
    for (let at = from; at < from + (stations[station] ?? 0); at++) {
      if ((stationFree[at] ?? 0) < (stationFree[best] ?? 0)) best = at
    }
    return best
  }

  function isOpen(way: number, painter: number, session: number): boolean {
    return state.family[painter] === family[way] && (!closes || sessionOf[painter] === session)
  }

  /** Brought on to the palette in this session, and not dry yet. */
  function isOnPalette(way: number, painter: number, session: number): boolean {
    if (!keepsPalette || (again[way] ?? 0) >= (setUps[way] ?? 0)) return false
    const since = state.onPalette[painter * families + (family[way] ?? 0)] ?? 0
    return closes ? since === session + 1 : since > 0
  }

  const hasWorked = (painter: number) => (free[painter] ?? 0) > (opens[painter]?.[0] ?? 0)

  /** The earliest place with this painter and way, into `draft`; false when there is none. */
  function find(task: number, left: number, way: number, painter: number, putOff: boolean): boolean {
    const hands = handsOf[way * people + painter] ?? -1
    const slots = slotsOf[painter * kinds + (windows[way] ?? 0)]
    if (hands < 0 || !slots) return false
    const wanted = (modelsFrom[task + 1] ?? 0) - (modelsFrom[task] ?? 0) - left
    const batch = batchOf[task] ?? 0
    const from = people === 1 ? (free[painter] ?? 0) : Math.max(free[painter] ?? 0, roomInHand(batch))
    const dry = dryFor(wanted, hands, from)
    const latest = isBound ? latestFor(task, left, hands) : Number.POSITIVE_INFINITY
    const station = stationOf[way] ?? -1
    const stationReady = station < 0 ? 0 : (stationFree[earliestStation(station)] ?? 0)
    const leads = isBound && maxWait[task] !== Number.POSITIVE_INFINITY
    const bound = leads || (isBound && pending[batch] !== 0)
    const own = way - (wayFrom[task] ?? 0)
    if (leads && !canBeFollowed(task, own, painter)) return false
    const together =
      !instance.maySplit ||
      bound ||
      (policy === 'whole' && (setUps[way] ?? 0) + wanted * hands <= slots.longest)
    const isRacked = places !== Number.POSITIVE_INFINITY && onRack[way] === 1
    for (let at = firstSlotAfter(slots, from); at < slots.count; at++) {
      const closesAt = slots.end[at] ?? 0
      const session = slots.session[at] ?? 0
      if (putOff && session === sessionOf[painter] && hasWorked(painter)) continue
      if (skipped?.[painter]?.[session] === 1) continue
      const opened = isOpen(way, painter, session)
      const lies = !opened && isOnPalette(way, painter, session)
      const setUp = opened ? 0 : ((lies ? again[way] : setUps[way]) ?? 0)
      let start = Math.max(from, slots.start[at] ?? 0, dry - setUp, stationReady - setUp)
      let count = fitting(closesAt - start - setUp, hands, wanted)
      if (count <= 0 || (count < wanted && together)) continue
      if (isRacked) {
        const dries = waits[way] ?? 0
        start = rackReady(state, places, start + setUp, count * hands + dries, count) - setUp
        count = Math.min(count, fitting(closesAt - start - setUp, hands, wanted))
        if (count <= 0 || (count < wanted && together)) continue
      }
      if (leads) {
        const last = closesAt - setUp - wanted * hands
        start = startOfChain(task, start, last, setUp, own, painter)
        if (Number.isNaN(start)) continue
      }
      draft.task = task
      draft.way = own
      draft.painter = painter
      draft.start = start
      draft.setUp = setUp
      draft.opensPot = !opened && !lies
      draft.count = count
      draft.end = start + setUp + count * hands
      draft.session = session
      draft.tooLate = start + setUp > latest
      return true
    }
    return false
  }

  function choose(task: number, choice: number): boolean {
    lookUpDry(task, 0)
    const putOff = choice >= choices
    draft.putOff = putOff
    const who = putOff ? choice - choices : choice
    if (who > 0) {
      const way = (wayFrom[task] ?? 0) + Math.floor((who - 1) / people)
      const painter = (who - 1) % people
      // Who would come too late for it leaves it to somebody else.
      if (way < (wayFrom[task + 1] ?? 0) && find(task, 0, way, painter, putOff) && !draft.tooLate) return true
    }
    if (putOff) {
      if (chooseAnybody(task, true) && !draft.tooLate) return true
      // There is no other session for it.
      draft.putOff = false
    }
    return chooseAnybody(task, false)
  }

  /** With whoever is through first. */
  function chooseAnybody(task: number, putOff: boolean): boolean {
    const first = wayFrom[task] ?? 0
    const last = wayFrom[task + 1] ?? 0
    if (people === 1 && last === first + 1) return find(task, 0, first, 0, putOff)
    const count = (modelsFrom[task + 1] ?? 0) - (modelsFrom[task] ?? 0)
    let any = false
    let bestEnd = 0
    for (let way = first; way < last; way++) {
      const wait = waits[way] ?? 0
      for (let painter = 0; painter < people; painter++) {
        const hands = handsOf[way * people + painter] ?? -1
        if (hands < 0) continue
        if (any && !better.tooLate) {
          // A painter is not through with it, and it is not dry, before this: most need not be asked where they would begin.
          const soonest = Math.max(free[painter] ?? 0, readyAnyway, latestDry - (count - 1) * hands)
          if (soonest + count * hands + wait > bestEnd) continue
        }
        if (!find(task, 0, way, painter, putOff)) continue
        const end = wholeEnd(draft, count, hands) + wait
        if (any && !isBetter(draft, end, better, bestEnd)) continue
        any = true
        copyPlace(draft, better)
        bestEnd = end
      }
    }
    if (any) copyPlace(better, draft)
    return any
  }

  /** When a task that does not fit into its session would be through. */
  function wholeEnd(place: Place, count: number, hands: number): number {
    const left = count - place.count
    if (left === 0) return place.end
    const next = opens[place.painter]?.[place.session + 1]
    return next === undefined ? Number.POSITIVE_INFINITY : next + left * hands
  }

  return {
    draft,
    choose,
    goOn: (task, left, way, painter) => {
      lookUpDry(task, left)
      return find(task, left, (wayFrom[task] ?? 0) + way, painter, false)
    },
    earliestStation,
    reset: (given) => (policy = given),
  }
}

/** The earlier end; of two, the smaller set-up, then the later start. */
function isBetter(a: Place, aEnd: number, b: Place, bEnd: number): boolean {
  if (a.tooLate !== b.tooLate) return b.tooLate
  if (aEnd !== bEnd) return aEnd < bEnd
  return a.setUp !== b.setUp ? a.setUp < b.setUp : a.start > b.start
}

/** How many of the models wanted fit. */
function fitting(room: number, hands: number, wanted: number): number {
  if (room < 0) return 0
  return hands > 0 ? Math.min(wanted, Math.floor(room / hands)) : wanted
}
