import { zodResolver } from '@hookform/resolvers/zod'
import { details, sizes, standards } from '@seriatim/core/trade'
import type { UnitId } from '@seriatim/core/units'
import { useForm } from 'react-hook-form'
import { v7 } from 'uuid'
import { z } from 'zod'
import { useCurrentProject, useEdit, withUnit } from '../../shared/project/index.ts'
import { plural } from '../../shared/format/index.ts'
import { Button, Dialog, TextField } from '../../shared/ui/index.ts'
import { splitNames } from '../../shared/split-names.ts'
import { modelsOfSets, parseSets } from '../../shared/new-models/index.ts'
import { holderText } from './holder-text.ts'
import { KindFields } from './KindFields.tsx'
import { StandardField } from './StandardField.tsx'

const formSchema = z.object({
  name: z
    .string()
    .trim()
    .min(1, { error: 'Give the unit a name.' })
    .max(100, { error: 'Keep it under 100 characters.' }),
  sets: z.string().superRefine((text, context) => {
    const parsed = parseSets(text)
    if (!parsed.ok) context.addIssue({ code: 'custom', message: parsed.error })
  }),
  marks: z
    .string()
    .refine((text) => splitNames(text, ',').every((mark) => mark.length <= 50), {
      error: 'Keep each mark under 50 characters.',
    })
    .refine((text) => splitNames(text, ',').length <= 20, { error: 'Up to 20 squads.' }),
  points: z.string().regex(/^\d*([.,]\d+)?$/, { error: 'Give the points as a number.' }),
  standard: z.enum(standards),
  size: z.enum(sizes),
  detail: z.enum(details),
  perHolder: holderText,
})

interface AddUnitDialogProps {
  readonly open: boolean
  readonly onOpenChange: (open: boolean) => void
}

export function AddUnitDialog({ open, onOpenChange }: AddUnitDialogProps) {
  const project = useCurrentProject()
  const edit = useEdit()
  const form = useForm({
    resolver: zodResolver(formSchema),
    defaultValues: {
      name: '',
      sets: '10',
      marks: '',
      points: '',
      standard: 'tabletop' as const,
      size: 'foot' as const,
      detail: 'usual' as const,
      perHolder: '1',
    },
  })
  const { errors } = form.formState
  const submit = form.handleSubmit((values) => {
    const { name } = values
    const parsed = parseSets(values.sets)
    if (!parsed.ok) return
    const points = Number(values.points.replace(',', '.') || 0)
    const unit = {
      id: v7() as UnitId,
      name,
      standard: values.standard,
      size: values.size,
      detail: values.detail,
      perHolder: Number(values.perHolder),
      pilot: [],
      joinedAt: null,
      models: modelsOfSets(name, parsed.sets, splitNames(values.marks, ','), points),
    }
    edit(project, withUnit(project, unit), `${name}: ${plural(unit.models.length, 'model')} on the roster.`)
    form.reset()
    onOpenChange(false)
  })
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title="New unit">
      <form onSubmit={(event) => void submit(event)} noValidate className="grid gap-4">
        <TextField label="Name" {...form.register('name')} error={errors.name?.message} autoFocus />
        <div className="grid items-start gap-4 sm:grid-cols-[2fr_1fr]">
          <TextField
            label="Models"
            hint="10, or in sets: 10 pikes, leader, horn"
            {...form.register('sets')}
            error={errors.sets?.message}
          />
          <TextField
            label="Points each"
            inputMode="decimal"
            {...form.register('points')}
            error={errors.points?.message}
          />
        </div>
        <TextField
          label="Squads"
          hint="Such as red, blue: the same models once for each. Empty: one squad."
          {...form.register('marks')}
          error={errors.marks?.message}
        />
        <StandardField {...form.register('standard')} />
        <KindFields
          size={form.register('size')}
          detail={form.register('detail')}
          perHolder={{ ...form.register('perHolder'), error: errors.perHolder?.message }}
        />
        <Button type="submit" weight="main">
          Add the unit
        </Button>
      </form>
    </Dialog>
  )
}
