import { zodResolver } from '@hookform/resolvers/zod'
import {
  details,
  joinUnits,
  sizes,
  splitUnit,
  stagesOf,
  standards,
  type Project,
  type Unit,
} from '@seriatim/core/trade'
import type { ModelId, StageId } from '@seriatim/core/units'
import { Plus, Trash2 } from 'lucide-react'
import { useState } from 'react'
import { useFieldArray, useForm } from 'react-hook-form'
import { v7 } from 'uuid'
import { z } from 'zod'
import { useEdit, useProjectAtOpening, withUnit } from '../../shared/project/index.ts'
import { plural } from '../../shared/format/index.ts'
import { splitNames } from '../../shared/split-names.ts'
import { Button, controlLook, Dialog, IconButton, SelectField, TextField } from '../../shared/ui/index.ts'
import { holderText } from './holder-text.ts'
import { KindFields } from './KindFields.tsx'
import { grownBy } from '../../shared/new-models/index.ts'
import { StandardField } from './StandardField.tsx'

const formSchema = z.object({
  name: z
    .string()
    .trim()
    .min(1, { error: 'Give the unit a name.' })
    .max(120, { error: 'Keep it under 120 characters.' }),
  standard: z.enum(standards),
  size: z.enum(sizes),
  detail: z.enum(details),
  perHolder: holderText,
  joined: z.string(),
  models: z.array(
    z.object({
      modelId: z.string(),
      name: z
        .string()
        .trim()
        .min(1, { error: 'Give the model a name.' })
        .max(120, { error: 'Under 120 characters.' }),
      role: z.string().trim().max(60, { error: 'Under 60 characters.' }),
      variants: z.string().max(300, { error: 'Under 300 characters.' }),
      points: z.string().regex(/^\d+([.,]\d+)?$/, { error: 'Give a number.' }),
    }),
  ),
})

interface UnitDialogProps {
  readonly unit: Unit
  readonly project: Project
  readonly onClose: () => void
}

/** A place to be joined at, as the form has it: unit and stage. */
function joinedOf(text: string): Unit['joinedAt'] {
  const [unitId, stageId] = text.split(' ')
  return unitId && stageId ? { unitId: unitId as Unit['id'], stageId: stageId as StageId } : null
}

/** Every stage that another unit takes. */
function joinsFor(
  unit: Unit,
  project: Project,
): readonly { readonly value: string; readonly text: string }[] {
  return project.units
    .filter((other) => other.id !== unit.id)
    .flatMap((other) =>
      stagesOf(project, other.id).map((stage) => ({
        value: `${other.id} ${stage.id}`,
        text: `${other.name}, at ${stage.name}`,
      })),
    )
}

/** Every model of a unit by name, role, variants and points. */
export function UnitDialog({ unit, project, onClose }: UnitDialogProps) {
  const edit = useEdit()
  const opened = useProjectAtOpening()
  const form = useForm({
    resolver: zodResolver(formSchema),
    defaultValues: {
      name: unit.name,
      standard: unit.standard,
      size: unit.size,
      detail: unit.detail,
      perHolder: String(unit.perHolder),
      joined: unit.joinedAt ? `${unit.joinedAt.unitId} ${unit.joinedAt.stageId}` : '',
      models: unit.models.map((model) => ({
        modelId: model.id,
        name: model.name,
        role: model.role,
        variants: model.variants.join(', '),
        points: String(model.points),
      })),
    },
  })
  const { fields, append, remove } = useFieldArray({ control: form.control, name: 'models' })
  const { errors } = form.formState
  const [ticked, setTicked] = useState<ReadonlySet<ModelId>>(new Set())
  const [splitName, setSplitName] = useState('')
  const [more, setMore] = useState('')
  const [moreError, setMoreError] = useState<string>()
  const tick = (id: ModelId) =>
    setTicked((known) => new Set(known.has(id) ? [...known].filter((each) => each !== id) : [...known, id]))
  const others = project.units.filter((other) => other.id !== unit.id)
  /** The unit as the form has it. */
  const unitOf = (values: z.infer<typeof formSchema>): Unit => {
    const models = values.models.map((model) => ({
      id: model.modelId as ModelId,
      name: model.name,
      role: model.role,
      variants: splitNames(model.variants, ','),
      points: Number(model.points.replace(',', '.')),
    }))
    const { joined, ...rest } = values
    return {
      ...rest,
      id: unit.id,
      perHolder: Number(values.perHolder),
      joinedAt: joinedOf(joined),
      pilot: unit.pilot.filter((id) => models.some((model) => model.id === id)),
      models,
    }
  }
  const saved = (change: (project: Project) => Project, said: (name: string) => string) =>
    form.handleSubmit((values) => {
      edit(opened, change(withUnit(opened, unitOf(values))), said(values.name))
      onClose()
    })()
  const submit = () =>
    saved(
      (each) => each,
      (name) => `${name} is changed.`,
    )
  const split = () => {
    const own = { id: v7() as Unit['id'], name: splitName.trim() || `${unit.name}, others` }
    void saved(
      (each) => splitUnit(each, unit.id, ticked, own),
      (name) =>
        `${plural(ticked.size, 'model')} of ${name} ${ticked.size === 1 ? 'is' : 'are'} “${own.name}” now.`,
    )
  }
  const join = (other: Unit) =>
    void saved(
      (each) => joinUnits(each, unit.id, other.id),
      (name) => `${other.name} is part of ${name} now.`,
    )
  const grow = () => {
    const grown = grownBy({ name: form.getValues('name'), models: unitOf(form.getValues()).models }, more)
    if ('error' in grown) {
      setMoreError(grown.error)
      return
    }
    setMoreError(undefined)
    setMore('')
    append(
      grown.models.map(({ id, name, role, variants, points }) => ({
        modelId: id,
        name,
        role,
        variants: variants.join(', '),
        points: String(points),
      })),
    )
  }
  return (
    <Dialog
      open
      onOpenChange={onClose}
      title={unit.name}
      description="A model taken off keeps its record and comes back with Undo."
      wide
    >
      <form
        onSubmit={(event) => {
          event.preventDefault()
          void submit()
        }}
        noValidate
        className="grid gap-3"
      >
        <div className="grid items-start gap-4 sm:grid-cols-2">
          <TextField label="Unit" {...form.register('name')} error={errors.name?.message} />
          <StandardField {...form.register('standard')} />
        </div>
        <KindFields
          size={form.register('size')}
          detail={form.register('detail')}
          perHolder={{ ...form.register('perHolder'), error: errors.perHolder?.message }}
        />
        <SelectField
          label="Painted apart and joined to"
          hint="A scenic base, a mount, a tray: it has to be through and dry before that stage."
          options={[{ value: '', text: 'nothing: it stands by itself' }, ...joinsFor(unit, project)]}
          {...form.register('joined')}
        />
        <div aria-hidden="true" className="hidden gap-2 pr-13 text-sm font-bold sm:flex">
          <span className="grow">Name</span>
          <span className="w-36">Role</span>
          <span className="w-44">Variants, with commas</span>
          <span className="w-20">Points</span>
        </div>
        <ol className="grid gap-2">
          {fields.map((field, index) => {
            const faults = errors.models?.[index]
            const fault =
              faults?.name?.message ??
              faults?.role?.message ??
              faults?.variants?.message ??
              faults?.points?.message
            return (
              <li key={field.id}>
                <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,1.2fr)_3.5rem_2.75rem] items-center gap-2 border-b border-paper-edge pb-3 sm:flex sm:border-0 sm:pb-0">
                  <input
                    type="checkbox"
                    aria-label={`Tick model ${String(index + 1)}`}
                    className="col-span-full size-6 shrink-0 accent-ink"
                    checked={ticked.has(field.modelId as ModelId)}
                    onChange={() => tick(field.modelId as ModelId)}
                  />
                  <input
                    aria-label={`Model ${String(index + 1)}: name`}
                    className={`${controlLook} col-span-full`}
                    aria-invalid={faults?.name !== undefined}
                    {...form.register(`models.${index}.name`)}
                  />
                  <input
                    aria-label={`Model ${String(index + 1)}: role`}
                    className={`${controlLook} sm:max-w-36`}
                    {...form.register(`models.${index}.role`)}
                  />
                  <input
                    aria-label={`Model ${String(index + 1)}: variants, with commas`}
                    className={`${controlLook} sm:max-w-44`}
                    {...form.register(`models.${index}.variants`)}
                  />
                  <input
                    aria-label={`Model ${String(index + 1)}: points`}
                    className={`${controlLook} figures sm:max-w-20`}
                    inputMode="decimal"
                    aria-invalid={faults?.points !== undefined}
                    {...form.register(`models.${index}.points`)}
                  />
                  <IconButton label={`Take model ${String(index + 1)} off`} onClick={() => remove(index)}>
                    <Trash2 aria-hidden="true" size={18} />
                  </IconButton>
                </div>
                {fault === undefined ? null : (
                  <p role="alert" className="text-sm font-bold text-hands">
                    {fault}
                  </p>
                )}
              </li>
            )
          })}
        </ol>
        <div className="flex flex-wrap items-end gap-3">
          <TextField
            label="More models"
            placeholder="+10 green"
            className="w-48"
            value={more}
            error={moreError}
            onChange={(event) => setMore(event.target.value)}
            onKeyDown={(event) => {
              if (event.key !== 'Enter') return
              event.preventDefault()
              grow()
            }}
          />
          <Button onClick={grow} disabled={more.trim() === ''}>
            <Plus aria-hidden="true" size={18} /> Add them
          </Button>
          {ticked.size > 0 && ticked.size < fields.length ? (
            <>
              <TextField
                label={`A unit of its own for the ${plural(ticked.size, 'ticked model')}`}
                placeholder={`${unit.name}, others`}
                value={splitName}
                maxLength={120}
                onChange={(event) => setSplitName(event.target.value)}
              />
              <Button onClick={split}>Split them off</Button>
            </>
          ) : null}
          {others.length > 0 ? (
            <SelectField
              label="Take another unit in"
              value=""
              options={[
                { value: '', text: 'none' },
                ...others.map((other) => ({ value: other.id, text: other.name })),
              ]}
              onChange={(event) => {
                const other = others.find(({ id }) => id === event.target.value)
                if (other) join(other)
              }}
            />
          ) : null}
        </div>
        <div>
          <Button type="submit" weight="main">
            Save the unit
          </Button>
        </div>
      </form>
    </Dialog>
  )
}
