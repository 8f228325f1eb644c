import { mixOfText, textOfMix, nearestPaints } from '@seriatim/core/mixing'
import { factsOf, type Shelf } from '@seriatim/core/recipe'
import type { Mix, Project } from '@seriatim/core/trade'
import { useState } from 'react'
import { useShelf } from '../../shared/api/index.ts'
import { MixField } from '../../shared/mix-field.tsx'
import { Button, Dialog, ErrorState, TextField } from '../../shared/ui/index.ts'
import type { BenchTask } from './bench-task.ts'

interface UsedDialogProps {
  readonly task: BenchTask
  readonly project: Project
  readonly onClose: () => void
  readonly onUsed: (mix: Mix, note: string) => void
}

const offered = 3

/** Another paint than the recipe says was used on this batch: which, and why; it comes back in “Repeat as done”. */
export function UsedDialog({ task, project, onClose, onUsed }: UsedDialogProps) {
  const [text, setText] = useState('')
  const [note, setNote] = useState('')
  const [fault, setFault] = useState<string | undefined>()
  const { data: shelf, error, refetch } = useShelf()
  const failed = !shelf && error
  const near = shelf ? nearTo(task, project, shelf) : []
  return (
    <Dialog
      open
      onOpenChange={onClose}
      title={`Another paint: ${task.stage.name}`}
      description={`The recipe says ${task.stage.material || 'no paint'}. What is noted here stands in the record of these ${String(task.modelIds.length)} models.`}
    >
      <form
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault()
          if (!shelf) return
          const read = mixOfText(text, shelf)
          if (!read.ok) setFault(read.error)
          else if (read.value.length === 0) setFault('Say which paint was used.')
          else onUsed(read.value, note.trim().slice(0, 400))
        }}
      >
        <MixField
          label="What was used"
          shelf={shelf}
          value={text}
          error={fault}
          autoFocus
          onChange={(event) => setText(event.target.value)}
        />
        {near.length > 0 ? (
          <div className="flex flex-wrap items-center gap-2 text-sm">
            <span className="text-ink-soft">Nearest on the shelf:</span>
            {near.map((each) => (
              <Button key={each} onClick={() => setText(each)}>
                {each}
              </Button>
            ))}
          </div>
        ) : null}
        <TextField
          label="Why"
          placeholder="the pot is empty"
          maxLength={400}
          value={note}
          onChange={(event) => setNote(event.target.value)}
        />
        {failed ? <ErrorState error={failed} onRetry={() => void refetch()} isPart /> : null}
        <Button type="submit" weight="main" disabled={!shelf}>
          {shelf || failed ? 'Save' : 'Reading the shelf …'}
        </Button>
      </form>
    </Dialog>
  )
}

/** What comes near the colour that the recipe asks for here. */
function nearTo({ stage, batch }: BenchTask, { recipes }: Project, shelf: Shelf): readonly string[] {
  const recipe = recipes.find((each) => each.unitIds.includes(batch.unitId))
  const own = stage.steps.find((step) => step.recipeId === recipe?.id)
  const facts = recipe && factsOf(recipe, shelf).find((each) => each.step.id === own?.stepId)
  if (!facts?.material) return []
  const without = facts.step.mix.map((part) => part.materialId)
  return nearestPaints(facts.material.colour, facts.material.kind, shelf, without)
    .slice(0, offered)
    .map(({ mix }) => textOfMix(mix, shelf))
}
