import type { PlanInstance, PlanSegment, PlanTask } from './instance.ts'

/** One rule of the desk that a plan breaks. */
export interface Breach {
  readonly kind:
    | 'hands-overlap'
    | 'outside-session'
    | 'wet-region'
    | 'out-of-order'
    | 'wrong-length'
    | 'missing-set-up'
    | 'model-missed'
    | 'split-not-allowed'
    | 'too-many-in-hand'
  readonly segment: number
}

interface Touch {
  readonly start: number
  readonly end: number
  readonly task: PlanTask
  readonly taskIndex: number
  readonly segment: number
}

/**
 * Checks a plan against the desk's rules model by model. Shares nothing with the planner but the
 * instance's types, so that neither can hide the other's mistakes.
 */
export function validatePlan(instance: PlanInstance, segments: readonly PlanSegment[]): readonly Breach[] {
  return [
    ...checkHands(instance, segments),
    ...checkInHand(instance, segments),
    ...instance.batches.flatMap((_, batch) => checkBatch(instance, segments, batch)),
  ]
}

function checkHands(instance: PlanInstance, segments: readonly PlanSegment[]): Breach[] {
  const breaches: Breach[] = []
  const inTime = segments.map((segment, index) => ({ ...segment, index })).sort((a, b) => a.start - b.start)
  let previous: (typeof inTime)[number] | null = null
  for (const segment of inTime) {
    const task = instance.batches[segment.batch]?.tasks[segment.task]
    if (!task) continue
    if (previous && segment.start < previous.end)
      breaches.push({ kind: 'hands-overlap', segment: segment.index })
    const inSession =
      instance.sessions === null ||
      instance.sessions.some((session) => session.start <= segment.start && segment.end <= session.end)
    if (segment.start < 0 || !inSession) breaches.push({ kind: 'outside-session', segment: segment.index })
    if (segment.end - segment.start !== segment.setUp + segment.count * task.perModel) {
      breaches.push({ kind: 'wrong-length', segment: segment.index })
    }
    const openPot = previous
      ? instance.batches[previous.batch]?.tasks[previous.task]?.family
      : instance.openFamily
    const closed = instance.potsCloseBetweenSessions && (previous?.session ?? 0) !== segment.session
    const wet = inTime.some(
      (earlier) =>
        earlier.start < segment.start &&
        (!instance.potsCloseBetweenSessions || earlier.session === segment.session) &&
        instance.batches[earlier.batch]?.tasks[earlier.task]?.family === task.family,
    )
    const openAtFirst =
      instance.openFamily === task.family && (!instance.potsCloseBetweenSessions || segment.session === 0)
    const fresh = wet || openAtFirst ? task.again : task.setUp
    const needed = openPot !== task.family || closed ? fresh : 0
    if (segment.setUp !== needed) breaches.push({ kind: 'missing-set-up', segment: segment.index })
    if (!instance.maySplit && segment.count !== task.models.length) {
      breaches.push({ kind: 'split-not-allowed', segment: segment.index })
    }
    previous = segment
  }
  return breaches
}

function checkInHand(instance: PlanInstance, segments: readonly PlanSegment[]): Breach[] {
  const most = instance.inHandAtMost
  if (most === null) return []
  const spans = instance.batches.map((batch, index) => {
    const own = segments.filter((segment) => segment.batch === index)
    const start = Math.min(...own.map((segment) => segment.start))
    return {
      from: batch.begun ? Number.NEGATIVE_INFINITY : start,
      to: Math.max(...own.map((segment) => segment.end)),
      first: segments.findIndex((segment) => segment.batch === index && segment.start === start),
      working: own.length > 0,
      begun: batch.begun,
    }
  })
  return spans
    .filter((span) => span.working && !span.begun)
    .filter((span) => {
      const others = spans.filter((other) => {
        if (other === span || !other.working) return false
        return other.from <= span.from && other.to > span.from
      })
      return others.length >= most
    })
    .map((span) => ({ kind: 'too-many-in-hand', segment: span.first }))
}

function checkBatch(instance: PlanInstance, segments: readonly PlanSegment[], batchIndex: number): Breach[] {
  const breaches: Breach[] = []
  const batch = instance.batches[batchIndex]
  if (!batch) return breaches
  const touches = new Map<number, Touch[]>()
  segments.forEach((segment, index) => {
    const task = batch.tasks[segment.task]
    if (segment.batch !== batchIndex || !task) return
    for (let k = 0; k < segment.count; k++) {
      const model = task.models[segment.from + k]
      if (model === undefined) continue
      const start = segment.start + segment.setUp + k * task.perModel
      const touch = { start, end: start + task.perModel, task, taskIndex: segment.task, segment: index }
      touches.set(model, [...(touches.get(model) ?? []), touch])
    }
  })
  for (let model = 0; model < batch.models; model++) {
    const done = (touches.get(model) ?? []).sort((a, b) => a.start - b.start || a.taskIndex - b.taskIndex)
    const needed = batch.tasks.flatMap((task, index) => (task.models.includes(model) ? [index] : []))
    const got = done.map((touch) => touch.taskIndex).sort((a, b) => a - b)
    if (got.join() !== needed.join()) breaches.push({ kind: 'model-missed', segment: -1 })
    for (const [index, touch] of done.entries()) {
      for (const earlier of done.slice(0, index)) {
        if (earlier.taskIndex > touch.taskIndex)
          breaches.push({ kind: 'out-of-order', segment: touch.segment })
        const dry = earlier.end + earlier.task.wait
        if (share(earlier.task.regions, touch.task.regions) && touch.start < dry) {
          breaches.push({ kind: 'wet-region', segment: touch.segment })
        }
      }
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

function share(a: PlanTask['regions'], b: PlanTask['regions']): boolean {
  return a === 'whole' || b === 'whole' || a.some((region) => b.includes(region))
}
