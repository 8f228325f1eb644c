import { lessonsAgain, type Lesson } from '@seriatim/core/progress'
import type { Stage } from '@seriatim/core/trade'
import { useState } from 'react'
import { useHand } from './api/index.ts'
import { dayText, plural } from './format/index.ts'
import { useCurrentProject } from './project/index.ts'
import { Button } from './ui/index.ts'

const shownAtFirst = 6

const kindText: Readonly<Record<Lesson['kind'], string>> = {
  said: 'said of it',
  missed: 'slip',
  used: 'another paint',
  went: 'on the models',
}

/** A lesson, of this project or of another one, which is then named. */
export type ToldLesson = Omit<Lesson, 'stageId' | 'pot'> & { readonly project?: string }

/** What was noted of the pots of these stages in other projects. */
export function useLessonsAgain(stages: readonly Stage[]): readonly Required<ToldLesson>[] {
  const { data } = useHand(useCurrentProject().id)
  return lessonsAgain(stages, data?.lessons ?? [])
}

/** Lessons under a heading, the first of them at first. */
export function LessonList({
  title,
  lessons,
}: {
  readonly title: string
  readonly lessons: readonly ToldLesson[]
}) {
  const { timeZone } = useCurrentProject().evenings
  const [all, setAll] = useState(false)
  if (lessons.length === 0) return null
  return (
    <section className="ticket mt-5 p-4" aria-label={title}>
      <h2 className="text-xl">{title}</h2>
      <ul className="mt-1">
        {(all ? lessons : lessons.slice(0, shownAtFirst)).map(({ project, at, stage, kind, text, times }) => (
          <li key={`${project ?? ''} ${kind} ${stage} ${text}`} className="border-t border-paper-edge py-1.5">
            <b>{stage}</b>, {kindText[kind]}: {text}
            <span className="text-sm text-ink-soft">
              {' '}
              {project === undefined ? '' : `${project}, `}
              {dayText(at, timeZone)}
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

/** What was noted before of these pots, said again where work with them is planned. */
export function LessonsAgain({ stages }: { readonly stages: readonly Stage[] }) {
  return <LessonList title="Noted of these pots in other projects" lessons={useLessonsAgain(stages)} />
}
