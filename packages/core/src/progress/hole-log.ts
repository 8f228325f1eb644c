import { type EventId, seconds, type Seconds, type StageId } from '../units/index.ts'
import type { ProgressEvent } from './event.ts'
import type { Mark } from './progress.ts'

/** Events that say something of single holes. */
export type MarkingEvent = Extract<
  ProgressEvent,
  { kind: 'punched' | 'cleared' | 'skipped' | 'touch-up' | 'felt' | 'milestone' }
>

export function isMarking(event: ProgressEvent): event is MarkingEvent {
  return (
    event.kind === 'punched' ||
    event.kind === 'cleared' ||
    event.kind === 'skipped' ||
    event.kind === 'touch-up' ||
    event.kind === 'felt' ||
    event.kind === 'milestone'
  )
}

export function stagesMarkedBy(event: MarkingEvent): readonly StageId[] {
  return event.kind === 'milestone' ? event.stageIds : [event.stageId]
}

/** The mark that a hole's standing events, in order, come to. */
export function markOf(
  events: readonly MarkingEvent[],
  stageId: StageId,
  isTaken: (id: EventId) => boolean,
): Mark | null {
  let mark: Mark | null = null
  for (const event of events) {
    if (isTaken(event.id)) continue
    switch (event.kind) {
      case 'cleared':
        mark = null
        break
      case 'punched':
        mark = { kind: 'punched', at: event.at, drySeconds: event.drySeconds ?? null }
        break
      case 'skipped':
        mark = { kind: 'skipped', at: event.at, drySeconds: seconds(0), note: event.note }
        break
      case 'touch-up':
        mark = touchedUp(mark, event)
        break
      case 'felt':
        mark = feltMark(mark, event)
        break
      case 'milestone':
        // What was through before keeps its own moment.
        mark ??= { kind: 'punched', at: event.at, drySeconds: waitOf(event, stageId) }
        break
    }
  }
  return mark
}

/** Not yet dry, it is given a quarter of its time more, and five minutes at least (common practice). */
export function stillTacky(elapsed: number): number {
  return elapsed + Math.max(300, Math.round(elapsed / 4))
}

/** A finger knows better than the wait that was planned. */
function feltMark(mark: Mark | null, { at, feels }: Extract<MarkingEvent, { kind: 'felt' }>): Mark | null {
  if (mark?.kind !== 'punched') return mark
  // Whole seconds that are over: what is dry at a touch is not wet for the rest of a second more.
  const elapsed = Math.max(0, Math.floor((at - mark.at) / 1000))
  const drySeconds =
    feels === 'dry'
      ? Math.min(mark.drySeconds ?? elapsed, elapsed)
      : Math.max(mark.drySeconds ?? 0, stillTacky(elapsed))
  return { ...mark, drySeconds: drySeconds as Seconds }
}

function touchedUp(
  before: Mark | null,
  { at, note, region }: Extract<MarkingEvent, { kind: 'touch-up' }>,
): Mark {
  return {
    kind: 'touch-up',
    at: before?.at ?? at,
    drySeconds: before?.drySeconds ?? null,
    note,
    region: region ?? null,
  }
}

function waitOf(event: Extract<MarkingEvent, { kind: 'milestone' }>, stageId: StageId): Seconds | null {
  return event.waits?.find((wait) => wait.stageId === stageId)?.drySeconds ?? null
}
