import { planNoteText, type PlanNote } from '@seriatim/core/plan'
import { dateText, dayText } from './format/index.ts'

/** What the plan went on in spite of, each with the way out. */
export function PlanNotes({
  notes,
  timeZone,
}: {
  readonly notes: readonly PlanNote[]
  readonly timeZone: string
}) {
  if (notes.length === 0) return null
  return (
    <ul
      role="status"
      aria-label="To be looked at"
      className="ticket mb-4 border-l-8 border-l-touch-up px-4 py-2"
    >
      {notes.map((note, index) => (
        <li key={index}>
          {planNoteText(note, { day: (moment) => dayText(moment, timeZone), date: (date) => dateText(date) })}
        </li>
      ))}
    </ul>
  )
}
