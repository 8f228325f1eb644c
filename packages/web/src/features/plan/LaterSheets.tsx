import { localDateAt } from '@seriatim/core/calendar'
import type { LinePlan, RunSheet } from '@seriatim/core/plan'
import type { Project } from '@seriatim/core/trade'
import { addDays, isoWeekday, type LocalDate } from '@seriatim/core/units'
import { useState } from 'react'
import { dateText, plural } from '../../shared/format/index.ts'
import { RunSheetTicket } from '../../shared/run-sheet/index.ts'
import { Button } from '../../shared/ui/index.ts'

interface LaterSheetsProps {
  readonly sheets: readonly RunSheet[]
  readonly plan: LinePlan
  readonly project: Pick<Project, 'evenings' | 'recipes'>
}

/** The run sheets after the next one, week by week: the first week, and any other when it is asked for. */
export function LaterSheets({ sheets, plan, project }: LaterSheetsProps) {
  const { timeZone } = project.evenings
  const weeks = new Map<LocalDate, RunSheet[]>()
  for (const sheet of sheets) {
    const day = localDateAt(sheet.session.startsAt, timeZone)
    const monday = addDays(day, 1 - isoWeekday(day))
    weeks.set(monday, [...(weeks.get(monday) ?? []), sheet])
  }
  const [open, setOpen] = useState<ReadonlySet<LocalDate>>(() => new Set([...weeks.keys()].slice(0, 1)))
  const toggle = (monday: LocalDate) => {
    const next = new Set(open)
    if (!next.delete(monday)) next.add(monday)
    setOpen(next)
  }
  return [...weeks].map(([monday, own]) => (
    <div key={monday}>
      <Button
        weight="quiet"
        className="px-0!"
        aria-expanded={open.has(monday)}
        onClick={() => toggle(monday)}
      >
        Week of {dateText(monday, monday)}, {plural(own.length, 'session')}
      </Button>
      {open.has(monday) ? (
        <div className="grid items-start gap-4 md:grid-cols-2 xl:grid-cols-3">
          {own.map((sheet) => (
            <RunSheetTicket
              key={`${String(sheet.session.startsAt)} ${String(sheet.session.painter)}`}
              sheet={sheet}
              project={project}
              painters={plan.painters}
            />
          ))}
        </div>
      ) : null}
    </div>
  ))
}
