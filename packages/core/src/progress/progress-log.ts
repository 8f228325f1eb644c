import type { DeviceId, EventId, ModelId, PainterId, Seconds, StageId } from '../units/index.ts'
import type { ProgressEvent } from './event.ts'
import { createClockLog, type ClockEvent, type ClockLog } from './clock-log.ts'
import { isMarking, markOf, stagesMarkedBy, type MarkingEvent } from './hole-log.ts'
import { createLapLog } from './lap-log.ts'
import type {
  Clock,
  Correction,
  Inspection,
  Judgement,
  Mark,
  Milestone,
  Progress,
  Remembered,
  Slip,
  Touch,
  Used,
  Went,
} from './progress.ts'
import { insertSorted, placeOf } from './sorted-events.ts'
import { createTakenBack } from './taken-back.ts'

/**
 * A log that is read as it grows: one more event costs the same on the first as on the hundred-thousandth.
 * Events may come in any order, more than once and from clocks that differ: the same events give the same state.
 */
export interface ProgressLog {
  /** @returns whether any of them was new. An event that comes again with another content takes the place of the first. */
  readonly add: (events: readonly ProgressEvent[]) => boolean
  readonly has: (id: EventId) => boolean
  readonly size: () => number
  /** The state as it stands; `device` narrows what undo and redo offer to what that device recorded. */
  readonly read: (device?: DeviceId) => Progress
}

type Correcting = Extract<ProgressEvent, { kind: 'lap-corrected' }>
type Judging = Extract<ProgressEvent, { kind: 'judged' }>
type Using = Extract<ProgressEvent, { kind: 'used' }>
type Going = Extract<ProgressEvent, { kind: 'went' }>
type Slipping = Extract<ProgressEvent, { kind: 'touch-up' }>
type Feeling = Extract<ProgressEvent, { kind: 'felt' }>
type Inspecting = Extract<ProgressEvent, { kind: 'inspected' }>
type Remembering = Extract<ProgressEvent, { kind: 'remembered' }>
type Reaching = Extract<ProgressEvent, { kind: 'milestone' }>

export function createProgressLog(first: readonly ProgressEvent[] = []): ProgressLog {
  const byId = new Map<EventId, ProgressEvent>()
  const inOrder: ProgressEvent[] = []
  const takenBack = createTakenBack()
  const { isTaken } = takenBack
  const holes = new Map<ModelId, Map<StageId, MarkingEvent[]>>()
  let marks = new Map<ModelId, Map<StageId, Mark>>()
  /** Holes whose events changed since the marks were read. */
  const stale = new Map<ModelId, Set<StageId>>()
  const clocks = new Map<PainterId | null, ClockLog>()
  const painterOf = new Map<EventId, PainterId | null>()
  const stopsBefore = new Map<EventId, ClockEvent[]>()
  const corrections = new Map<EventId, Correcting[]>()
  const laps = createLapLog(isTaken, (modelId, punch) => {
    const events = holes.get(modelId)?.get(punch.stageId) ?? []
    return markOf(events.slice(0, placeOf(events, punch)), punch.stageId, isTaken)?.kind === 'touch-up'
  })
  const reaching: Reaching[] = []
  let milestones: readonly Milestone[] | null = null
  const judging: Judging[] = []
  let judgements: readonly Judgement[] | null = null
  const using: Using[] = []
  let used: readonly Used[] | null = null
  const going: Going[] = []
  let went: readonly Went[] | null = null
  const slipping: Slipping[] = []
  let slips: readonly Slip[] | null = null
  const feeling: Feeling[] = []
  let touches: readonly Touch[] = []
  const inspecting: Inspecting[] = []
  let inspections: readonly Inspection[] | null = null
  const remembering: Remembering[] = []
  let remembered: readonly Remembered[] | null = null

  function refreshHole(modelId: ModelId, stageId: StageId): void {
    const ofModel = stale.get(modelId)
    if (ofModel) ofModel.add(stageId)
    else stale.set(modelId, new Set([stageId]))
  }

  /** The marks, with a map anew for each model that changed: who read the ones before keeps them as they were. */
  function readMarks(): ReadonlyMap<ModelId, ReadonlyMap<StageId, Mark>> {
    if (stale.size === 0) return marks
    marks = new Map(marks)
    for (const [modelId, stageIds] of stale) {
      const ofModel = new Map(marks.get(modelId))
      for (const stageId of stageIds) {
        const mark = markOf(holes.get(modelId)?.get(stageId) ?? [], stageId, isTaken)
        if (mark) ofModel.set(stageId, mark)
        else ofModel.delete(stageId)
      }
      if (ofModel.size > 0) marks.set(modelId, ofModel)
      else marks.delete(modelId)
    }
    stale.clear()
    return marks
  }

  function eachHole(event: MarkingEvent, visit: (modelId: ModelId, stageId: StageId) => void): void {
    for (const stageId of stagesMarkedBy(event)) for (const modelId of event.modelIds) visit(modelId, stageId)
  }

  function addMarking(event: MarkingEvent): void {
    eachHole(event, (modelId, stageId) => {
      let ofModel = holes.get(modelId)
      if (!ofModel) holes.set(modelId, (ofModel = new Map<StageId, MarkingEvent[]>()))
      const events = ofModel.get(stageId)
      if (!events) ofModel.set(stageId, [event])
      // A model named twice in one event is one model.
      else if (events[placeOf(events, event)]?.id !== event.id) insertSorted(events, event)
      refreshHole(modelId, stageId)
    })
    if (event.kind === 'milestone') insertSorted(reaching, event)
    if (event.kind === 'touch-up') {
      insertSorted(slipping, event)
      slips = null
    }
    if (event.kind === 'felt') insertSorted(feeling, event)
    const newest = reaching.at(-1)
    if (newest && newest.at >= event.at) milestones = null
    if (event.kind === 'punched') laps.addPunch(event)
    else if (event.kind !== 'milestone' && event.kind !== 'felt') laps.markChanged(event)
  }

  function clockLogOf(painter: PainterId | null): ClockLog {
    let log = clocks.get(painter)
    if (!log) clocks.set(painter, (log = createClockLog(painter)))
    return log
  }

  function addClock(event: ClockEvent): void {
    if (event.kind === 'clock-started') {
      const painter = event.by?.painter ?? null
      painterOf.set(event.id, painter)
      clockLogOf(painter).add(event, isTaken)
      for (const stop of stopsBefore.get(event.id) ?? []) clockLogOf(painter).add(stop, isTaken)
      stopsBefore.delete(event.id)
      return
    }
    const painter = painterOf.get(event.targetId)
    if (painter === undefined) {
      stopsBefore.set(event.targetId, [...(stopsBefore.get(event.targetId) ?? []), event])
      return
    }
    clockLogOf(painter).add(event, isTaken)
  }

  function addCorrection(event: Correcting): void {
    const known = corrections.get(event.targetId)
    if (known) insertSorted(known, event)
    else corrections.set(event.targetId, [event])
    correctionChanged(event.targetId)
  }

  function correctionChanged(targetId: EventId): void {
    if (painterOf.has(targetId)) laps.upset()
    else milestones = null
  }

  function correctionOf(targetId: EventId): Correction | null {
    const last = corrections.get(targetId)?.findLast((event) => !isTaken(event.id))
    return last ? { eventId: last.id, workSeconds: last.workSeconds, note: last.note } : null
  }

  /** Makes good what stood on an event whose standing changed. */
  function standingChanged(id: EventId): void {
    const event = byId.get(id)
    if (!event) return
    if (isMarking(event)) {
      eachHole(event, refreshHole)
      milestones = null
      if (event.kind === 'touch-up') slips = null
      if (event.kind !== 'milestone' && event.kind !== 'felt') laps.markChanged(event)
    } else if (event.kind === 'clock-started') clockLogOf(event.by?.painter ?? null).upset()
    else if (event.kind === 'clock-stopped') {
      const painter = painterOf.get(event.targetId)
      if (painter !== undefined) clockLogOf(painter).upset()
    } else if (event.kind === 'lap-corrected') correctionChanged(event.targetId)
    else if (event.kind === 'judged') judgements = null
    else if (event.kind === 'used') used = null
    else if (event.kind === 'went') went = null
    else if (event.kind === 'inspected') inspections = null
    else if (event.kind === 'remembered') remembered = null
  }

  function addOne(event: ProgressEvent): void {
    byId.set(event.id, event)
    insertSorted(inOrder, event)
    if (isMarking(event)) addMarking(event)
    else if (event.kind === 'clock-started' || event.kind === 'clock-stopped') addClock(event)
    else if (event.kind === 'lap-corrected') addCorrection(event)
    else if (event.kind === 'judged') {
      insertSorted(judging, event)
      judgements = null
    } else if (event.kind === 'used') {
      insertSorted(using, event)
      used = null
    } else if (event.kind === 'went') {
      insertSorted(going, event)
      went = null
    } else if (event.kind === 'inspected') {
      insertSorted(inspecting, event)
      inspections = null
    } else if (event.kind === 'remembered') {
      insertSorted(remembering, event)
      remembered = null
    } else for (const id of takenBack.addUndo(event.id, event.targetId)) standingChanged(id)
  }

  function readMilestones(): readonly Milestone[] {
    milestones ??= reaching
      .filter((event) => !isTaken(event.id))
      .map((event) => ({
        eventId: event.id,
        at: event.at,
        workSeconds: event.workSeconds,
        done: reachedBy(event),
        correction: correctionOf(event.id),
      }))
    return milestones
  }

  /** By stage, the models that were not through before the milestone. */
  function reachedBy(event: Reaching): ReadonlyMap<StageId, readonly ModelId[]> {
    const done = new Map<StageId, ModelId[]>()
    for (const stageId of new Set(event.stageIds)) {
      for (const modelId of new Set(event.modelIds)) {
        const events = holes.get(modelId)?.get(stageId) ?? []
        if (markOf(events.slice(0, placeOf(events, event)), stageId, isTaken)) continue
        done.set(stageId, [...(done.get(stageId) ?? []), modelId])
      }
    }
    return done
  }

  function readJudgements(): readonly Judgement[] {
    judgements ??= judging
      .filter((event) => !isTaken(event.id))
      .map(({ id, at, stageId, modelIds, verdict, note, mix }) => ({
        eventId: id,
        at,
        stageId,
        modelIds,
        verdict,
        note,
        mix: mix ?? null,
      }))
    return judgements
  }

  function readUsed(): readonly Used[] {
    used ??= using
      .filter((event) => !isTaken(event.id))
      .map(({ id, at, stageId, modelIds, mix, note }) => ({ eventId: id, at, stageId, modelIds, mix, note }))
    return used
  }

  function readWent(): readonly Went[] {
    went ??= going
      .filter((event) => !isTaken(event.id))
      .map(({ id, at, stageId, modelIds, outcome }) => ({ eventId: id, at, stageId, modelIds, outcome }))
    return went
  }

  function readSlips(): readonly Slip[] {
    slips ??= slipping
      .filter((event) => !isTaken(event.id))
      .map(({ id, at, stageId, modelIds, note, region }) => ({
        eventId: id,
        at,
        stageId,
        modelIds,
        note,
        region: region ?? null,
      }))
    return slips
  }

  /** Of several fingers on one coat the last one counts. */
  function readTouches(): readonly Touch[] {
    const byCoat = new Map<EventId, Touch>()
    for (const event of feeling) {
      const [modelId] = event.modelIds
      if (modelId === undefined || isTaken(event.id)) continue
      const events = holes.get(modelId)?.get(event.stageId) ?? []
      const coat = events
        .slice(0, placeOf(events, event))
        .findLast((each) => each.kind !== 'felt' && !isTaken(each.id))
      if (coat?.kind !== 'punched') continue
      byCoat.set(coat.id, {
        eventId: event.id,
        stageId: event.stageId,
        feels: event.feels,
        elapsedSeconds: Math.max(0, Math.round((event.at - coat.at) / 1000)) as Seconds,
      })
    }
    const next = [...byCoat.values()]
    const isSame =
      next.length === touches.length &&
      next.every(
        (each, place) =>
          each.eventId === touches[place]?.eventId && each.elapsedSeconds === touches[place].elapsedSeconds,
      )
    if (!isSame) touches = next
    return touches
  }

  function readInspections(): readonly Inspection[] {
    inspections ??= inspecting
      .filter((event) => !isTaken(event.id))
      .map(({ id, at, modelIds, verdict, note }) => ({ eventId: id, at, modelIds, verdict, note }))
    return inspections
  }

  function readRemembered(): readonly Remembered[] {
    remembered ??= remembering
      .filter((event) => !isTaken(event.id))
      .map(({ id, at, models, school, size, standard, told }) => ({
        eventId: id,
        at,
        models,
        school,
        size,
        standard,
        told,
      }))
    return remembered
  }

  function undoTargets(device: DeviceId | undefined): Pick<Progress, 'lastUndoable' | 'lastUndo'> {
    const standing = (event: ProgressEvent) =>
      !isTaken(event.id) &&
      !takenBack.isVoid(event.id) &&
      (device === undefined || event.by === undefined || event.by.device === device)
    const newest = inOrder.findLast(standing)
    return {
      lastUndoable: inOrder.findLast((event) => event.kind !== 'undone' && standing(event)) ?? null,
      lastUndo: newest?.kind === 'undone' ? newest.id : null,
    }
  }

  function read(device?: DeviceId): Progress {
    const running: Clock[] = []
    for (const log of clocks.values()) {
      const state = log.read(isTaken)
      if (state.running) running.push(state.running)
      laps.take(log, state)
    }
    running.sort((a, b) => a.startedAt - b.startedAt || (a.eventId < b.eventId ? -1 : 1))
    return {
      marks: readMarks(),
      running,
      laps: laps.read(correctionOf),
      milestones: readMilestones(),
      judgements: readJudgements(),
      used: readUsed(),
      went: readWent(),
      slips: readSlips(),
      touches: readTouches(),
      inspections: readInspections(),
      remembered: readRemembered(),
      latestAt: inOrder.at(-1)?.at ?? null,
      ...undoTargets(device),
    }
  }

  let log: ProgressLog | null = null
  function add(events: readonly ProgressEvent[]): boolean {
    let isNew = false
    const replaced: ProgressEvent[] = []
    for (const event of events) {
      const known = byId.get(event.id)
      if (known === undefined) {
        addOne(event)
        isNew = true
      } else if (known !== event && known.at !== event.at) replaced.push(event)
    }
    if (replaced.length > 0) isNew = replace(replaced)
    return isNew
  }

  /** The server's word on a moment differs from the device's: rare, so everything is read anew. */
  function replace(events: readonly ProgressEvent[]): boolean {
    const next = new Map(byId)
    for (const event of events) next.set(event.id, event)
    const fresh = createProgressLog([...next.values()])
    log = fresh
    return true
  }

  add(first)
  return {
    add: (events) => (log ? log.add(events) : add(events)),
    has: (id) => (log ? log.has(id) : byId.has(id)),
    size: () => (log ? log.size() : byId.size),
    read: (device) => (log ? log.read(device) : read(device)),
  }
}
