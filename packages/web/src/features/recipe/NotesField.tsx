import { recipeOfNotes } from '@seriatim/core/notes'
import type { Shelf } from '@seriatim/core/recipe'
import type { Region } from '@seriatim/core/trade'
import { v7 } from 'uuid'
import { plural } from '../../shared/format/index.ts'
import { TextAreaField } from '../../shared/ui/index.ts'

type Read = ReturnType<typeof recipeOfNotes>

/** What a note comes to; nothing while nothing is written. */
export function readNotes(text: string, regions: readonly Region[], shelf: Shelf): Read | null {
  return text.trim() === '' ? null : recipeOfNotes(text, { regions, shelf }, v7)
}

interface NotesFieldProps {
  readonly label: string
  readonly rows: number
  readonly text: string
  readonly read: Read | null
  readonly onChange: (text: string) => void
}

/** A recipe as one writes it down, with what was not understood beneath. */
export function NotesField({ label, rows, text, read, onChange }: NotesFieldProps) {
  return (
    <div className="grid gap-2">
      <TextAreaField
        label={label}
        rows={rows}
        value={text}
        spellCheck={false}
        placeholder={
          'grey primer\nmoss green on the coat, twice\nsoot wash over everything but the skin; tuft last'
        }
        hint="A line or a semicolon a layer: paint, how, where. What is not said is as usual."
        onChange={(event) => onChange(event.target.value)}
      />
      {read ? (
        <div role="status" aria-live="polite">
          <p className="font-bold">{plural(read.steps.length, 'layer')} read</p>
          <ul className="grid gap-1">
            {read.questions.map((question) => (
              <li key={`${String(question.line)} ${question.about} ${question.text}`} className="text-hands">
                Line {question.line}, “{question.about}”: {question.text}
              </li>
            ))}
          </ul>
        </div>
      ) : null}
    </div>
  )
}
