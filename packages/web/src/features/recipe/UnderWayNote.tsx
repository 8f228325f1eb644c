import type { Progress } from '@seriatim/core/progress'
import type { Shelf } from '@seriatim/core/recipe'
import type { Project } from '@seriatim/core/trade'
import { useState } from 'react'
import { Button } from '../../shared/ui/index.ts'
import { useUnderWay } from '../../shared/worker/index.ts'

interface UnderWayNoteProps {
  readonly project: Project
  readonly progress: Progress | undefined
  readonly shelf: Shelf
}

/** What the changes made here mean for models that are half-way; it stays until it is read. */
export function UnderWayNote({ project, progress, shelf }: UnderWayNoteProps) {
  const [known, setKnown] = useState<Pick<Project, 'recipes' | 'line'>>(project)
  const said = useUnderWay(known, project, progress, shelf) ?? []
  if (said.length === 0 || known.recipes === project.recipes) return null
  return (
    <section role="status" className="ticket mb-5 border-l-8 border-l-drying p-4">
      <p className="font-bold">What this means for models under way</p>
      <ul className="mt-1 grid gap-1">
        {said.map((sentence) => (
          <li key={sentence}>{sentence}</li>
        ))}
      </ul>
      <Button weight="quiet" className="mt-1 px-1!" onClick={() => setKnown(project)}>
        Understood
      </Button>
    </section>
  )
}
