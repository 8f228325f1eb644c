import { dateOf, type Painter, type Project } from '../trade/index.ts'
import { addDays, addSeconds, type Instant, type LocalDate } from '../units/index.ts'
import { handedOverAt } from './due.ts'
import { painterSessions } from './painter-sessions.ts'
import { localDateAt, wallClock, type Session } from './sessions.ts'

/** Something of a project as another calendar shows it. */
export type CalendarEntry =
  | {
      readonly kind: 'session'
      /** The same as long as it begins at the same moment. */
      readonly key: string
      readonly startsAt: Instant
      readonly endsAt: Instant
      readonly painter: string
      /** Dropped, or on a day off: who has it already takes it out. */
      readonly isCancelled: boolean
    }
  | { readonly kind: 'due'; readonly key: string; readonly on: LocalDate; readonly at: Instant | null }
  /** Something is dry: a moment to be rung for. */
  | { readonly kind: 'dry'; readonly key: string; readonly at: Instant; readonly what: string }

/** More than anybody has in the time looked ahead. */
const mostSessions = 2000

/** Everybody's sessions from yesterday on for so many days, those that fall out among them, and the date. */
export function calendarEntries(
  project: Pick<Project, 'dueOn' | 'evenings' | 'planning'>,
  now: Instant,
  days: number,
): readonly CalendarEntry[] {
  const { timeZone } = project.evenings
  const today = localDateAt(now, timeZone)
  const from = wallClock(addDays(today, -1), 0, timeZone)
  const until = addSeconds(now, days * 24 * 3600)
  const { painters } = project.planning
  const entries = painters.flatMap((painter) => {
    const held = sessionsOf(painter, project, from, until)
    const begins = new Set(held.map(({ startsAt }) => startsAt))
    const free = { ...painter, dropped: [], off: [] }
    const fallen = sessionsOf(free, project, from, until).filter(({ startsAt }) => !begins.has(startsAt))
    const entry =
      (isCancelled: boolean) =>
      ({ startsAt, endsAt }: Session): CalendarEntry => ({
        kind: 'session',
        key: `${painter.id}-${new Date(startsAt).toISOString().replace(/[-:]|\.000/g, '')}`,
        startsAt,
        endsAt,
        painter: painters.length > 1 ? painter.name : '',
        isCancelled,
      })
    return [...held.map(entry(false)), ...fallen.map(entry(true))]
  })
  if (project.dueOn === null) return entries
  const at = project.planning.handOver ? handedOverAt(dateOf(project), project) : null
  return [...entries, { kind: 'due', key: 'due', on: project.dueOn, at }]
}

function sessionsOf(
  painter: Painter,
  { evenings }: Pick<Project, 'evenings'>,
  from: Instant,
  until: Instant,
): readonly Session[] {
  // What began before is cut at its beginning there, and so would not be the same one tomorrow.
  return painterSessions(painter, evenings, from, mostSessions).sessions.filter(
    ({ startsAt }) => startsAt > from && startsAt < until,
  )
}
