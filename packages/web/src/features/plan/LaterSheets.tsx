import type { LinePlan, RunSheet } from '@seriatim/core/plan'
import type { Project } from '@seriatim/core/trade'
import { useState } from 'react'
import { plural } from '../../shared/format/index.ts'
import { RunSheetTicket } from '../../shared/run-sheet/index.ts'
import { Button } from '../../shared/ui/index.ts'

const shownAtFirst = 3

interface LaterSheetsProps {
  readonly sheets: readonly RunSheet[]
  readonly plan: LinePlan
  readonly project: Pick<Project, 'evenings' | 'recipes'>
}

/** The run sheets after the next one: some, and all when they are asked for. */
export function LaterSheets({ sheets, plan, project }: LaterSheetsProps) {
  const [all, setAll] = useState(false)
  return (
    <>
      <h2 className="mt-8 mb-3 text-xl">
        {sheets.length === 0
          ? 'No session after this one'
          : `${plural(sheets.length, 'session')} after this one`}
      </h2>
      <div className="grid items-start gap-4 md:grid-cols-2 xl:grid-cols-3">
        {(all ? sheets : sheets.slice(0, shownAtFirst)).map((sheet) => (
          <RunSheetTicket
            key={`${String(sheet.session.startsAt)} ${String(sheet.session.painter)}`}
            sheet={sheet}
            project={project}
            painters={plan.painters}
          />
        ))}
      </div>
      {sheets.length > shownAtFirst ? (
        <Button weight="quiet" onClick={() => setAll(!all)} aria-expanded={all}>
          {all ? 'Only the next sessions' : `The other ${plural(sheets.length - shownAtFirst, 'session')}`}
        </Button>
      ) : null}
    </>
  )
}
