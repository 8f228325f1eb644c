import {
  type CalendarNote,
  dailyWindows,
  momentOf,
  painterSessions,
  type PainterSessions,
  type Session,
} from '../calendar/index.ts'
import type { Batch, Desk, Parts, Pin, Stage, Technique } from '../trade/index.ts'
import { instant, type Instant } from '../units/index.ts'
import { stationFor, stationOf, techniqueOf } from './build-batches.ts'
import type { PlanPainter, Span } from '../schedule/index.ts'

/** A time in which cans are not used: the air is known not to be fit for it. */
export interface NoSprayTime {
  readonly from: Instant
  readonly until: Instant
}

/** When the painters are at their desks, and which hours some of the work has to keep to. */
export interface DeskHours {
  readonly painters: readonly PlanPainter[]
  /** By painter. */
  readonly sessions: readonly (readonly Session[])[]
  readonly windows: readonly (readonly Span[])[]
  readonly windowsOf: (batch: Batch, stage: Stage, technique: Technique | null) => number | null
  /** The first windows are those in which cans are used. */
  readonly hasSprayWindows: boolean
  readonly longestSession: number
  readonly notes: readonly CalendarNote[]
}

const halfADay = 12 * 3_600_000

/**
 * The next `count` sessions of everybody.
 * @param room the share of each that is left free at its end.
 */
export function deskHours(
  { work, desk }: Pick<Parts, 'work' | 'desk'>,
  pins: readonly Pin[],
  now: Instant,
  count: number,
  noSpray: readonly NoSprayTime[],
  room: number,
): DeskHours {
  const { evenings } = desk
  const calendars = calendarsOf(desk, now, count)
  const span = (session: Session) => spanOf(session, now)
  const laid = (session: Session): Span => {
    const { start, end } = span(session)
    return { start, end: end - Math.round((end - start) * room) }
  }
  const painters = desk.painters.map((painter, index) => ({
    sessions: (calendars[index]?.sessions ?? []).map(laid),
    pace: painter.pace,
  }))
  const all = calendars.flatMap((each) => each.sessions)
  const last = instant(Math.max(now, ...all.map((session) => session.endsAt)))
  const end = (last - now) / 1000
  const hours = desk.sprayHours
    ? dailyWindows(desk.sprayHours, evenings.timeZone, now, last)
    : [{ start: 0, end }]
  const spray =
    desk.sprayHours || noSpray.length > 0
      ? without(
          hours,
          noSpray.map(({ from, until }) => ({ start: (from - now) / 1000, end: (until - now) / 1000 })),
        )
      : null
  const windows: (readonly Span[])[] = spray ? [spray] : []
  const isByCan = (technique: Technique | null) => spray !== null && stationFor(technique) === stationOf.can
  const pinned = new Map<string, number>()
  for (const pin of pins) {
    const begins = momentOf(pin, evenings.timeZone)
    // The session going on has lost what is past of it.
    const session = all.find(
      (each) =>
        begins < each.endsAt &&
        (begins >= each.startsAt || (each.startsAt === now && begins > now - halfADay)),
    )
    const stage = work.line.find((each) => each.id === pin.stageId)
    if (!stage) continue
    const own = session ? [span(session)] : []
    pinned.set(`${pin.batchId} ${pin.stageId}`, windows.length)
    windows.push(isByCan(techniqueOf(work, stage)) && spray ? meet(own, spray) : own)
  }
  return {
    painters,
    sessions: calendars.map((each) => each.sessions),
    windows,
    hasSprayWindows: spray !== null,
    windowsOf: (batch, stage, technique) =>
      pinned.get(`${batch.id} ${stage.id}`) ?? (isByCan(technique) ? 0 : null),
    longestSession: all.reduce((most, each) => Math.max(most, (each.endsAt - each.startsAt) / 1000), 0),
    notes: calendars.flatMap((each) => each.notes),
  }
}

/** Painters of the same hours have the same sessions: they are laid out once. */
function calendarsOf(
  { painters, evenings }: Pick<Desk, 'painters' | 'evenings'>,
  now: Instant,
  count: number,
): readonly PainterSessions[] {
  const known = new Map<string, PainterSessions>()
  return painters.map((painter) => {
    const { rules, off, dropped, extra, name } = painter
    const key = JSON.stringify([rules, off, dropped, extra])
    const same = known.get(key) ?? painterSessions(painter, evenings, now, count)
    known.set(key, same)
    return { ...same, notes: same.notes.map((note) => ({ ...note, painter: name })) }
  })
}

/** A session in seconds from the moment of planning. */
export function spanOf({ startsAt, endsAt }: Session, now: Instant): Span {
  return { start: (startsAt - now) / 1000, end: (endsAt - now) / 1000 }
}

/** What is left of some spans without others. */
function without(some: readonly Span[], others: readonly Span[]): readonly Span[] {
  return others.reduce<readonly Span[]>(
    (left, other) =>
      left.flatMap((span) =>
        [
          { start: span.start, end: Math.min(span.end, other.start) },
          { start: Math.max(span.start, other.end), end: span.end },
        ].filter(({ start, end }) => end > start),
      ),
    some,
  )
}

/** What lies in both. */
function meet(some: readonly Span[], others: readonly Span[]): readonly Span[] {
  return some.flatMap((a) =>
    others.flatMap((b) => {
      const both = { start: Math.max(a.start, b.start), end: Math.min(a.end, b.end) }
      return both.end > both.start ? [both] : []
    }),
  )
}
