import { isOpenHole, type HoleState } from '@seriatim/core/progress'
import type { ModelStanding } from '@seriatim/core/sheet'
import { stageNameFor } from '@seriatim/core/ordering'
import type { Project } from '@seriatim/core/trade'
import type { Instant, StageId } from '@seriatim/core/units'
import { useState } from 'react'
import { plural } from '../../shared/format/index.ts'
import { ModelPictures } from '../../shared/model-pictures.tsx'
import type { useRecorder } from '../../shared/progress/index.ts'
import { Button, Dialog, holeText, PunchHole, TextField } from '../../shared/ui/index.ts'

interface ModelDialogProps {
  readonly standing: ModelStanding
  readonly project: Project
  readonly now: Instant
  readonly recorder: Pick<ReturnType<typeof useRecorder>, 'punch' | 'clear' | 'touchUp'>
  readonly onClose: () => void
}

/** One model, stage by stage: mark it, open it again, or note what is to be mended. */
export function ModelDialog({ standing, project, now, recorder, onClose }: ModelDialogProps) {
  const { model, unit, holes } = standing
  const [noting, setNoting] = useState<StageId | null>(null)
  const about = [unit.name, model.role, ...model.variants].filter(Boolean).join(', ')
  const points = model.points > 0 ? ` · ${plural(model.points, 'point')}` : ''
  return (
    <Dialog
      open
      onOpenChange={onClose}
      title={model.name}
      description={`${about}${points} · ${String(standing.done)} of ${plural(standing.of, 'stage')} done`}
    >
      <ol>
        {project.line.map((stage, place) => {
          const hole = holes[place]
          const name = stageNameFor(stage, project.recipes, [unit.id])
          return hole && hole.kind !== 'not-needed' ? (
            <li key={stage.id} className="border-t border-paper-edge">
              <div className="flex min-h-12 items-center gap-3">
                <PunchHole state={hole} now={now} size={28} />
                <span className="min-w-0 grow">
                  <b className="block leading-tight">{name}</b>
                  <span className="text-sm text-ink-soft">{holeText(hole)}</span>
                </span>
                <StageButtons
                  hole={hole}
                  name={name}
                  onPunch={() => recorder.punch(stage.id, [model.id])}
                  onClear={() => recorder.clear(stage.id, [model.id])}
                  onNote={() => setNoting(noting === stage.id ? null : stage.id)}
                />
              </div>
              {noting === stage.id ? (
                <NoteForm
                  onNote={(note) => {
                    recorder.touchUp(stage.id, [model.id], note)
                    setNoting(null)
                  }}
                />
              ) : null}
            </li>
          ) : null
        })}
      </ol>
      <ModelPictures project={project} model={model} />
    </Dialog>
  )
}

interface StageButtonsProps {
  readonly hole: HoleState
  readonly name: string
  readonly onPunch: () => void
  readonly onClear: () => void
  readonly onNote: () => void
}

function StageButtons({ hole, name, onPunch, onClear, onNote }: StageButtonsProps) {
  return (
    <span className="flex shrink-0 gap-2">
      {isOpenHole(hole) ? (
        <Button aria-label={`${hole.kind === 'touch-up' ? 'Mended' : 'Done'}: ${name}`} onClick={onPunch}>
          {hole.kind === 'touch-up' ? 'Mended' : 'Done'}
        </Button>
      ) : (
        <>
          <Button weight="quiet" aria-label={`Touch-up: ${name}`} onClick={onNote}>
            Touch-up
          </Button>
          <Button aria-label={`Open again: ${name}`} onClick={onClear}>
            Open again
          </Button>
        </>
      )}
    </span>
  )
}

function NoteForm({ onNote }: { readonly onNote: (note: string) => void }) {
  const [note, setNote] = useState('')
  return (
    <form
      className="flex items-end gap-3 pb-3 pl-10"
      onSubmit={(event) => {
        event.preventDefault()
        onNote(note.trim())
      }}
    >
      <TextField
        label="What is to be mended, and where"
        placeholder="bare undercoat behind the shield"
        maxLength={400}
        autoFocus
        value={note}
        onChange={(event) => setNote(event.target.value)}
        className="grow"
      />
      <Button type="submit" weight="main">
        Save
      </Button>
    </form>
  )
}
