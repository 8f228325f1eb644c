import { textOfMix } from '@seriatim/core/mixing'
import { lastUsed, type Progress } from '@seriatim/core/progress'
import { useShelf } from '../../shared/api/index.ts'
import { Kbd } from '../../shared/ui/index.ts'
import type { BenchTask } from './bench-task.ts'

interface PaintLineProps {
  readonly task: BenchTask
  readonly progress: Progress
  readonly onUsed: () => void
}

/** What was really used on these models, if it was not what the recipe says. */
export function PaintLine({ task, progress, onUsed }: PaintLineProps) {
  const materials = useShelf().data
  const used = lastUsed(progress, task.stage.id, task.modelIds)
  return (
    <p className="text-sm text-ink-soft">
      {used && materials ? (
        <>
          On these models: <b className="text-ink">{textOfMix(used.mix, materials)}</b>
          {used.note === '' ? '. ' : `, ${used.note}. `}
        </>
      ) : null}
      <button type="button" className="min-h-9 underline underline-offset-4" onClick={onUsed}>
        Another paint <Kbd>U</Kbd>
      </button>
    </p>
  )
}
