import { calendarFeed } from '@seriatim/contract'
import { painterSessions, rulesFor } from '@seriatim/core/calendar'
import { plainPainter, type Painter, type Planning } from '@seriatim/core/trade'
import type { PainterId } from '@seriatim/core/units'
import { ArrowLeft, CalendarDays, UserPlus } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'
import { v7 } from 'uuid'
import { clockText, dayText, plural, hoursText } from '../../shared/format/index.ts'
import { useCurrentProject, useSettings } from '../../shared/project/index.ts'
import { Button, Headline } from '../../shared/ui/index.ts'
import { useNow } from '../../shared/use-now.ts'
import { DeskTicket } from './DeskTicket.tsx'
import { PaintsWhen } from './PaintsWhen.tsx'
import { PainterTicket } from './PainterTicket.tsx'

const mostPainters = 12

/** Who paints when, what each is asked to do, and what there is at the desk to share. */
export function SessionsPage() {
  const project = useCurrentProject()
  const setSettings = useSettings()
  const now = useNow(60)
  const { planning, evenings } = project
  const { painters } = planning
  const write = (next: Partial<Planning>, said: string) =>
    setSettings({ planning: { ...planning, ...next } }, said)
  const replace = (painter: Painter, said: string) =>
    write({ painters: painters.map((each) => (each.id === painter.id ? painter : each)) }, said)
  const firsts = painters.flatMap((painter) => painterSessions(painter, evenings, now, 1).sessions)
  const next = firsts.toSorted((a, b) => a.startsAt - b.startsAt)[0]
  const headline = next
    ? `${plural(painters.length, 'painter')}; next session ${dayText(next.startsAt, evenings.timeZone)} ${clockText(next.startsAt, evenings.timeZone)}`
    : 'Nobody has a session ahead'

  const [adding, setAdding] = useState(false)
  const another = `Painter ${String(painters.length + 1)}`
  const add = (rules: Painter['rules'], name: string) => {
    const fresh: Painter = { ...plainPainter, id: v7() as PainterId, name: name || another, rules }
    write(
      { painters: [...painters, fresh] },
      `${fresh.name} is at the desk: ${hoursText(rulesFor(fresh, evenings))}.`,
    )
    setAdding(false)
  }
  return (
    <>
      <Headline
        sub={
          <p>The plan follows at once. Times are by the clock of {evenings.timeZone.replaceAll('_', ' ')}.</p>
        }
        actions={
          <>
            <Link
              to="../plan"
              className="ticket inline-flex min-h-11 items-center gap-2 px-3 font-bold hover:underline"
            >
              <ArrowLeft aria-hidden="true" size={18} /> To the plan
            </Link>
            <a
              href={`/api${calendarFeed.path.replace(':id', project.id)}`}
              download
              title="Sessions, the date, and alarms when what is wet is dry; the same address can be subscribed to"
              className="ticket inline-flex min-h-11 items-center gap-2 px-3 font-bold hover:underline"
            >
              <CalendarDays aria-hidden="true" size={18} /> For your calendar
            </a>
            <Button onClick={() => setAdding(true)} disabled={painters.length >= mostPainters}>
              <UserPlus aria-hidden="true" size={18} /> Another painter
            </Button>
          </>
        }
      >
        {headline}
      </Headline>
      <div className="grid items-start gap-4 xl:grid-cols-2">
        {painters.map((painter) => (
          <PainterTicket
            key={painter.id}
            painter={painter}
            project={project}
            now={now}
            onChange={replace}
            {...(painters.length > 1
              ? {
                  onRemove: () =>
                    write(
                      {
                        painters: painters.filter((each) => each.id !== painter.id),
                        holders: planning.holders.filter((each) => each.painterId !== painter.id),
                      },
                      leftText(painter, planning.holders),
                    ),
                }
              : {})}
          />
        ))}
        <DeskTicket planning={planning} onChange={write} />
      </div>
      {adding ? (
        <PaintsWhen
          title="Which sessions does the new painter paint in?"
          name={another}
          rules={[]}
          evenings={evenings}
          submitLabel="Add the painter"
          onSave={add}
          onClose={() => setAdding(false)}
        />
      ) : null}
    </>
  )
}

/** What goes with a painter who leaves: batches in these hands go to whoever is free. */
function leftText({ id, name }: Painter, holders: Planning['holders']): string {
  const held = holders.filter((each) => each.painterId === id).length
  return held === 0
    ? `${name} has left the desk.`
    : `${name} has left the desk; ${plural(held, 'batch', 'batches')} in ${name}’s hands ${held === 1 ? 'goes' : 'go'} to whoever is free.`
}
