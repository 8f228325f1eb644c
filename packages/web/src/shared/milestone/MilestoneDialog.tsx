import { zodResolver } from '@hookform/resolvers/zod'
import { isThrough, type Progress } from '@seriatim/core/progress'
import { stagesOf, takesStage, type Stage, type Unit } from '@seriatim/core/trade'
import { seconds } from '@seriatim/core/units'
import { useForm, useWatch } from 'react-hook-form'
import { toast } from 'sonner'
import { z } from 'zod'
import { durationText, parseMinutesText, plural } from '../format/index.ts'
import { useCurrentProject } from '../project/index.ts'
import { useRecorder } from '../progress/index.ts'
import { Button, Dialog, SelectField, TextField } from '../ui/index.ts'

interface MilestoneDialogProps {
  readonly open: boolean
  readonly onOpenChange: (open: boolean) => void
  readonly progress: Progress
}

const formSchema = z.object({
  unitId: z.string(),
  stageId: z.string(),
  count: z
    .string()
    .trim()
    .regex(/^[1-9]\d{0,3}$/, { error: 'Give a number of models from 1.' }),
  time: z.string().refine(
    (text) => {
      const value = parseMinutesText(text)
      return value !== null && value > 0 && value <= 24 * 3600
    },
    { error: 'Give the time at the desk, such as 3 h or 90.' },
  ),
})

/** “Ten troopers through the base colours after three hours”: one record for several stages. */
export function MilestoneDialog({ open, onOpenChange, progress }: MilestoneDialogProps) {
  const project = useCurrentProject()
  const recorder = useRecorder(project)
  const [firstUnit] = project.units
  const form = useForm({
    resolver: zodResolver(formSchema),
    defaultValues: {
      unitId: firstUnit?.id ?? '',
      stageId: '',
      count: String(firstUnit?.models.length ?? 1),
      time: '',
    },
  })
  const { errors } = form.formState
  const values = useWatch({ control: form.control })
  const unit = project.units.find((each) => each.id === values.unitId)
  const stages = unit ? stagesOf(project, unit.id) : []
  const lastId = stages.some((stage) => stage.id === values.stageId) ? values.stageId : stages[0]?.id
  const last = stages.findIndex((stage) => stage.id === lastId)
  const upTo = stages.slice(0, last + 1)
  const reached = unit ? reachedBy(unit, upTo, progress, Number(values.count) || 0) : null

  const submit = form.handleSubmit(({ time }) => {
    if (!unit || !reached || reached.stages.length === 0) return
    const spent = seconds(parseMinutesText(time) ?? 1)
    recorder.milestone(
      reached.stages.map((stage) => stage.id),
      reached.models.map((model) => model.id),
      spent,
    )
    toast(
      `${unit.name}: ${plural(reached.models.length, 'model')} through ${plural(reached.stages.length, 'stage')} in ${durationText(spent)}.`,
    )
    form.reset()
    onOpenChange(false)
  })

  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      title="Log progress"
      description="For who looks at the clock now and then: so many models are through these stages, and it took so long. It punches them and teaches your rates."
    >
      <form noValidate className="grid gap-4" onSubmit={(event) => void submit(event)}>
        <div className="grid gap-4 sm:grid-cols-2">
          <SelectField
            label="Unit"
            options={project.units.map((each) => ({ value: each.id, text: each.name }))}
            {...form.register('unitId')}
          />
          <TextField
            label="Models done"
            inputMode="numeric"
            {...form.register('count')}
            error={errors.count?.message}
          />
        </div>
        <SelectField
          label="Through everything up to"
          options={stages.map((stage, index) => ({
            value: stage.id,
            text: `${String(index + 1)}. ${stage.name}${stage.material === '' ? '' : `, ${stage.material}`}`,
          }))}
          {...form.register('stageId')}
        />
        <TextField
          label="Time at the desk for it"
          hint="Without pauses: 3 h, 1 h 30, 90."
          {...form.register('time')}
          error={errors.time?.message}
        />
        <p role="status" className="text-sm text-ink-soft">
          {reached === null || reached.stages.length === 0
            ? 'These models are through all of that already; there is nothing to stamp.'
            : `${plural(reached.models.length, 'model')}, ${plural(reached.stages.length, 'stage')} not yet punched: ${stagesText(reached.stages)}.`}
        </p>
        <Button type="submit" weight="main" disabled={!reached || reached.stages.length === 0}>
          Stamp it
        </Button>
      </form>
    </Dialog>
  )
}

/** The first models of the unit that lack one of the stages, and the stages that one of them lacks. */
function reachedBy(unit: Unit, upTo: readonly Stage[], progress: Progress, count: number) {
  const lacks = (stage: Stage, model: Unit['models'][number]) =>
    takesStage(stage, unit.id, model) && !isThrough(progress, model.id, stage)
  const models = unit.models.filter((model) => upTo.some((stage) => lacks(stage, model))).slice(0, count)
  return { models, stages: upTo.filter((stage) => models.some((model) => lacks(stage, model))) }
}

function stagesText(stages: readonly Stage[]): string {
  const names = stages.map((stage) => stage.name)
  return names.length <= 3
    ? names.join('; ')
    : `${names.slice(0, 2).join('; ')} and ${String(names.length - 2)} more`
}
