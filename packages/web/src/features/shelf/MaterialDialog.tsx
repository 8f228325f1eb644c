import { zodResolver } from '@hookform/resolvers/zod'
import { materialSchema } from '@seriatim/contract'
import { parseHex } from '@seriatim/core/colour'
import { kindPresets } from '@seriatim/core/presets'
import {
  materialForms,
  materialKinds,
  sheens,
  type Carrier,
  type Material,
  type MaterialKind,
} from '@seriatim/core/trade'
import { minutes } from '@seriatim/core/units'
import { useForm } from 'react-hook-form'
import { z } from 'zod'
import { minutesInputText, parseMinutesText } from '../../shared/format/index.ts'
import { Button, CheckField, Dialog, SelectField, TextField } from '../../shared/ui/index.ts'

const time = z.string().refine((text) => parseMinutesText(text) !== null, { error: 'Give minutes, or 2 h.' })
const timeOrNone = z.string().refine((text) => text.trim() === '' || parseMinutesText(text) !== null, {
  error: 'Give minutes, or nothing.',
})
const number = (top: number) =>
  z.string().refine((text) => readNumber(text) >= 0 && readNumber(text) <= top, {
    error: `Give a number from 0 to ${String(top)}.`,
  })

function readNumber(text: string): number {
  return text.trim() === '' ? Number.NaN : Number(text.replace(',', '.'))
}

const formSchema = z
  .object({
    name: z
      .string()
      .trim()
      .min(1, { error: 'Give the material a name.' })
      .max(80, { error: 'Keep it under 80 characters.' }),
    kind: z.enum(materialKinds),
    colour: z.string().refine((text) => parseHex(text) !== null, { error: 'Give a colour as #rrggbb.' }),
    carrier: z.enum(['water', 'spirit', 'dry']),
    opacity: number(1),
    dryFrom: time,
    dryTo: time,
    form: z.enum(['', ...materialForms]),
    sheen: z.enum(['', ...sheens]),
    wipeFrom: timeOrNone,
    wipeTo: timeOrNone,
    coverage: number(10_000),
    reactivates: z.boolean(),
    stockMl: number(100_000),
    potMl: number(100_000),
  })
  .refine((values) => (parseMinutesText(values.dryFrom) ?? 0) <= (parseMinutesText(values.dryTo) ?? 0), {
    path: ['dryTo'],
    error: 'The longest cannot be shorter than the shortest.',
  })
  .refine((values) => (values.wipeFrom.trim() === '') === (values.wipeTo.trim() === ''), {
    path: ['wipeTo'],
    error: 'Say both, or neither.',
  })
  .refine((values) => (parseMinutesText(values.wipeFrom) ?? 0) <= (parseMinutesText(values.wipeTo) ?? 0), {
    path: ['wipeTo'],
    error: 'It cannot be too late to wipe it before it can be wiped.',
  })

interface MaterialDialogProps {
  readonly material: Material
  readonly isNew: boolean
  readonly open: boolean
  readonly onOpenChange: (open: boolean) => void
  readonly onSave: (material: Material) => void
  readonly onRemove: (material: Material) => void
}

export function MaterialDialog({
  material,
  isNew,
  open,
  onOpenChange,
  onSave,
  onRemove,
}: MaterialDialogProps) {
  const form = useForm({
    resolver: zodResolver(formSchema),
    defaultValues: {
      name: material.name,
      kind: material.kind,
      colour: material.colour,
      carrier: material.carrier,
      opacity: String(material.opacity),
      dryFrom: minutesInputText(material.dryingMinSeconds),
      dryTo: minutesInputText(material.dryingMaxSeconds),
      form: material.form ?? '',
      sheen: material.sheen ?? '',
      wipeFrom: material.workable ? minutesInputText(material.workable.min) : '',
      wipeTo: material.workable ? minutesInputText(material.workable.max) : '',
      coverage: String(material.coverage),
      reactivates: material.reactivates,
      stockMl: String(material.stockMl),
      potMl: String(material.potMl),
    },
  })
  const { errors } = form.formState
  const takePreset = (kind: MaterialKind) => {
    const preset = kindPresets[kind]
    form.setValue('carrier', preset.carrier)
    form.setValue('opacity', String(preset.opacity))
    form.setValue('dryFrom', minutesInputText(minutes(preset.dry[0])))
    form.setValue('dryTo', minutesInputText(minutes(preset.dry[1])))
    form.setValue('coverage', String(preset.coverage))
    form.setValue('potMl', String(preset.potMl))
  }
  const kindField = form.register('kind', {
    onChange: (event: { target: { value: MaterialKind } }) => isNew && takePreset(event.target.value),
  })
  const submit = form.handleSubmit((values) => {
    onSave(
      materialSchema.parse({
        id: material.id,
        name: values.name,
        kind: values.kind,
        colour: parseHex(values.colour),
        carrier: values.carrier satisfies Carrier,
        opacity: readNumber(values.opacity),
        dryingMinSeconds: parseMinutesText(values.dryFrom),
        dryingMaxSeconds: parseMinutesText(values.dryTo),
        form: values.form === '' ? null : values.form,
        sheen: values.sheen === '' ? null : values.sheen,
        workable:
          values.wipeTo.trim() === ''
            ? null
            : { min: parseMinutesText(values.wipeFrom), max: parseMinutesText(values.wipeTo) },
        coverage: readNumber(values.coverage),
        reactivates: values.reactivates,
        stockMl: readNumber(values.stockMl),
        potMl: readNumber(values.potMl),
      }),
    )
  })
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title={isNew ? 'New material' : material.name}>
      <form onSubmit={(event) => void submit(event)} noValidate className="grid gap-4">
        <TextField label="Name" {...form.register('name')} error={errors.name?.message} autoFocus />
        <div className="grid gap-4 sm:grid-cols-3">
          <SelectField
            label="Kind"
            options={materialKinds.map((value) => ({ value, text: value }))}
            {...kindField}
          />
          <SelectField
            label="Base"
            options={['water', 'spirit', 'dry'].map((value) => ({ value, text: value }))}
            {...form.register('carrier')}
          />
          <TextField label="Colour" {...form.register('colour')} error={errors.colour?.message} />
          <TextField
            label="Dry from, minutes"
            {...form.register('dryFrom')}
            error={errors.dryFrom?.message}
          />
          <TextField label="Dry to, minutes" {...form.register('dryTo')} error={errors.dryTo?.message} />
          <SelectField
            label="Comes as"
            options={['', ...materialForms].map((value) => ({ value, text: value || 'as usual' }))}
            {...form.register('form')}
          />
          <SelectField
            label="Dries"
            options={['', ...sheens].map((value) => ({ value, text: value || 'as usual' }))}
            {...form.register('sheen')}
          />
          <TextField
            label="Wipe from, minutes"
            {...form.register('wipeFrom')}
            error={errors.wipeFrom?.message}
          />
          <TextField label="Wipe to, minutes" {...form.register('wipeTo')} error={errors.wipeTo?.message} />
          <TextField
            label="Opacity, 0 to 1"
            inputMode="decimal"
            {...form.register('opacity')}
            error={errors.opacity?.message}
          />
          <TextField
            label="Covers, cm² a ml"
            inputMode="decimal"
            {...form.register('coverage')}
            error={errors.coverage?.message}
          />
          <TextField
            label="In stock, ml"
            inputMode="decimal"
            {...form.register('stockMl')}
            error={errors.stockMl?.message}
          />
          <TextField
            label="A pot, ml"
            inputMode="decimal"
            {...form.register('potMl')}
            error={errors.potMl?.message}
          />
        </div>
        <CheckField label="Wet paint lifts it again" {...form.register('reactivates')} />
        <div className="flex flex-wrap gap-3">
          <Button type="submit" weight="main" className="grow">
            {isNew ? 'Put it on the shelf' : 'Save'}
          </Button>
          {isNew ? null : <Button onClick={() => onRemove(material)}>Take it off the shelf</Button>}
        </div>
      </form>
    </Dialog>
  )
}
