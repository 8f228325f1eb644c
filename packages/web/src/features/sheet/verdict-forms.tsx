import { defectCauses, type ModelStanding } from '@seriatim/core/sheet'
import { touchedRegions, type Project, type Stage } from '@seriatim/core/trade'
import { useId, useState, type ReactNode } from 'react'
import { plural } from '../../shared/format/index.ts'
import { Button, SelectField, TextField } from '../../shared/ui/index.ts'

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
export function DefectForm({
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
      submit="Save"
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

export function LeaveForm({
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

export function RedoForm({
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
