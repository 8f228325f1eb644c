import type { PilotStage } from '@seriatim/core/estimating'
import { mixOfText, textOfMix } from '@seriatim/core/mixing'
import { verdicts, type Verdict } from '@seriatim/core/progress'
import type { Shelf } from '@seriatim/core/recipe'
import { useState } from 'react'
import { MixField } from '../../shared/mix-field.tsx'
import type { Judged } from '../../shared/progress/index.ts'
import { Button, CheckField, Dialog, TextAreaField } from '../../shared/ui/index.ts'

interface VerdictDialogProps {
  readonly stage: PilotStage
  readonly shelf: Shelf
  readonly onClose: () => void
  readonly onJudge: (judged: Judged) => void
}

/** What a stage did for the look of the pilot, in a choice and a few words. */
export function VerdictDialog({ stage, shelf, onClose, onJudge }: VerdictDialogProps) {
  const [verdict, setVerdict] = useState<Verdict>(stage.judgement?.verdict ?? 'worth it')
  const [note, setNote] = useState(stage.judgement?.note ?? '')
  const [mix, setMix] = useState(stage.judgement?.mix ? textOfMix(stage.judgement.mix, shelf) : '')
  const [fault, setFault] = useState<string | undefined>()
  return (
    <Dialog
      open
      onOpenChange={onClose}
      title={stage.stage.name}
      description="Look from about a metre, beside the others. “Did nothing” proposes to leave it out, “too little” to add highlights, “another colour” to change the paint."
    >
      <form
        className="grid gap-3"
        onSubmit={(event) => {
          event.preventDefault()
          const said = { verdict, note: note.trim().slice(0, 400), mix: null }
          if (verdict !== 'another colour') {
            onJudge(said)
            return
          }
          const read = mixOfText(mix, shelf)
          if (!read.ok) setFault(read.error)
          else if (said.note === '' && read.value.length === 0) setFault('Say which colour, or why another.')
          else onJudge({ ...said, mix: read.value.length > 0 ? read.value : null })
        }}
      >
        <div className="flex flex-wrap" role="radiogroup" aria-label="What it did">
          {verdicts.map((each) => (
            <CheckField
              key={each}
              kind="radio"
              name="verdict"
              label={each}
              checked={verdict === each}
              onChange={() => setVerdict(each)}
            />
          ))}
        </div>
        {verdict === 'another colour' ? (
          <MixField
            label="Which colour instead"
            hint="As on the shelf, or mixed: 2:1 moss green to pale bone."
            shelf={shelf}
            value={mix}
            error={fault}
            onChange={(event) => setMix(event.target.value)}
          />
        ) : null}
        <TextAreaField
          label={verdict === 'another colour' ? 'Why' : 'Note'}
          rows={2}
          maxLength={400}
          value={note}
          onChange={(event) => setNote(event.target.value)}
        />
        <Button type="submit" weight="main">
          Save
        </Button>
      </form>
    </Dialog>
  )
}
