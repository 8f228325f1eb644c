import { localDateAt, momentOf, paintedBy, type Session } from '../calendar/index.ts'
import type { BatchTimes } from '../estimating/index.ts'
import { type Progress, toFollow } from '../progress/index.ts'
import {
  type Batch,
  batchesMeant,
  batchName,
  type Fuss,
  type Parts,
  type Pin,
  type Teamwork,
} from '../trade/index.ts'
import { failure, type Instant, type Result, success, type UnitId } from '../units/index.ts'
import { buildBatches } from './build-batches.ts'
import {
  type EveningPrices,
  handsRange,
  type PlanInstance,
  searchPlan,
  type TaskSequence,
  withoutTasks,
} from '../schedule/index.ts'
import { deskHours, type DeskHours, type NoSprayTime } from './desk-hours.ts'
import type { LineLinks } from './line-links.ts'
import { type NotPlanned, type PlanNote, type PlanProblem, planProblemText } from './plan-notes.ts'
import { shareOut } from './share-out.ts'
import { taskProblems, wholeProblem } from './task-problems.ts'
import { conflictOf, isRoomy, placeable, plainSequence, type Unplaced } from './unplaced.ts'

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
  /** A sequence that finds a place for all of it, where the hand habits find none. */
  readonly known?: TaskSequence
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

/** What they count for a painter who minds them little or much. */
const fussFactors: Readonly<Record<Fuss, number>> = { little: 0.3, usual: 1, much: 3 }

/** @returns in seconds. */
function pricesFor(fuss: Fuss): EveningPrices {
  const factor = fussFactors[fuss]
  const { short, ...prices } = eveningPrices
  return {
    paintChange: prices.paintChange * factor,
    sprayTrip: prices.sprayTrip * factor,
    airbrush: prices.airbrush * factor,
    shortStretch: prices.shortStretch * factor,
    potForOne: prices.potForOne * factor,
    unitChange: prices.unitChange * factor,
    short,
  }
}

/**
 * The work as an instance with as many sessions as the slower hand habits need: then every row of tasks the
 * search may try finds a place. Pins that cannot be kept are left out and noted; any other conflict is named. Where
 * nothing holds with room left in the sessions, it is made without.
 */
export function planInstance(input: InstanceInput): Result<PlanInstanceOf, PlanProblem> {
  const roomy = instanceWithPins(input)
  if (input.room === 0 || (roomy.ok && holdsAll(roomy.value))) return roomy
  // What stands in the way is told of the sessions as they are.
  const full = instanceWithPins({ ...input, room: 0 })
  return full.ok || !roomy.ok ? full : roomy
}

function holdsAll({ notes }: PlanInstanceOf): boolean {
  return notes.every(({ kind }) => kind !== 'pin-not-kept' && kind !== 'not-planned')
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

/** So many of everybody's next sessions are looked at first. */
const fewSessions = 16
/** So many times what a plan has room in: a slow hand may take several times as long as expected. */
const spareSessions = 6

function withSessions(input: InstanceInput, pins: readonly Pin[]): Result<PlanInstanceOf, PlanProblem> {
  let last: (PlanInstanceOf & { readonly hasSprayWindows: boolean }) | null = null
  for (let count = fewSessions; count <= mostSessions; count *= 5) {
    const made = instanceFor(input, pins, count)
    if (!made.ok) return made
    last = made.value
    if (isRoomy(last.instance)) {
      if (input.spare !== true) return made
      return instanceFor(input, pins, Math.min(mostSessions, count * spareSessions))
    }
    // Where there are plenty, more of them do not help; the first few may all lie before something is dry.
    if (count > fewSessions && isPlenty(last.instance)) break
  }
  if (!last) return failure({ kind: 'too-far-away' })
  const { instance, hasSprayWindows, notes } = last
  const known = anySequence(instance)
  if (known) return success({ ...last, known })
  const problem = pins.length > 0 ? conflictOf(instance, hasSprayWindows) : null
  if (problem?.kind === 'cannot-all-hold' && problem.what === 'pins') return failure(problem)
  if (!isPlenty(instance) && conflictOf(instance, hasSprayWindows).kind === 'too-far-away')
    return failure({ kind: 'too-far-away' })
  const placed = placeable(instance, hasSprayWindows)
  const more = unplacedNotes(input, instance, placed.unplaced)
  const [first] = more
  if (first && placed.instance.batches.every(({ tasks }) => tasks.length === 0))
    return failure(nothingPlaced(first))
  const rest = isRoomy(placed.instance) ? null : anySequence(placed.instance)
  return success({
    ...last,
    instance: placed.instance,
    notes: [...notes, ...more],
    ...(rest ? { known: rest } : {}),
  })
}

function instanceFor(
  input: InstanceInput,
  pins: readonly Pin[],
  count: number,
): Result<PlanInstanceOf & { readonly hasSprayWindows: boolean }, PlanProblem> {
  const { now, noSpray, room } = input
  const hours = deskHours(input, pins, now, count, noSpray, room)
  const built = build(input, hours)
  if (!built.ok) return built
  const { instance, notes } = built.value
  const { sessions, hasSprayWindows } = hours
  return success({
    instance: withLimitsThatHold(instance),
    sessions,
    room,
    notes: [...hours.notes, ...notes],
    hasSprayWindows,
  })
}

/** So many times what the work takes are plenty of sessions, and so many at least. */
const plenty = { times: 6, sessions: 80 }

function isPlenty(instance: PlanInstance): boolean {
  const sessions = instance.painters.flatMap((painter) => painter.sessions ?? [])
  const hours = sessions.reduce((sum, { start, end }) => sum + end - start, 0)
  const work = instance.batches
    .flatMap((batch) => batch.tasks)
    .reduce((sum, task) => sum + task.setUp + handsRange(instance, task)[1] * task.models.length, 0)
  return sessions.length >= plenty.sessions && hours >= plenty.times * work
}

/** A sequence in which everything finds a place, where a short search meets one. */
function anySequence(instance: PlanInstance): TaskSequence | null {
  const plain = plainSequence(instance)
  if (plain) return plain
  const { sequence, cost } = searchPlan(instance, { seed: 1, evaluations: 100 })
  return Number.isFinite(cost.finish) ? sequence : null
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

function build(
  input: InstanceInput,
  hours: DeskHours,
): Result<{ readonly instance: PlanInstance; readonly notes: readonly PlanNote[] }, PlanProblem> {
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
    prices: pricesFor(desk.fuss),
  }
  const problem = wholeProblem(input, instance)
  if (problem) return failure(problem)
  const unplaced = taskProblems(input, instance, hours.hasSprayWindows)
  // A pin into a session that is gone, or too short, is told as a pin.
  const isPin = ({ problem: each }: Unplaced) => each.kind === 'cannot-all-hold' && each.what === 'pins'
  const pinned = unplaced.find(isPin)
  if (pinned) return failure(pinned.problem)
  const placed = withoutTasks(instance, (batch, task) =>
    unplaced.some((each) => each.batch === batch && each.task === task),
  )
  const notes = unplacedNotes(input, instance, unplaced)
  const [first] = notes
  if (first && placed.batches.every(({ tasks }) => tasks.length === 0)) return failure(nothingPlaced(first))
  return success({ instance: shareOut(placed, input.teamwork), notes })
}

/** Why nothing at all is planned; the stage is named once. */
function nothingPlaced(note: NotPlanned): PlanProblem {
  return note.problem.kind === 'cannot-all-hold' ? { kind: 'nothing-placed', note } : note.problem
}

/** What is not planned, by stage and by what stands in its way. */
function unplacedNotes(
  { work, batches }: InstanceInput,
  instance: PlanInstance,
  unplaced: readonly Unplaced[],
): readonly NotPlanned[] {
  const notes = new Map<string, NotPlanned>()
  for (const { batch, task, problem } of unplaced) {
    const own = batches[batch]
    const stage = work.line[instance.batches[batch]?.tasks[task]?.stage ?? -1]
    if (!own || !stage) continue
    const key = `${stage.id} ${planProblemText(problem)}`
    const known = notes.get(key)
    notes.set(key, {
      kind: 'not-planned',
      stageName: stage.name,
      batches: [...new Set([...(known?.batches ?? []), batchName(own)])],
      unitIds: [...(known?.unitIds ?? []), own.unitId],
      problem,
    })
  }
  return [...notes.values()]
}

function dateNotes(input: InstanceInput, { sessions }: PlanInstanceOf): readonly PlanNote[] {
  const { dueOn } = input.wishes
  if (dueOn === null) return []
  if (dueOn < localDateAt(input.now, input.desk.evenings.timeZone)) return [{ kind: 'date-is-past', dueOn }]
  const first = Math.min(...sessions.flatMap((own) => own[0]?.startsAt ?? []))
  if (first <= (paintedBy(input.wishes, input.desk) ?? 0)) return []
  return [{ kind: 'no-session-before-date', dueOn, firstAt: first as Instant }]
}
