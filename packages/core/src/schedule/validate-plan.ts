import type { PlanBatch, PlanInstance, PlanSegment, PlanTask, PlanWay, Span } from './instance.ts'

/** One rule of the desk that a plan breaks. */
export interface Breach {
  readonly kind:
    | 'hands-overlap'
    | 'outside-session'
    | 'outside-window'
    | 'wet-region'
    | 'in-two-hands'
    | 'too-late'
    | 'out-of-order'
    | 'joined-too-soon'
    | 'wrong-length'
    | 'wrong-painter'
    | 'missing-set-up'
    | 'model-missed'
    | 'split-not-allowed'
    | 'station-full'
    | 'rack-full'
    | 'too-many-in-hand'
  readonly segment: number
}

interface Touch {
  readonly start: number
  readonly end: number
  readonly dry: number
  readonly task: PlanTask
  readonly taskIndex: number
  readonly segment: number
}

/** A segment with what it refers to. */
interface Laid {
  readonly at: number
  readonly segment: PlanSegment
  readonly task: PlanTask
  readonly way: PlanWay
  readonly hands: number
}

/**
 * Checks a plan against the desk's rules model by model. Shares nothing with the planner but the
 * instance's types, so that neither can hide the other's mistakes.
 */
export function validatePlan(instance: PlanInstance, segments: readonly PlanSegment[]): readonly Breach[] {
  const laid = segments.flatMap((segment, at): Laid[] => {
    const task = instance.batches[segment.batch]?.tasks[segment.task]
    const way = task && (segment.way === 0 ? task : task.others[segment.way - 1])
    const pace = instance.painters[segment.painter]?.pace
    if (!task || !way || pace === undefined) return []
    return [{ at, segment, task, way, hands: Math.round(way.perModel * pace) }]
  })
  const unknown: Breach[] = laid.length < segments.length ? [{ kind: 'wrong-painter', segment: -1 }] : []
  return [
    ...unknown,
    ...instance.painters.flatMap((_, painter) =>
      checkHands(
        instance,
        painter,
        laid.filter((each) => each.segment.painter === painter),
      ),
    ),
    ...checkStations(instance, laid),
    ...checkRack(instance, laid),
    ...checkInHand(instance, segments),
    ...instance.batches.flatMap((_, batch) => checkBatch(instance, laid, batch)),
    ...checkJoins(instance, laid),
  ]
}

function checkHands(instance: PlanInstance, painter: number, laid: readonly Laid[]): Breach[] {
  const breaches: Breach[] = []
  const inTime = laid.toSorted((a, b) => a.segment.start - b.segment.start)
  const sessions = instance.painters[painter]?.sessions ?? null
  const openAtFirst = painter === 0 ? instance.openFamily : null
  let previous: Laid | null = null
  for (const each of inTime) {
    const { segment, way, task, at } = each
    const breach = (kind: Breach['kind']) => breaches.push({ kind, segment: at })
    if (way.painters !== null && !way.painters.includes(painter)) breach('wrong-painter')
    if (previous && segment.start < previous.segment.end) breach('hands-overlap')
    const session = sessions?.[segment.session]
    if (segment.start < 0 || (sessions !== null && !(session && within(segment, [session])))) {
      breach('outside-session')
    }
    if (way.windows !== null && !within(segment, instance.windows[way.windows] ?? []))
      breach('outside-window')
    if (segment.end - segment.start !== segment.setUp + segment.count * each.hands) breach('wrong-length')
    const openPot = previous ? previous.way.family : openAtFirst
    const closed = instance.potsCloseBetweenSessions && (previous?.segment.session ?? 0) !== segment.session
    const wet = inTime.some(
      (earlier) =>
        earlier.segment.start < segment.start &&
        (!instance.potsCloseBetweenSessions || earlier.segment.session === segment.session) &&
        earlier.way.family === way.family,
    )
    const wetAtFirst =
      openAtFirst === way.family && (!instance.potsCloseBetweenSessions || segment.session === 0)
    const fresh = wet || wetAtFirst ? Math.min(way.again, way.setUp) : way.setUp
    if (segment.setUp !== (openPot !== way.family || closed ? fresh : 0)) breach('missing-set-up')
    if (!instance.maySplit && segment.count !== task.models.length) breach('split-not-allowed')
    previous = each
  }
  return breaches
}

function within({ start, end }: PlanSegment, spans: readonly Span[]): boolean {
  return spans.some((span) => span.start <= start && end <= span.end)
}

/** The hands of all tasks at a station, counted where one begins. */
function checkStations(instance: PlanInstance, laid: readonly Laid[]): Breach[] {
  const held = laid.filter((each) => each.way.station !== null && each.segment.count * each.hands > 0)
  const begins = (each: Laid) => each.segment.start + each.segment.setUp
  return held.flatMap((each): Breach[] => {
    const beside = held.filter(
      (other) =>
        other.way.station === each.way.station &&
        begins(other) <= begins(each) &&
        other.segment.end > begins(each),
    )
    const places = instance.stations[each.way.station ?? -1] ?? 0
    return beside.length > places ? [{ kind: 'station-full', segment: each.at }] : []
  })
}

function checkRack({ rack }: PlanInstance, laid: readonly Laid[]): Breach[] {
  if (rack === null) return []
  const lying = laid
    .filter((each) => each.way.onRack)
    .map((each) => ({
      at: each.at,
      from: each.segment.start + each.segment.setUp,
      until: each.segment.end + each.way.wait,
      models: each.segment.count,
    }))
  return lying.flatMap((each): Breach[] => {
    const models = lying
      .filter((other) => other.from <= each.from && other.until > each.from)
      .reduce((sum, other) => sum + other.models, 0)
    return models > rack ? [{ kind: 'rack-full', segment: each.at }] : []
  })
}

function checkInHand(instance: PlanInstance, segments: readonly PlanSegment[]): Breach[] {
  const most = instance.inHandAtMost
  if (most === null) return []
  const joined = new Set(instance.batches.flatMap((batch) => batch.tasks.flatMap((task) => task.joins)))
  const spans = instance.batches.map((batch, index) => {
    const own = segments.filter((segment) => segment.batch === index)
    // A set-up touches no model yet.
    const start = Math.min(...own.map((segment) => segment.start + segment.setUp))
    return {
      from: batch.begun ? Number.NEGATIVE_INFINITY : start,
      to: Math.max(...own.map((segment) => segment.end)),
      first: segments.findIndex(
        (segment) => segment.batch === index && segment.start + segment.setUp === start,
      ),
      counts: own.length > 0 && !joined.has(index),
      begun: batch.begun,
    }
  })
  return spans
    .filter((span) => span.counts && !span.begun)
    .filter((span) => {
      const others = spans.filter((other) => {
        if (other === span || !other.counts) return false
        return other.from <= span.from && other.to > span.from
      })
      return others.length >= most
    })
    .map((span) => ({ kind: 'too-many-in-hand', segment: span.first }))
}

function checkBatch(instance: PlanInstance, laid: readonly Laid[], batchIndex: number): Breach[] {
  const breaches: Breach[] = []
  const batch = instance.batches[batchIndex]
  if (!batch) return breaches
  const touches = new Map<number, Touch[]>()
  for (const { segment, task, way, hands, at } of laid) {
    if (segment.batch !== batchIndex) continue
    for (let k = 0; k < segment.count; k++) {
      const model = task.models[segment.from + k]
      if (model === undefined) continue
      const start = segment.start + segment.setUp + k * hands
      const end = start + hands
      const touch = { start, end, dry: end + way.wait, task, taskIndex: segment.task, segment: at }
      touches.set(model, [...(touches.get(model) ?? []), touch])
    }
  }
  const begins = batch.tasks.map((_, index) =>
    Math.min(
      ...laid
        .filter(({ segment }) => segment.batch === batchIndex && segment.task === index)
        .map(({ segment }) => segment.start + segment.setUp),
    ),
  )
  batch.tasks.forEach((_, index) => {
    const own = laid.filter(({ segment }) => segment.batch === batchIndex && segment.task === index)
    const [first] = own
    const other = own.find(({ segment }) => segment.painter !== first?.segment.painter)
    if (other) breaches.push({ kind: 'wrong-painter', segment: other.at })
  })
  begins.forEach((begin, index) => {
    if (earlierOf(batch, index).some((earlier) => begin < (begins[earlier] ?? 0)))
      breaches.push({ kind: 'out-of-order', segment: -1 })
  })
  for (let model = 0; model < batch.models; model++) {
    const done = (touches.get(model) ?? []).sort((a, b) => a.start - b.start || a.taskIndex - b.taskIndex)
    const needed = batch.tasks.flatMap((task, index) => (task.models.includes(model) ? [index] : []))
    const got = done.map((touch) => touch.taskIndex).sort((a, b) => a - b)
    if (got.join() !== needed.join()) breaches.push({ kind: 'model-missed', segment: -1 })
    for (const [index, touch] of done.entries()) {
      for (const earlier of done.slice(0, index)) {
        if (earlierOf(batch, earlier.taskIndex).includes(touch.taskIndex))
          breaches.push({ kind: 'out-of-order', segment: touch.segment })
        if (touch.start < earlier.end) breaches.push({ kind: 'in-two-hands', segment: touch.segment })
        if (share(earlier.task.regions, touch.task.regions) && touch.start < earlier.dry) {
          breaches.push({ kind: 'wet-region', segment: touch.segment })
        }
        const bound = earlier.task.maxWait
        if (
          bound !== null &&
          touch.taskIndex === earlier.taskIndex + 1 &&
          touch.start > earlier.end + bound
        ) {
          breaches.push({ kind: 'too-late', segment: touch.segment })
        }
      }
      const by = batch.firstBy?.find((each) => each.model === model)?.by
      if (touch.taskIndex === 0 && by !== undefined && touch.start > by)
        breaches.push({ kind: 'too-late', segment: touch.segment })
      for (const drying of batch.drying) {
        if (
          drying.model === model &&
          share(drying.regions, touch.task.regions) &&
          touch.start < drying.readyAt
        ) {
          breaches.push({ kind: 'wet-region', segment: touch.segment })
        }
      }
    }
  }
  return breaches
}

/** The tasks that have to be begun before one of a batch. */
function earlierOf({ comesAfter }: PlanBatch, task: number): readonly number[] {
  return comesAfter ? (comesAfter[task] ?? []) : Array.from({ length: task }, (_, earlier) => earlier)
}

/** What is joined is through and dry before. */
function checkJoins(instance: PlanInstance, laid: readonly Laid[]): Breach[] {
  return laid.flatMap(({ segment, task, at }): Breach[] => {
    const ready = task.joins.flatMap((joined) => [
      ...laid
        .filter((other) => other.segment.batch === joined)
        .map((other) => other.segment.end + other.way.wait),
      ...(instance.batches[joined]?.drying ?? []).map((drying) => drying.readyAt),
    ])
    return ready.some((moment) => segment.start + segment.setUp < moment)
      ? [{ kind: 'joined-too-soon', segment: at }]
      : []
  })
}

function share(a: PlanTask['regions'], b: PlanTask['regions']): boolean {
  return a === 'whole' || b === 'whole' || a.some((region) => b.includes(region))
}
