import { localDateAt } from '@seriatim/core/calendar'
import type { Painter, SessionMark, SingleSession } from '@seriatim/core/trade'
import { parseLocalDate, seconds, type LocalDate } from '@seriatim/core/units'
import { CalendarPlus, MoveRight, X } from 'lucide-react'
import { useState } from 'react'
import { clockText, dateText, dayText, durationText } from '../../shared/format/index.ts'
import { Button, Dialog, IconButton, TextField } from '../../shared/ui/index.ts'
import type { PainterPartProps } from './PainterTicket.tsx'
import { lengthBetween } from './length-between.ts'

type Session = {
  readonly startsAt: Parameters<typeof localDateAt>[0]
  readonly endsAt: Parameters<typeof localDateAt>[0]
}

interface NextSessionsProps extends PainterPartProps {
  readonly sessions: readonly Session[]
}

/** The sessions ahead, one by one: dropped, moved or added with a click. */
export function NextSessions({ painter, project, sessions, onChange }: NextSessionsProps) {
  const { timeZone } = project.evenings
  const [moving, setMoving] = useState<Session | 'new' | null>(null)
  const dropped = painter.dropped.toSorted((a, b) => (a.on < b.on ? -1 : 1))
  return (
    <div>
      <h3 className="text-base">The next sessions</h3>
      <ul>
        {sessions.map((session) => {
          const day = dayText(session.startsAt, timeZone)
          return (
            <li key={session.startsAt} className="flex items-center gap-1 border-t border-paper-edge">
              <span className="grow">
                {day}{' '}
                <span className="figures text-sm">
                  {clockText(session.startsAt, timeZone)}–{clockText(session.endsAt, timeZone)}
                </span>
              </span>
              <IconButton label={`Move ${day}`} onClick={() => setMoving(session)}>
                <MoveRight aria-hidden="true" size={18} />
              </IconButton>
              <IconButton
                label={`Drop ${day}`}
                onClick={() =>
                  onChange(withoutSession(painter, markOf(session, timeZone)), `${day} falls out.`)
                }
              >
                <X aria-hidden="true" size={18} />
              </IconButton>
            </li>
          )
        })}
        {sessions.length === 0 ? (
          <li className="text-ink-soft">None ahead: add one, or take a day off back.</li>
        ) : null}
      </ul>
      {dropped.length > 0 ? (
        <ul aria-label="Dropped" className="text-sm text-ink-soft">
          {dropped.map((mark) => (
            <li key={`${mark.on} ${mark.at}`} className="flex items-center gap-2">
              <s>
                {dateText(mark.on)} {mark.at}
              </s>
              <Button
                weight="quiet"
                onClick={() =>
                  onChange(
                    { ...painter, dropped: painter.dropped.filter((each) => each !== mark) },
                    `${dateText(mark.on)} takes place.`,
                  )
                }
              >
                Take back
              </Button>
            </li>
          ))}
        </ul>
      ) : null}
      <Button weight="quiet" className="-ml-4" onClick={() => setMoving('new')}>
        <CalendarPlus aria-hidden="true" size={18} /> A single session
      </Button>
      <Dialog
        open={moving !== null}
        onOpenChange={() => setMoving(null)}
        title={moving === 'new' ? 'A single session' : 'Move the session'}
      >
        {moving === null ? null : (
          <SingleForm
            session={moving === 'new' ? null : moving}
            timeZone={timeZone}
            onSubmit={(single) => {
              const rest = moving === 'new' ? painter : withoutSession(painter, markOf(moving, timeZone))
              onChange(
                { ...rest, extra: [...rest.extra, single] },
                `A session on ${dateText(single.on)}, ${single.at}.`,
              )
              setMoving(null)
            }}
          />
        )}
      </Dialog>
    </div>
  )
}

function markOf(session: Session, timeZone: string): SessionMark {
  return { on: localDateAt(session.startsAt, timeZone), at: clockText(session.startsAt, timeZone) }
}

/** A single session is taken away, one by rule is dropped. */
function withoutSession(painter: Painter, mark: SessionMark): Painter {
  const extra = painter.extra.filter((each) => each.on !== mark.on || each.at !== mark.at)
  if (extra.length < painter.extra.length) return { ...painter, extra }
  return { ...painter, dropped: [...painter.dropped, mark] }
}

function SingleForm({
  session,
  timeZone,
  onSubmit,
}: {
  readonly session: Session | null
  readonly timeZone: string
  readonly onSubmit: (single: SingleSession) => void
}) {
  const [on, setOn] = useState<string>(session ? localDateAt(session.startsAt, timeZone) : '')
  const [from, setFrom] = useState(session ? clockText(session.startsAt, timeZone) : '19:30')
  const [to, setTo] = useState(session ? clockText(session.endsAt, timeZone) : '22:00')
  const [tried, setTried] = useState(false)
  const dayFault = parseLocalDate(on).ok ? null : 'Give a day that exists.'
  const length = lengthBetween(from, to)
  return (
    <form
      noValidate
      className="grid gap-4"
      onSubmit={(event) => {
        event.preventDefault()
        setTried(true)
        if (dayFault === null && length !== null)
          onSubmit({ on: on as LocalDate, at: from, lengthSeconds: seconds(length) })
      }}
    >
      <TextField
        label="Day"
        type="date"
        value={on}
        onChange={(event) => setOn(event.target.value)}
        {...(tried && dayFault !== null ? { error: dayFault } : {})}
      />
      <div className="grid grid-cols-2 gap-4">
        <TextField label="From" type="time" value={from} onChange={(event) => setFrom(event.target.value)} />
        <TextField
          label="To"
          type="time"
          value={to}
          hint={length === null ? undefined : durationText(length)}
          onChange={(event) => setTo(event.target.value)}
          {...(tried && length === null ? { error: 'From 5 minutes to 16 hours after the beginning.' } : {})}
        />
      </div>
      <Button type="submit" weight="main">
        {session ? 'Move it here' : 'Add this session'}
      </Button>
    </form>
  )
}
