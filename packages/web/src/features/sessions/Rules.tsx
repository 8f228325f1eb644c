import { rulesFor } from '@seriatim/core/calendar'
import { hoursText } from '../../shared/format/index.ts'
import { CalendarClock } from 'lucide-react'
import { useState } from 'react'
import { Button } from '../../shared/ui/index.ts'
import { PaintsWhen } from './PaintsWhen.tsx'
import type { PainterPartProps } from './PainterTicket.tsx'

/** The sessions that come again and again: the project's evenings, or the painter's own. */
export function Rules({ painter, project, onChange }: PainterPartProps) {
  const [changing, setChanging] = useState(false)
  const { evenings } = project
  const isOwn = painter.rules.length > 0
  return (
    <div>
      <h3 className="text-base">Regular sessions</h3>
      <p className="min-h-9">
        {hoursText(rulesFor(painter, evenings))}
        {isOwn ? null : <span className="text-ink-soft">, the project’s evenings</span>}
      </p>
      <Button weight="quiet" className="-ml-4" onClick={() => setChanging(true)}>
        <CalendarClock aria-hidden="true" size={18} /> {isOwn ? 'Change my times' : 'My own times'}
      </Button>
      {changing ? (
        <PaintsWhen
          title={`When ${painter.name} paints`}
          rules={painter.rules}
          evenings={evenings}
          submitLabel="Save"
          onSave={(rules) => {
            onChange({ ...painter, rules }, `${hoursText(rulesFor({ rules }, evenings))}: the plan follows.`)
            setChanging(false)
          }}
          onClose={() => setChanging(false)}
        />
      ) : null}
    </div>
  )
}
