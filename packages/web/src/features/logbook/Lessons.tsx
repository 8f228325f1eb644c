import { lessonsOf, type Progress } from '@seriatim/core/progress'
import { useMemo } from 'react'
import { LessonList, LessonsAgain } from '../../shared/lessons.tsx'
import { useCurrentProject } from '../../shared/project/index.ts'

/** What was noted while painting, here and with the same pots elsewhere; the bench says it again when the pot is opened. */
export function Lessons({ progress }: { readonly progress: Progress }) {
  const project = useCurrentProject()
  const lessons = useMemo(() => lessonsOf(project, progress), [project, progress])
  return (
    <>
      <LessonList title="Worth knowing the next time" lessons={lessons} />
      <LessonsAgain stages={project.line} />
    </>
  )
}
