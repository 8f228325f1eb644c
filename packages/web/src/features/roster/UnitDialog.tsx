import { zodResolver } from '@hookform/resolvers/zod'
import type { ModelId, Project, Unit } from '@seriatim/core'
import { Plus, Trash2 } from 'lucide-react'
import { useFieldArray, useForm } from 'react-hook-form'
import { v7 } from 'uuid'
import { z } from 'zod'
import { useProjectChange } from '../../shared/api/index.ts'
import { Button, controlLook, Dialog, IconButton, TextField } from '../../shared/ui/index.ts'

const formSchema = z.object({
  name: z
    .string()
    .trim()
    .min(1, { error: 'Give the unit a name.' })
    .max(120, { error: 'Keep it under 120 characters.' }),
  models: z.array(
    z.object({
      modelId: z.string(),
      name: z
        .string()
        .trim()
        .min(1, { error: 'Give the model a name.' })
        .max(120, { error: 'Under 120 characters.' }),
      role: z.string().trim().max(60, { error: 'Under 60 characters.' }),
      points: z.string().regex(/^\d+([.,]\d+)?$/, { error: 'Give a number.' }),
    }),
  ),
})

interface UnitDialogProps {
  readonly unit: Unit
  readonly project: Project
  readonly onClose: () => void
}

/** Every model of a unit by name, role and points. */
export function UnitDialog({ unit, project, onClose }: UnitDialogProps) {
  const change = useProjectChange(project.id)
  const form = useForm({
    resolver: zodResolver(formSchema),
    defaultValues: {
      name: unit.name,
      models: unit.models.map((model) => ({
        modelId: model.id,
        name: model.name,
        role: model.role,
        points: String(model.points),
      })),
    },
  })
  const { fields, append, remove } = useFieldArray({ control: form.control, name: 'models' })
  const { errors } = form.formState
  const submit = form.handleSubmit(async (values) => {
    const models = values.models.map((model) => ({
      id: model.modelId as ModelId,
      name: model.name,
      role: model.role,
      points: Number(model.points.replace(',', '.')),
    }))
    await change.mutateAsync({
      change: { kind: 'unit', unit: { id: unit.id, name: values.name, models } },
      said: `${values.name} is changed.`,
    })
    onClose()
  })
  return (
    <Dialog
      open
      onOpenChange={onClose}
      title={unit.name}
      description="A model taken off keeps its record and comes back with Undo."
      wide
    >
      <form onSubmit={(event) => void submit(event).catch(() => undefined)} noValidate className="grid gap-3">
        <TextField label="Unit" {...form.register('name')} error={errors.name?.message} />
        <ol className="grid gap-2">
          {fields.map((field, index) => {
            const faults = errors.models?.[index]
            const fault = faults?.name?.message ?? faults?.role?.message ?? faults?.points?.message
            return (
              <li key={field.id}>
                <div className="flex gap-2">
                  <input
                    aria-label={`Model ${String(index + 1)}: name`}
                    className={controlLook}
                    aria-invalid={faults?.name !== undefined}
                    {...form.register(`models.${index}.name`)}
                  />
                  <input
                    aria-label={`Model ${String(index + 1)}: role`}
                    className={`${controlLook} max-w-44`}
                    {...form.register(`models.${index}.role`)}
                  />
                  <input
                    aria-label={`Model ${String(index + 1)}: points`}
                    className={`${controlLook} figures max-w-20`}
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
        <div className="flex flex-wrap gap-3">
          <Button
            onClick={() =>
              append({
                modelId: v7(),
                name: `${unit.name} ${String(fields.length + 1)}`,
                role: 'trooper',
                points: '0',
              })
            }
          >
            <Plus aria-hidden="true" size={18} /> One more model
          </Button>
          <Button type="submit" weight="main" disabled={change.isPending}>
            Save the unit
          </Button>
        </div>
      </form>
    </Dialog>
  )
}
