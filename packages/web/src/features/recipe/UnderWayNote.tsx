import { changeUnderWay, type Progress, type Project, type Recipe, type Shelf } from '@seriatim/core'
import { useMemo, useState } from 'react'
import { Button } from '../../shared/ui/index.ts'

interface UnderWayNoteProps {
  readonly project: Project
  readonly progress: Progress | undefined
  readonly shelf: Shelf
}

/** What the changes made here mean for models that are half-way; it stays until it is read. */
export function UnderWayNote({ project, progress, shelf }: UnderWayNoteProps) {
  const [known, setKnown] = useState<readonly Recipe[]>(project.recipes)
  const said = useMemo(() => {
    if (!progress || known === project.recipes) return []
    return known.flatMap((before) => {
      const after = project.recipes.find((each) => each.id === before.id) ?? null
      return changeUnderWay(project, progress, before, after, shelf)
    })
  }, [project, progress, known, shelf])
  if (said.length === 0) return null
  return (
    <section role="status" className="ticket mb-5 border-l-8 border-l-drying p-4">
      <p className="font-bold">What this means for models under way</p>
      <ul className="mt-1 grid gap-1">
        {said.map((sentence) => (
          <li key={sentence}>{sentence}</li>
        ))}
      </ul>
      <Button weight="quiet" className="mt-1 px-1!" onClick={() => setKnown(project.recipes)}>
        Understood
      </Button>
    </section>
  )
}
