import { type InspectionVerdict, isThroughHole } from '@seriatim/core/progress'
import { defectCauses, inspectionChecklist, type ModelStanding } from '@seriatim/core/sheet'
import { touchedRegions, type Project, type Stage } from '@seriatim/core/trade'
import type { ModelId } from '@seriatim/core/units'
import { useId, useState, type ReactNode } from 'react'
import { plural } from '../../shared/format/index.ts'
import { ModelPictures } from '../../shared/model-pictures.tsx'
import type { useRecorder } from '../../shared/progress/index.ts'
import { usePageKeys } from '../../shared/use-page-keys.ts'
import { Button, Dialog, Kbd, SelectField, TextField } from '../../shared/ui/index.ts'

interface InspectDialogProps {
  readonly project: Project
  /** Those to be looked at when it was opened, and how they stand now. */
  readonly standings: readonly ModelStanding[]
  readonly recorder: Pick<ReturnType<typeof useRecorder>, 'inspect' | 'touchUp' | 'clear'>
  readonly onClose: () => void
}

type Asking = 'touch-up' | 'left' | 'redo' | null

/** One model after the other, from a metre and then in the hand; each gets its verdict by one key. */
export function InspectDialog({ project, standings, recorder, onClose }: InspectDialogProps) {
  const [at, setAt] = useState(0)
  const [asking, setAsking] = useState<Asking>(null)
  const standing = standings[at]
  const next = () => {
    setAsking(null)
    if (at + 1 < standings.length) setAt(at + 1)
    else onClose()
  }
  const verdict = (modelIds: readonly ModelId[], which: InspectionVerdict, note = '') => {
    recorder.inspect(modelIds, which, note)
    if (modelIds.length > 1) onClose()
    else next()
  }
  const keys = {
    p: () => {
      if (standing?.touchUps === 0) verdict([standing.model.id], 'passed')
    },
    l: () => {
      if (standing?.touchUps === 0) setAsking('left')
    },
    t: () => setAsking('touch-up'),
    r: () => setAsking('redo'),
    ArrowRight: () => setAt(Math.min(standings.length - 1, at + 1)),
    ArrowLeft: () => setAt(Math.max(0, at - 1)),
  }
  // A form that is open has the keys.
  usePageKeys(asking === null ? keys : {}, 'dialog')
  if (!standing) return null
  const { model, unit, touchUps } = standing
  const { metre, hand } = inspectionChecklist(project, unit)
  // What waits for a touch-up is looked at again when that is done.
  const waits = touchUps > 0
  const rest = standings.slice(at).flatMap((each) => (each.touchUps === 0 ? [each.model.id] : []))
  const done = project.line.filter((_, place) => {
    const hole = standing.holes[place]
    return hole !== undefined && isThroughHole(hole)
  })
  return (
    <Dialog
      open
      onOpenChange={onClose}
      title={`Inspect ${model.name}`}
      description={`${String(at + 1)} of ${String(standings.length)} · ${unit.name}, to ${unit.standard}${touchUps > 0 ? ` · ${plural(touchUps, 'touch-up')} noted` : ''}`}
    >
      <div className="grid gap-4 sm:grid-cols-2">
        <Looks title="From a metre" looks={metre} />
        <Looks title="In the hand" looks={hand} />
      </div>
      <ModelPictures project={project} model={model} />
      {asking === null ? (
        <div className="mt-5 grid grid-cols-2 gap-2 sm:grid-cols-4">
          <Button weight="main" disabled={waits} onClick={() => verdict([model.id], 'passed')}>
            Pass <Kbd>P</Kbd>
          </Button>
          <Button onClick={() => setAsking('touch-up')}>
            Touch up <Kbd>T</Kbd>
          </Button>
          <Button disabled={waits} onClick={() => setAsking('left')}>
            Leave it <Kbd>L</Kbd>
          </Button>
          <Button onClick={() => setAsking('redo')}>
            Redo <Kbd>R</Kbd>
          </Button>
          {rest.length > 1 && !waits ? (
            <Button weight="quiet" className="col-span-full" onClick={() => verdict(rest, 'passed')}>
              Pass this and the other {plural(rest.length - 1, 'model')}
            </Button>
          ) : null}
        </div>
      ) : null}
      {asking === 'touch-up' ? (
        <DefectForm
          project={project}
          standing={standing}
          stages={done}
          onCancel={() => setAsking(null)}
          onNote={(stage, region, cause) => {
            recorder.touchUp(stage.id, [model.id], cause, region)
            setAsking(null)
          }}
        />
      ) : null}
      {asking === 'left' ? (
        <LeaveForm onCancel={() => setAsking(null)} onLeave={(why) => verdict([model.id], 'left', why)} />
      ) : null}
      {asking === 'redo' ? (
        <RedoForm
          stages={done}
          onCancel={() => setAsking(null)}
          onRedo={(from) => {
            for (const stage of done.slice(done.indexOf(from))) recorder.clear(stage.id, [model.id])
            next()
          }}
        />
      ) : null}
      <div className="mt-4 flex justify-between border-t border-paper-edge pt-2">
        <Button weight="quiet" disabled={at === 0} onClick={() => setAt(at - 1)}>
          The one before
        </Button>
        <Button weight="quiet" onClick={next}>
          {at + 1 < standings.length ? 'The next one' : 'That was the last'}
        </Button>
      </div>
    </Dialog>
  )
}

function Looks({ title, looks }: { readonly title: string; readonly looks: readonly string[] }) {
  return (
    <section>
      <h3 className="font-bold">{title}</h3>
      <ul className="list-disc pl-5 text-sm">
        {looks.map((look) => (
          <li key={look}>{look}</li>
        ))}
      </ul>
    </section>
  )
}

function Form({
  label,
  submit,
  onSubmit,
  onCancel,
  children,
}: {
  readonly label: string
  readonly submit: string
  readonly onSubmit: () => void
  readonly onCancel: () => void
  readonly children: ReactNode
}) {
  return (
    <form
      aria-label={label}
      className="mt-5 grid gap-3 border-t border-paper-edge pt-3"
      onSubmit={(event) => {
        event.preventDefault()
        onSubmit()
      }}
    >
      {children}
      <div className="flex gap-3">
        <Button type="submit" weight="main">
          {submit}
        </Button>
        <Button onClick={onCancel}>Cancel</Button>
      </div>
    </form>
  )
}

/** Where, what and with which paint: a touch-up that goes into the round. */
function DefectForm({
  project,
  standing,
  stages,
  onNote,
  onCancel,
}: {
  readonly project: Project
  readonly standing: ModelStanding
  readonly stages: readonly Stage[]
  readonly onNote: (stage: Stage, region: string | null, cause: string) => void
  readonly onCancel: () => void
}) {
  const causes = useId()
  const recipe = project.recipes.find((each) => each.unitIds.includes(standing.unit.id))
  const regions = recipe?.regions.map((region) => region.name) ?? []
  const [region, setRegion] = useState('')
  const [cause, setCause] = useState('')
  const reaching = stages.filter((stage) => region === '' || covers(stage, region))
  const offered = reaching.length > 0 ? reaching : stages
  const [stageId, setStageId] = useState<string | null>(null)
  // The last paint on the region is what shows; what lies over everything, as varnish does, is no paint to mend with.
  const shown = offered.findLast((each) => each.touch.kind !== 'whole') ?? offered.at(-1)
  const stage = offered.find((each) => each.id === stageId) ?? shown
  return (
    <Form
      label="What is to be touched up"
      submit="Note it"
      onSubmit={() => stage && onNote(stage, region === '' ? null : region, cause.trim())}
      onCancel={onCancel}
    >
      <SelectField
        label="Where"
        autoFocus
        value={region}
        options={[{ value: '', text: 'anywhere' }, ...regions.map((value) => ({ value, text: value }))]}
        onChange={(event) => setRegion(event.target.value)}
      />
      <TextField
        label="What is wrong"
        list={causes}
        maxLength={400}
        value={cause}
        onChange={(event) => setCause(event.target.value)}
      />
      <datalist id={causes}>
        {defectCauses.map((each) => (
          <option key={each} value={each} />
        ))}
      </datalist>
      <SelectField
        label="Mended with the paint of"
        value={stage?.id ?? ''}
        options={offered.map((each) => ({ value: each.id, text: each.name }))}
        onChange={(event) => setStageId(event.target.value)}
      />
    </Form>
  )
}

function covers(stage: Stage, region: string): boolean {
  const touched = touchedRegions(stage.touch)
  return touched === 'whole' || touched.includes(region.trim().toLowerCase())
}

function LeaveForm({
  onLeave,
  onCancel,
}: {
  readonly onLeave: (why: string) => void
  readonly onCancel: () => void
}) {
  const [why, setWhy] = useState('')
  return (
    <Form
      label="What is left as it is"
      submit="Leave it so"
      onSubmit={() => onLeave(why.trim())}
      onCancel={onCancel}
    >
      <TextField
        label="What is left as it is, and why"
        placeholder="thin on the inside of the cloak; nobody sees it"
        autoFocus
        maxLength={400}
        value={why}
        onChange={(event) => setWhy(event.target.value)}
      />
    </Form>
  )
}

function RedoForm({
  stages,
  onRedo,
  onCancel,
}: {
  readonly stages: readonly Stage[]
  readonly onRedo: (from: Stage) => void
  readonly onCancel: () => void
}) {
  const [stageId, setStageId] = useState<string>(stages[0]?.id ?? '')
  const from = stages.find((stage) => stage.id === stageId)
  const count = from ? stages.length - stages.indexOf(from) : 0
  return (
    <Form
      label="From where it is done again"
      submit={`Open ${plural(count, 'stage')} again`}
      onSubmit={() => from && onRedo(from)}
      onCancel={onCancel}
    >
      <SelectField
        label="Done again from"
        hint="Stripped, it begins with the first."
        autoFocus
        value={stageId}
        options={stages.map((stage, index) => ({
          value: stage.id,
          text: `${String(index + 1)}, ${stage.name}`,
        }))}
        onChange={(event) => setStageId(event.target.value)}
      />
    </Form>
  )
}
