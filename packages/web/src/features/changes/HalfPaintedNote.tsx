import { type AskedStage, type HalfPainted, type KeepReason, toPaintOver } from '@seriatim/core/ordering'
import type { Progress } from '@seriatim/core/progress'
import type { Project } from '@seriatim/core/trade'
import type { ModelId } from '@seriatim/core/units'
import { useState } from 'react'
import { toast } from 'sonner'
import { useShelf } from '../../shared/api/index.ts'
import { plural } from '../../shared/format/index.ts'
import { useProgress, useRecorder } from '../../shared/progress/index.ts'
import { Button, controlLook, Dialog } from '../../shared/ui/index.ts'
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
      className="ticket mt-5 flex flex-wrap items-center gap-3 border-l-8 border-l-drying p-4"
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
    asked.reason === null ? 'paint' : (decided.get(keyOf(unit, asked)) ?? 'keep')
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
            <Questions
              asked={unit.asked.filter(({ reason }) => reason !== null)}
              decisionOf={(asked) => decisionOf(unit, asked)}
              onDecide={(asked, decision) =>
                setDecided(new Map([...decided, [keyOf(unit, asked), decision]]))
              }
            />
            <OnTop unit={unit} />
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

interface QuestionsProps {
  readonly asked: readonly AskedStage[]
  readonly decisionOf: (asked: AskedStage) => Decision
  readonly onDecide: (asked: AskedStage, decision: Decision) => void
}

function Questions({ asked: all, decisionOf, onDecide }: QuestionsProps) {
  return (
    <ul className="mt-3 grid">
      {all.map((asked) => {
        const { stage, models, reason } = asked
        const isThere = reason === 'other-paint'
        return (
          <li
            key={`${stage.id} ${reason ?? ''}`}
            className="grid items-center gap-x-4 gap-y-1 border-t border-ink-soft/40 py-2 sm:grid-cols-[1fr_16rem]"
          >
            <p>
              <b>{stage.name}</b>, {plural(models.length, 'model')}
              {reason === null ? '' : `: ${reasonText[reason]}`}
            </p>
            <select
              aria-label={stage.name}
              className={controlLook}
              value={decisionOf(asked)}
              onChange={(event) => onDecide(asked, event.target.value === 'paint' ? 'paint' : 'keep')}
            >
              <option value="keep">{isThere ? 'keep what they have' : 'leave it out'}</option>
              <option value="paint">{isThere ? 'paint over, and what lies on it' : 'paint it'}</option>
            </select>
          </li>
        )
      })}
    </ul>
  )
}

/** What the change asks that lies on top of what they have: nobody is in doubt about it. */
function OnTop({ unit: { asked } }: { readonly unit: HalfPainted }) {
  const names = [...new Set(asked.flatMap(({ stage, reason }) => (reason === null ? [stage.name] : [])))]
  if (names.length === 0) return null
  return (
    <details className="border-t border-ink-soft/40 py-2">
      <summary>{plural(names.length, 'stage')} on top of what they have, to be painted</summary>
      <p className="mt-1">{names.join(' · ')}</p>
    </details>
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
