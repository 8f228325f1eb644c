import { zodResolver } from '@hookform/resolvers/zod'
import { details, sizes, standards, type UnitId } from '@seriatim/core'
import { useForm } from 'react-hook-form'
import { v7 } from 'uuid'
import { z } from 'zod'
import { useCurrentProject, useEdit, withUnit } from '../../shared/project/index.ts'
import { plural } from '../../shared/format/index.ts'
import { Button, Dialog, TextField } from '../../shared/ui/index.ts'
import { modelsAlike } from './new-models.ts'
import { holderText } from './holder-text.ts'
import { KindFields } from './KindFields.tsx'
import { StandardField } from './StandardField.tsx'

const formSchema = z.object({
  name: z
    .string()
    .trim()
    .min(1, { error: 'Give the unit a name.' })
    .max(100, { error: 'Keep it under 100 characters.' }),
  count: z.string().regex(/^[1-9]\d{0,2}$/, { error: 'Give a number of models from 1 to 999.' }),
  role: z.string().trim().max(60, { error: 'Keep it under 60 characters.' }),
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
      count: '10',
      role: 'trooper',
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
    const unit = {
      id: v7() as UnitId,
      name,
      standard: values.standard,
      size: values.size,
      detail: values.detail,
      perHolder: Number(values.perHolder),
      pilot: [],
      joinedAt: null,
      models: modelsAlike({
        name,
        count: Number(values.count),
        role: values.role,
        variants: [],
        points: Number(values.points.replace(',', '.') || 0),
      }),
    }
    edit(project, withUnit(project, unit), `${name}: ${plural(unit.models.length, 'model')} on the roster.`)
    form.reset()
    onOpenChange(false)
  })
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title="New unit">
      <form onSubmit={(event) => void submit(event)} noValidate className="grid gap-4">
        <TextField label="Name" {...form.register('name')} error={errors.name?.message} autoFocus />
        <div className="grid gap-4 sm:grid-cols-3">
          <TextField
            label="Models"
            inputMode="numeric"
            {...form.register('count')}
            error={errors.count?.message}
          />
          <TextField label="Role" {...form.register('role')} error={errors.role?.message} />
          <TextField
            label="Points each"
            inputMode="decimal"
            {...form.register('points')}
            error={errors.points?.message}
          />
        </div>
        <StandardField {...form.register('standard')} />
        <KindFields
          size={form.register('size')}
          detail={form.register('detail')}
          perHolder={{ ...form.register('perHolder'), error: errors.perHolder?.message }}
        />
        <p className="text-sm text-ink-soft">
          Leaders, cloak wearers and other names can be told apart afterwards.
        </p>
        <Button type="submit" weight="main">
          Add the unit
        </Button>
      </form>
    </Dialog>
  )
}
