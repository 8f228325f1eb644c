import { painterSessions } from '@seriatim/core/calendar'
import { techniques, type Painter, type Project, type Technique } from '@seriatim/core/trade'
import type { Instant } from '@seriatim/core/units'
import { Trash2 } from 'lucide-react'
import { CommitField, IconButton } from '../../shared/ui/index.ts'
import { CommitCheck } from './CommitCheck.tsx'
import { ImportCalendar } from './ImportCalendar.tsx'
import { NextSessions } from './NextSessions.tsx'
import { Rules } from './Rules.tsx'
import { TimesOff } from './TimesOff.tsx'

export interface PainterPartProps {
  readonly painter: Painter
  readonly project: Project
  readonly onChange: (painter: Painter, said: string) => void
}

interface PainterTicketProps extends PainterPartProps {
  readonly now: Instant
  readonly onRemove?: () => void
}

const shown = 8

/** One painter: name, pace, what not to ask for, and the sessions. */
export function PainterTicket({ painter, project, now, onChange, onRemove }: PainterTicketProps) {
  const { sessions } = painterSessions(painter, project.evenings, now, shown)
  return (
    <section aria-label={painter.name} className="ticket grid gap-4 p-4">
      <h2 className="sr-only">{painter.name}</h2>
      <div className="flex flex-wrap items-start gap-3">
        <CommitField
          label="Painter"
          className="min-w-40 grow"
          value={painter.name}
          check={(text) =>
            text.trim() === ''
              ? 'Give the painter a name.'
              : text.length > 60
                ? 'Keep it under 60 characters.'
                : null
          }
          onCommit={(name) => onChange({ ...painter, name: name.trim() }, `${name.trim()} it is.`)}
        />
        <CommitField
          label="Pace"
          className="w-44"
          hint="1 as estimated, 2 takes twice as long."
          value={String(painter.pace)}
          check={(text) => {
            const pace = Number(text.replace(',', '.'))
            return pace >= 0.2 && pace <= 5 ? null : 'Give a number from 0.2 to 5.'
          }}
          onCommit={(text) =>
            onChange(
              { ...painter, pace: Number(text.replace(',', '.')) },
              `${painter.name} works at ${text} times the estimate.`,
            )
          }
        />
        {onRemove ? (
          <IconButton label={`Take ${painter.name} off`} onClick={onRemove} className="mt-6">
            <Trash2 aria-hidden="true" size={18} />
          </IconButton>
        ) : null}
      </div>
      <details>
        <summary className="min-h-9 font-bold">
          {painter.cannot.length === 0 ? 'Does every stage' : `Is not asked to ${painter.cannot.join(', ')}`}
        </summary>
        <div className="flex flex-wrap gap-x-3">
          {techniques.map((technique) => (
            <CommitCheck
              key={technique}
              label={technique}
              checked={!painter.cannot.includes(technique)}
              onCommit={(does) => onChange(withTechnique(painter, technique, does), '')}
            />
          ))}
        </div>
      </details>
      <Rules painter={painter} project={project} onChange={onChange} />
      <NextSessions painter={painter} project={project} sessions={sessions} onChange={onChange} />
      <TimesOff painter={painter} project={project} onChange={onChange} />
      <ImportCalendar painter={painter} project={project} now={now} onChange={onChange} />
    </section>
  )
}

function withTechnique(painter: Painter, technique: Technique, does: boolean): Painter {
  const others = painter.cannot.filter((each) => each !== technique)
  return { ...painter, cannot: does ? others : [...others, technique] }
}
