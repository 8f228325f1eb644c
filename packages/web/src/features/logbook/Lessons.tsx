import { lessonsOf, type Lesson, type Progress } from '@seriatim/core/progress'
import { useMemo, useState } from 'react'
import { dayText, plural } from '../../shared/format/index.ts'
import { useCurrentProject } from '../../shared/project/index.ts'
import { Button } from '../../shared/ui/index.ts'

const shownAtFirst = 6

const kindText: Readonly<Record<Lesson['kind'], string>> = {
  said: 'said of it',
  missed: 'slip',
  used: 'another paint',
}

/** What was noted while painting; the bench says it again when the pot is opened. */
export function Lessons({ progress }: { readonly progress: Progress }) {
  const project = useCurrentProject()
  const lessons = useMemo(() => lessonsOf(project, progress), [project, progress])
  const [all, setAll] = useState(false)
  if (lessons.length === 0) return null
  return (
    <section className="ticket mt-5 p-4" aria-labelledby="lessons">
      <h2 id="lessons" className="text-xl">
        Worth knowing the next time
      </h2>
      <ul className="mt-1">
        {(all ? lessons : lessons.slice(0, shownAtFirst)).map(({ at, stageId, kind, text, times }) => (
          <li key={`${kind} ${stageId} ${text}`} className="border-t border-paper-edge py-1.5">
            <b>{project.line.find((stage) => stage.id === stageId)?.name}</b>, {kindText[kind]}: {text}
            <span className="text-sm text-ink-soft">
              {' '}
              {dayText(at, project.evenings.timeZone)}
              {times > 1 ? `, noted ${String(times)} times` : ''}
            </span>
          </li>
        ))}
      </ul>
      {lessons.length > shownAtFirst ? (
        <Button weight="quiet" aria-expanded={all} onClick={() => setAll(!all)}>
          {all ? 'Only the first' : `The other ${plural(lessons.length - shownAtFirst, 'note')}`}
        </Button>
      ) : null}
    </section>
  )
}
