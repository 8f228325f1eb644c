import { verdicts, type PilotStage, type Verdict } from '@seriatim/core'
import { useState } from 'react'
import { Button, CheckField, Dialog, TextAreaField } from '../../shared/ui/index.ts'

interface VerdictDialogProps {
  readonly stage: PilotStage
  readonly onClose: () => void
  readonly onJudge: (verdict: Verdict, note: string) => void
}

/** What a stage did for the look of the pilot, in a choice and a few words. */
export function VerdictDialog({ stage, onClose, onJudge }: VerdictDialogProps) {
  const [verdict, setVerdict] = useState<Verdict>(stage.judgement?.verdict ?? 'worth it')
  const [note, setNote] = useState(stage.judgement?.note ?? '')
  return (
    <Dialog
      open
      onOpenChange={onClose}
      title={stage.stage.name}
      description="Look from about a metre, beside the others. “Did nothing” proposes to leave it out, “too little” to add highlights."
    >
      <form
        className="grid gap-3"
        onSubmit={(event) => {
          event.preventDefault()
          onJudge(verdict, note.trim().slice(0, 400))
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
        <TextAreaField
          label="Note"
          rows={2}
          maxLength={400}
          value={note}
          onChange={(event) => setNote(event.target.value)}
        />
        <Button type="submit" weight="main">
          Note it
        </Button>
      </form>
    </Dialog>
  )
}
