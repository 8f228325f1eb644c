import { keepIds, notesOfRecipe } from '@seriatim/core/notes'
import type { Shelf } from '@seriatim/core/recipe'
import type { Recipe } from '@seriatim/core/trade'
import { useMemo, useState } from 'react'
import { Button, Dialog } from '../../shared/ui/index.ts'
import { NotesField, readNotes } from './NotesField.tsx'

interface NotesDialogProps {
  readonly recipe: Recipe
  readonly shelf: Shelf
  readonly onClose: () => void
  readonly onSave: (recipe: Recipe) => void
}

/** The recipe as text, to be read, copied and written on. */
export function NotesDialog({ recipe, shelf, onClose, onSave }: NotesDialogProps) {
  const written = useMemo(() => notesOfRecipe(recipe, shelf), [recipe, shelf])
  const [text, setText] = useState(written)
  const read = useMemo(() => readNotes(text, recipe.regions, shelf), [text, recipe.regions, shelf])
  const isChanged = text !== written
  return (
    <Dialog
      open
      onOpenChange={onClose}
      title={`${recipe.name}, as text`}
      description="From the first coat down to the last. Layers that stay the same keep what is painted of them."
      wide
    >
      <div className="grid gap-4">
        <NotesField
          label="The recipe"
          rows={Math.min(18, Math.max(8, text.split('\n').length + 1))}
          text={text}
          read={isChanged ? read : null}
          onChange={setText}
        />
        <div className="flex flex-wrap gap-3">
          <Button
            weight="main"
            disabled={!isChanged || !read || read.steps.length === 0}
            onClick={() => read && onSave({ ...recipe, steps: keepIds(read.steps, recipe.steps) })}
          >
            Take it as written
          </Button>
          <Button onClick={onClose}>Leave it as it was</Button>
        </div>
      </div>
    </Dialog>
  )
}
