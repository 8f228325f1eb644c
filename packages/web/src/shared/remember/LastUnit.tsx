import type { Progress, RememberedUnit } from '@seriatim/core/progress'
import { toast } from 'sonner'
import type { FigureSources } from '@seriatim/core/estimating'
import { useRecorder } from '../progress/index.ts'
import type { ShownProject } from '../project/index.ts'
import { storeWord, useStoredWord } from '../stored-word.ts'
import { RememberForm } from './RememberForm.tsx'

const key = 'last-unit'

interface LastUnitProps {
  readonly project: ShownProject
  readonly progress: Progress | undefined
  readonly sources: FigureSources | null
}

/** Asked once, beside the first estimate: while nothing at all is known of the painter's pace. */
export function LastUnit({ project, progress, sources }: LastUnitProps) {
  const skipped = useStoredWord(key) !== null
  const remember = useRemember(project)
  if (skipped || !progress || !sources || progress.latestAt !== null) return null
  if ((sources.known ?? []).length > 0) return null
  const skip = () => storeWord(key, 'skipped')
  return (
    <section className="ticket mb-4 p-4" aria-labelledby="last-unit">
      <h2 id="last-unit" className="text-xl">
        How long did your last unit take?
      </h2>
      <p className="mb-2 text-ink-soft">
        People differ by a factor of three. One unit you remember brings these times close to yours.
      </p>
      <RememberForm project={project} leave="Skip" onSave={remember} onLeave={skip} />
    </section>
  )
}

/** Records it, with a way back. */
export function useRemember(project: ShownProject): (unit: RememberedUnit) => void {
  const recorder = useRecorder(project)
  return (unit) => {
    const id = recorder.remember(unit)
    toast('Your times follow what you remember.', {
      action: { label: 'Undo', onClick: () => recorder.undo(id) },
    })
  }
}
