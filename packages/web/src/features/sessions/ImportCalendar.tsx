import { localDateAt, painterSessions } from '@seriatim/core/calendar'
import { addSeconds, type Instant } from '@seriatim/core/units'
import { CalendarArrowDown } from 'lucide-react'
import { useRef, useState } from 'react'
import { clockText, dayText, plural } from '../../shared/format/index.ts'
import { Button, Dialog } from '../../shared/ui/index.ts'
import type { PainterPartProps } from './PainterTicket.tsx'
import { readCalendarBeside } from './read-beside.ts'
import { sittingOf, type Appointment, type CalendarText } from './read-calendar.ts'

interface ImportCalendarProps extends PainterPartProps {
  readonly now: Instant
}

const aheadSeconds = 120 * 24 * 3600

/** Reads an iCalendar file: its times as sessions, or as appointments that sessions make way for. */
export function ImportCalendar({ painter, project, now, onChange }: ImportCalendarProps) {
  const file = useRef<HTMLInputElement>(null)
  const [read, setRead] = useState<CalendarText | null>(null)
  const { timeZone } = project.evenings
  return (
    <div>
      <Button onClick={() => file.current?.click()}>
        <CalendarArrowDown aria-hidden="true" size={18} /> Read an iCalendar file
      </Button>
      <input
        ref={file}
        type="file"
        accept=".ics,text/calendar"
        aria-label={`iCalendar file of ${painter.name}`}
        className="hidden"
        onChange={(event) => {
          const [chosen] = event.target.files ?? []
          if (chosen)
            void chosen
              .text()
              .then((text) =>
                readCalendarBeside({ text, from: now, until: addSeconds(now, aheadSeconds), timeZone }),
              )
              .then(setRead)
          event.target.value = ''
        }}
      />
      <Dialog open={read !== null} onOpenChange={() => setRead(null)} title="What the calendar says">
        {read === null ? null : read.ok ? (
          <Choice
            appointments={read.appointments}
            allDay={read.allDay}
            timeZone={timeZone}
            onFree={() => {
              const sittings = read.appointments.flatMap((each) => sittingOf(each, timeZone, clockText) ?? [])
              const known = new Set(painter.extra.map((each) => `${each.on} ${each.at}`))
              const fresh = sittings.filter((each) => !known.has(`${each.on} ${each.at}`))
              onChange(
                { ...painter, extra: [...painter.extra, ...fresh] },
                `${plural(fresh.length, 'session')} from the calendar.`,
              )
              setRead(null)
            }}
            onBusy={() => {
              const clashes = painterSessions(painter, project.evenings, now, 120).sessions.filter(
                (session) =>
                  read.appointments.some(
                    (each) => each.startsAt < session.endsAt && each.endsAt > session.startsAt,
                  ),
              )
              const marks = clashes.map((session) => ({
                on: localDateAt(session.startsAt, timeZone),
                at: clockText(session.startsAt, timeZone),
              }))
              onChange(
                { ...painter, dropped: [...painter.dropped, ...marks] },
                `${plural(marks.length, 'session')} make${marks.length === 1 ? 's' : ''} way.`,
              )
              setRead(null)
            }}
          />
        ) : (
          <p role="alert">{read.error}</p>
        )}
      </Dialog>
    </div>
  )
}

function Choice({
  appointments,
  allDay,
  timeZone,
  onFree,
  onBusy,
}: {
  readonly appointments: readonly Appointment[]
  readonly allDay: number
  readonly timeZone: string
  readonly onFree: () => void
  readonly onBusy: () => void
}) {
  if (appointments.length === 0)
    return (
      <p>
        Nothing in the next four months
        {allDay > 0 ? `; ${plural(allDay, 'entry', 'entries')} for whole days passed over` : ''}.
      </p>
    )
  return (
    <div className="grid gap-3">
      <p>
        {plural(appointments.length, 'time')} in the next four months
        {allDay > 0 ? `; ${plural(allDay, 'entry', 'entries')} for whole days passed over` : ''}:
      </p>
      <ul className="max-h-52 overflow-y-auto" tabIndex={0} aria-label="Times in the file">
        {appointments.slice(0, 60).map((each, index) => (
          <li key={index} className="border-t border-paper-edge">
            {dayText(each.startsAt, timeZone)}{' '}
            <span className="figures text-sm">
              {clockText(each.startsAt, timeZone)}–{clockText(each.endsAt, timeZone)}
            </span>{' '}
            {each.title}
          </li>
        ))}
      </ul>
      <Button weight="main" onClick={onFree}>
        These are free: paint then
      </Button>
      <Button onClick={onBusy}>These are taken: sessions in them fall out</Button>
    </div>
  )
}
