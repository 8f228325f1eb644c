import { localDateAt, momentOf, paintedBy, type Session } from '../calendar/index.ts'
import type { BatchTimes } from '../estimating/index.ts'
import { type Progress, toFollow } from '../progress/index.ts'
import { type Batch, batchesMeant, type Parts, type Pin, type Teamwork } from '../trade/index.ts'
import { failure, type Instant, type Result, seconds, success, type UnitId } from '../units/index.ts'
import { buildBatches, techniqueOf } from './build-batches.ts'
import {
  batchByBatch,
  createScheduleBuilder,
  type EveningPrices,
  handsSeconds,
  impossiblePair,
  buildSchedule,
  type PlanInstance,
  type PlanTask,
  slotsOf,
} from '../schedule/index.ts'
import { deskHours, type DeskHours, type NoSprayTime } from './desk-hours.ts'
import type { LineLinks } from './line-links.ts'
import type { PlanNote, PlanProblem } from './plan-notes.ts'
import { shareOut } from './share-out.ts'

export interface InstanceInput extends Parts {
  readonly batches: readonly Batch[]
  readonly progress: Progress
  readonly now: Instant
  readonly times: BatchTimes | undefined
  readonly links: LineLinks | undefined
  readonly teamwork: Teamwork
  readonly noSpray: readonly NoSprayTime[]
  readonly dueByUnit?: ReadonlyMap<UnitId, Instant | null>
  readonly hereByUnit?: ReadonlyMap<UnitId, Instant | null>
  readonly jobByUnit?: ReadonlyMap<UnitId, number>
  /** Share of each session that is left free. */
  readonly room: number
  /** Sessions beyond what the work as estimated takes: three times as many. */
  readonly spare?: boolean
}

export interface PlanInstanceOf {
  readonly instance: PlanInstance
  /** By painter; in full, with what is left free of them. */
  readonly sessions: readonly (readonly Session[])[]
  /** Share of each session that is left free. */
  readonly room: number
  readonly notes: readonly PlanNote[]
}

const mostSessions = 10_000

/** What people dislike in an evening, in seconds that they would rather work: from memory, common practice. */
const eveningPrices: EveningPrices = {
  paintChange: 90,
  sprayTrip: 300,
  airbrush: 240,
  shortStretch: 180,
  short: 300,
  potForOne: 120,
  unitChange: 30,
}

/**
 * The work as an instance with as many sessions as the slower hand habits need: then every row of tasks the
 * search may try finds a place. Pins that cannot be kept are left out and noted; any other conflict is named. Where
 * nothing holds with room left in the sessions, it is made without.
 */
export function planInstance(input: InstanceInput): Result<PlanInstanceOf, PlanProblem> {
  const roomy = instanceWithPins(input)
  if (input.room === 0 || (roomy.ok && keepsAllPins(roomy.value))) return roomy
  // What stands in the way is told of the sessions as they are.
  const full = instanceWithPins({ ...input, room: 0 })
  return full.ok || !roomy.ok ? full : roomy
}

function keepsAllPins({ notes }: PlanInstanceOf): boolean {
  return notes.every((note) => note.kind !== 'pin-not-kept')
}

function instanceWithPins(input: InstanceInput): Result<PlanInstanceOf, PlanProblem> {
  const { pins, gone } = pinsMeant(input.wishes.pins, input.batches)
  const goneNotes = gone.map((pin) => pinNote(input, pin))
  const found = withSessions(input, pins)
  if (found.ok) {
    const notes = [...found.value.notes, ...dateNotes(input, found.value), ...goneNotes]
    return success({ ...found.value, notes })
  }
  if (found.error.kind !== 'cannot-all-hold' || found.error.what !== 'pins') return found
  // One by one: what can be kept beside those before it is.
  const kept: Pin[] = []
  const dropped: Pin[] = []
  for (const pin of pins) {
    if (withSessions(input, [...kept, pin]).ok) kept.push(pin)
    else dropped.push(pin)
  }
  const rest = withSessions(input, kept)
  if (!rest.ok) return rest
  return success({
    ...rest.value,
    notes: [
      ...rest.value.notes,
      ...dateNotes(input, rest.value),
      ...goneNotes,
      ...dropped.map((pin): PlanNote => pinNote(input, pin)),
    ],
  })
}

/** The pins by the batches they mean now, and those whose batch is gone. */
function pinsMeant(
  pins: readonly Pin[],
  batches: readonly Batch[],
): { readonly pins: readonly Pin[]; readonly gone: readonly Pin[] } {
  const meant = pins.map((pin) => ({ pin, batches: batchesMeant(pin.batchId, batches) }))
  return {
    pins: meant.flatMap(({ pin, batches: own }) => own.map(({ id }) => ({ ...pin, batchId: id }))),
    gone: meant.filter(({ batches: own }) => own.length === 0).map(({ pin }) => pin),
  }
}

function pinNote({ work, desk, batches }: InstanceInput, pin: Pin): PlanNote {
  const batch = batches.find((each) => each.id === pin.batchId)
  return {
    kind: 'pin-not-kept',
    stageName: work.line.find((stage) => stage.id === pin.stageId)?.name ?? 'a stage that is gone',
    batch: batch ? batch.unitName : 'a batch that is gone',
    startsAt: momentOf(pin, desk.evenings.timeZone),
  }
}

/** So many times what a plan has room in: a slow hand may take several times as long as expected. */
const spareSessions = 6

function withSessions(input: InstanceInput, pins: readonly Pin[]): Result<PlanInstanceOf, PlanProblem> {
  let last: (PlanInstanceOf & { readonly hasSprayWindows: boolean }) | null = null
  for (let count = 16; count <= mostSessions; count *= 5) {
    const hours = deskHours(input, pins, input.now, count, input.noSpray, input.room)
    const built = build(input, hours)
    if (!built.ok) return built
    const instance = withLimitsThatHold(built.value)
    last = {
      instance,
      sessions: hours.sessions,
      room: input.room,
      notes: hours.notes,
      hasSprayWindows: hours.hasSprayWindows,
    }
    if (!isRoomy(instance)) continue
    if (input.spare !== true) return success(last)
    const longer = deskHours(
      input,
      pins,
      input.now,
      Math.min(mostSessions, count * spareSessions),
      input.noSpray,
      input.room,
    )
    const roomier = build(input, longer)
    return roomier.ok
      ? success({
          instance: withLimitsThatHold(roomier.value),
          sessions: longer.sessions,
          room: input.room,
          notes: longer.notes,
        })
      : roomier
  }
  return failure(last ? conflictOf(last.instance, last.hasSprayWindows) : { kind: 'too-far-away' })
}

/**
 * What was put on before the plan and has to be followed soon, as far as somebody can be there in time: one batch after the
 * other. Where nobody can, it comes when it can.
 */
function withLimitsThatHold(instance: PlanInstance): PlanInstance {
  const pressing = instance.batches.flatMap(({ firstBy }, batch) => {
    const by = Math.min(...(firstBy ?? []).map((each) => each.by))
    return Number.isFinite(by) ? [{ batch, by }] : []
  })
  if (pressing.length === 0 || isRoomy(instance)) return instance
  const keeping = (kept: ReadonlySet<number>): PlanInstance => ({
    ...instance,
    batches: instance.batches.map((batch, index) =>
      batch.firstBy && !kept.has(index) ? { ...batch, firstBy: [] } : batch,
    ),
  })
  const kept = new Set<number>()
  for (const { batch } of pressing.sort((a, b) => a.by - b.by)) {
    if (!isRoomy(keeping(new Set([...kept, batch])))) continue
    kept.add(batch)
  }
  return keeping(kept)
}

/** Both hand habits that take longest find room. */
function isRoomy(instance: PlanInstance): boolean {
  const all = { ...instance, inHandAtMost: null }
  return [[instance, 'whole'] as const, [all, 'fill'] as const].every(([each, policy]) => {
    const desk = createScheduleBuilder(each)
    return Number.isFinite(buildSchedule(desk, batchByBatch(desk), policy).finish)
  })
}

/** What stands in the way, as far as it can be told by leaving one thing out at a time. */
function conflictOf(instance: PlanInstance, hasSprayWindows: boolean): PlanProblem {
  const tasks = (change: (task: PlanTask) => PlanTask): PlanInstance => ({
    ...instance,
    batches: instance.batches.map((batch) => ({ ...batch, tasks: batch.tasks.map(change) })),
  })
  if (isRoomy(tasks((task) => ({ ...task, windows: hasSprayWindows && task.windows === 0 ? 0 : null }))))
    return { kind: 'cannot-all-hold', what: 'pins' }
  if (isRoomy(tasks((task) => ({ ...task, windows: null }))))
    return { kind: 'cannot-all-hold', what: 'spray-hours' }
  if (isRoomy(tasks((task) => ({ ...task, maxWait: null }))))
    return { kind: 'cannot-all-hold', what: 'following' }
  if (isRoomy({ ...instance, rack: null })) return { kind: 'cannot-all-hold', what: 'rack' }
  return { kind: 'too-far-away' }
}

function build(input: InstanceInput, hours: DeskHours): Result<PlanInstance, PlanProblem> {
  const { work, desk, now, batches } = input
  const dueOf = (unitId: UnitId): number | null => {
    const known = input.dueByUnit?.get(unitId)
    const due = known === undefined ? paintedBy(input.wishes, input.desk) : known
    return due === null ? null : (due - now) / 1000
  }
  const hereFromOf = (unitId: UnitId): number | null => {
    const here = input.hereByUnit?.get(unitId) ?? null
    return here === null || here <= now ? null : (here - now) / 1000
  }
  const built = buildBatches({
    ...input,
    batches,
    begun: toFollow(work, batches, input.progress, now),
    dueOf,
    hereFromOf,
    jobOf: input.jobByUnit,
    windowsOf: hours.windowsOf,
    longestSession: hours.longestSession,
    slowestPace: Math.max(...desk.painters.map((painter) => painter.pace)),
  })
  const instance: PlanInstance = {
    ...built,
    painters: hours.painters,
    stations: [desk.sprayPlaces, desk.airbrushes],
    windows: hours.windows,
    rack: desk.rackPlaces,
    potsCloseBetweenSessions: true,
    maySplit: true,
    inHandAtMost: desk.batchesInHand,
    bores: { stage: desk.bores.stageSeconds, kind: desk.bores.unitSeconds },
    prices: eveningPrices,
  }
  const problem = findProblem(input, instance, hours.hasSprayWindows)
  return problem ? failure(problem) : success(shareOut(instance, input.teamwork))
}

function findProblem(
  { work, desk, batches }: InstanceInput,
  instance: PlanInstance,
  hasSprayWindows: boolean,
): PlanProblem | null {
  if (batches.length === 0) return { kind: 'no-models' }
  if (work.line.length === 0) return { kind: 'no-stages' }
  const tasks = instance.batches.flatMap((batch) => batch.tasks)
  if (tasks.length === 0) return { kind: 'all-done' }
  if (instance.painters.every((painter) => painter.sessions?.length === 0)) return { kind: 'no-sessions' }
  const nameOf = (task: PlanTask) => work.line[task.stage]?.name ?? ''
  const circle = joinedInACircle(instance)
  if (circle !== null) return { kind: 'joined-in-a-circle', unitName: batches[circle]?.unitName ?? '' }
  for (const batch of instance.batches) {
    const pair = impossiblePair(batch.tasks, 1)
    if (pair) {
      return {
        kind: 'wait-never-kept',
        stageName: nameOf(pair.task),
        nextName: nameOf(pair.after),
        leastSeconds: seconds(
          Math.max(pair.task.wait, pair.after.family === pair.task.family ? 0 : pair.after.setUp),
        ),
        withinSeconds: seconds(pair.task.maxWait ?? 0),
      }
    }
  }
  const known = new Map<string, number>()
  const longestSlot = (painter: number, windows: number | null) => {
    const key = `${String(painter)} ${String(windows)}`
    const longest = known.get(key) ?? slotsOf(instance, painter, windows).longest
    known.set(key, longest)
    return longest
  }
  for (const task of tasks) {
    if (task.painters?.length === 0) {
      const stage = work.line[task.stage]
      return {
        kind: 'nobody-may',
        stageName: nameOf(task),
        technique: (stage && techniqueOf(work, stage)) ?? 'do this',
      }
    }
    if (instance.rack !== null && task.onRack && task.models.length > instance.rack)
      return { kind: 'batch-over-rack', models: task.models.length, places: instance.rack }
    const { needed, longest } = roomFor(task, instance, longestSlot)
    if (needed <= longest) continue
    const { sprayHours } = desk
    if (longest === 0 && sprayHours && task.windows === 0)
      return { kind: 'no-session-in-spray-hours', stageName: nameOf(task), ...sprayHours }
    // A pin into a session that is gone, or too short, is told as a pin.
    if (task.windows !== null)
      return { kind: 'cannot-all-hold', what: hasSprayWindows && task.windows === 0 ? 'spray-hours' : 'pins' }
    return {
      kind: 'stage-never-fits',
      stageName: nameOf(task),
      neededSeconds: seconds(needed),
      sessionSeconds: seconds(longest),
    }
  }
  return null
}

/** What a stage needs at least in one piece, and the longest piece of a session somebody has for it. */
function roomFor(
  task: PlanTask,
  instance: PlanInstance,
  longestSlot: (painter: number, windows: number | null) => number,
): { needed: number; longest: number } {
  let best = { needed: Number.POSITIVE_INFINITY, longest: 0 }
  instance.painters.forEach((painter, index) => {
    if (task.painters !== null && !task.painters.includes(index)) return
    const needed = task.setUp + handsSeconds(task, painter)
    const longest = longestSlot(index, task.windows)
    if (longest - needed > best.longest - best.needed) best = { needed, longest }
  })
  return best
}

/** A batch that waits for itself by what is joined; `null` when none does. */
function joinedInACircle(instance: PlanInstance): number | null {
  const state = new Map<number, 'open' | 'done'>()
  const visit = (batch: number): boolean => {
    if (state.get(batch) === 'done') return false
    if (state.get(batch) === 'open') return true
    state.set(batch, 'open')
    const joins = instance.batches[batch]?.tasks.flatMap((task) => task.joins) ?? []
    if (joins.some(visit)) return true
    state.set(batch, 'done')
    return false
  }
  const found = instance.batches.findIndex((_, batch) => visit(batch))
  return found < 0 ? null : found
}

function dateNotes(input: InstanceInput, { sessions }: PlanInstanceOf): readonly PlanNote[] {
  const { dueOn } = input.wishes
  if (dueOn === null) return []
  if (dueOn < localDateAt(input.now, input.desk.evenings.timeZone)) return [{ kind: 'date-is-past', dueOn }]
  const first = Math.min(...sessions.flatMap((own) => own[0]?.startsAt ?? []))
  if (first <= (paintedBy(input.wishes, input.desk) ?? 0)) return []
  return [{ kind: 'no-session-before-date', dueOn, firstAt: first as Instant }]
}
