import { type AskedStage, type HalfPainted, type KeepReason, toPaintOver } from '@seriatim/core/ordering'
import type { Progress } from '@seriatim/core/progress'
import type { Project } from '@seriatim/core/trade'
import type { ModelId } from '@seriatim/core/units'
import { useState } from 'react'
import { toast } from 'sonner'
import { useShelf } from '../../shared/api/index.ts'
import { plural } from '../../shared/format/index.ts'
import { useProgress, useRecorder } from '../../shared/progress/index.ts'
import { Button, Dialog, SelectField } from '../../shared/ui/index.ts'
import { useHalfPainted } from '../../shared/worker/index.ts'

interface HalfPaintedNoteProps {
  readonly project: Project
}

/** Where a change catches models half-painted and what it asks of them is in doubt: that it is to be decided, and where. */
export function HalfPaintedNote({ project }: HalfPaintedNoteProps) {
  const [known, setKnown] = useState(project)
  const { progress } = useProgress(project.id)
  const { data: shelf } = useShelf()
  const [open, setOpen] = useState(false)
  const units = useHalfPainted(known, project, progress, shelf) ?? []
  if (known.line === project.line || units.length === 0 || !progress) return null
  const doubts = units.flatMap(({ asked }) => asked.filter(({ reason }) => reason !== null))
  const models = new Set(units.flatMap(({ begun }) => begun)).size
  return (
    <section
      role="status"
      className="ticket mb-5 flex flex-wrap items-center gap-3 border-l-8 border-l-drying p-4"
    >
      <p className="grow">
        <b>{plural(models, 'model')} half-painted:</b> the change asks for{' '}
        {plural(new Set(doubts.map(({ stage }) => stage.id)).size, 'stage')} that{' '}
        {models === 1 ? 'it has' : 'they have'} already or that would cover what is done.
      </p>
      <Button weight="main" onClick={() => setOpen(true)}>
        Decide
      </Button>
      {open ? (
        <HalfPaintedDialog
          project={project}
          progress={progress}
          units={units}
          onClose={() => setOpen(false)}
          onDecided={() => {
            setOpen(false)
            setKnown(project)
          }}
        />
      ) : null}
    </section>
  )
}

const reasonText: Readonly<Record<KeepReason, string>> = {
  'has-it': 'they have the same paint there already',
  underneath: 'it belongs under what is on them',
  'other-paint': 'they have it as it was before',
}

type Decision = 'keep' | 'paint'

const keyOf = ({ unit }: HalfPainted, { stage, reason }: AskedStage) =>
  `${unit.id} ${stage.id} ${reason ?? 'new'}`

interface HalfPaintedDialogProps extends HalfPaintedNoteProps {
  readonly progress: Progress
  readonly units: readonly HalfPainted[]
  readonly onClose: () => void
  readonly onDecided: () => void
}

function HalfPaintedDialog({ project, progress, units, onClose, onDecided }: HalfPaintedDialogProps) {
  const recorder = useRecorder(project)
  const [decided, setDecided] = useState<ReadonlyMap<string, Decision>>(new Map())
  const decisionOf = (unit: HalfPainted, asked: AskedStage): Decision =>
    decided.get(keyOf(unit, asked)) ?? (asked.reason === null ? 'paint' : 'keep')
  const save = () => {
    for (const unit of units)
      for (const asked of unit.asked) {
        const decision = decisionOf(unit, asked)
        if (asked.reason === 'other-paint') {
          if (decision === 'paint')
            for (const { stageId, models } of toPaintOver(project, progress, asked))
              recorder.clear(stageId, models)
        } else if (decision === 'keep') recorder.skip(asked.stage.id, asked.models, 'what is on them stays')
      }
    toast('What is on them stays, but for what you chose to paint.')
    onDecided()
  }
  const strip = (unit: HalfPainted) => {
    for (const { stage, models } of unit.onThem)
      if (project.line.some(({ id }) => id === stage.id)) recorder.clear(stage.id, models)
    toast(`${unit.unit.name}: ${plural(unit.begun.length, 'model')} to paint anew.`)
    if (units.length === 1) onDecided()
  }
  return (
    <Dialog
      open
      onOpenChange={onClose}
      title="What stays of what is painted?"
      description="The log keeps what was done, whatever you choose. Each answer can be taken back in it."
      wide
    >
      <div className="grid gap-6">
        {units.map((unit) => (
          <section key={unit.unit.id} aria-label={unit.unit.name}>
            <h3 className="text-lg font-bold">
              {unit.unit.name}: {plural(unit.begun.length, 'model')} begun
            </h3>
            <OnThem unit={unit} />
            <ul className="mt-3 grid gap-2">
              {unit.asked.map((asked) => (
                <li
                  key={keyOf(unit, asked)}
                  className="grid items-end gap-x-4 border-t border-ink-soft/40 pt-2 sm:grid-cols-[1fr_15rem]"
                >
                  <p>
                    <b>{asked.stage.name}</b>, {plural(asked.models.length, 'model')}
                    {asked.reason === null ? '' : `: ${reasonText[asked.reason]}`}
                  </p>
                  <SelectField
                    label="On these"
                    value={decisionOf(unit, asked)}
                    options={[
                      {
                        value: 'keep',
                        text: asked.reason === 'other-paint' ? 'keep what they have' : 'leave it out',
                      },
                      {
                        value: 'paint',
                        text: asked.reason === 'other-paint' ? 'paint over, and what lies on it' : 'paint it',
                      },
                    ]}
                    onChange={(event) =>
                      setDecided(new Map([...decided, [keyOf(unit, asked), event.target.value as Decision]]))
                    }
                  />
                </li>
              ))}
            </ul>
            <Button weight="quiet" className="mt-2 px-1!" onClick={() => strip(unit)}>
              Strip {unit.begun.length === 1 ? 'it' : `all ${String(unit.begun.length)}`} and begin anew
            </Button>
          </section>
        ))}
      </div>
      <div className="mt-5 flex flex-wrap justify-end gap-3">
        <Button onClick={onDecided}>Paint all that is asked</Button>
        <Button weight="main" onClick={save}>
          Save
        </Button>
      </div>
    </Dialog>
  )
}

/** What each model has on it: a row a stage, a mark a model. */
function OnThem({ unit: { unit, begun, onThem } }: { readonly unit: HalfPainted }) {
  const nameOf = (id: ModelId) => unit.models.find((model) => model.id === id)?.name ?? ''
  return (
    <ul className="mt-1 grid gap-1" aria-label="What is on them">
      {onThem.map(({ stage, models }) => (
        <li key={stage.id} className="flex flex-wrap items-center gap-x-3">
          <span aria-hidden="true" className="flex text-[16px]">
            {begun.map((id) => (
              <span key={id} className="hole-box" title={nameOf(id)}>
                <span className="hole" data-state={models.includes(id) ? 'done' : 'to-do'} />
              </span>
            ))}
          </span>
          <span className="text-sm">
            {stage.name}:{' '}
            {models.length === begun.length
              ? 'all of them'
              : `${String(models.length)} of ${String(begun.length)}`}
          </span>
        </li>
      ))}
    </ul>
  )
}
