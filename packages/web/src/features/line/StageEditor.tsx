import { zodResolver } from '@hookform/resolvers/zod'
import { cautionText, techniques, type Caution, type Stage, type Unit } from '@seriatim/core/trade'
import { useEffect } from 'react'
import { useForm, useWatch } from 'react-hook-form'
import { Button, CheckField, SelectField, TextAreaField, TextField } from '../../shared/ui/index.ts'
import { formOf, stageFormSchema, stageOf } from './stage-form.ts'

interface StageEditorProps {
  readonly stage: Stage
  readonly units: readonly Unit[]
  readonly onSave: (stage: Stage) => void
  readonly onRemove: () => void
  readonly onCancel: () => void
}

const touchKinds = [
  { kind: 'whole', label: 'The whole model' },
  { kind: 'regions', label: 'Named regions' },
  { kind: 'base', label: 'The base' },
] as const

const cautionNames: Readonly<Record<Caution, string>> = {
  spray: 'Spray',
  solvent: 'Solvent',
  'oily-rags': 'Oily rags',
  knife: 'Knife',
  dust: 'Dust',
  glue: 'Glue',
}

export function StageEditor({ stage, units, onSave, onRemove, onCancel }: StageEditorProps) {
  const unitIds = units.map((unit) => unit.id)
  const form = useForm({ resolver: zodResolver(stageFormSchema), defaultValues: formOf(stage, unitIds) })
  const { errors } = form.formState
  const byRecipe = stage.steps.length > 0
  const touchKind = useWatch({ control: form.control, name: 'touchKind' })
  const { setFocus } = form
  useEffect(() => setFocus('name', { shouldSelect: true }), [setFocus])

  return (
    <form
      noValidate
      className="grid gap-4 border-t-2 border-dashed border-paper-edge p-4"
      onSubmit={(event) => void form.handleSubmit((values) => onSave(stageOf(stage, values, unitIds)))(event)}
      onKeyDown={(event) => {
        if (event.key === 'Escape') onCancel()
      }}
    >
      <div className="grid gap-4 sm:grid-cols-2">
        <TextField label="Stage" {...form.register('name')} error={errors.name?.message} />
        <TextField
          label="Material"
          hint="Stages with the same material share one open pot."
          {...form.register('material')}
          error={errors.material?.message}
        />
      </div>
      <fieldset>
        <legend className="text-sm font-bold">Touches</legend>
        <div className="flex flex-wrap gap-x-3">
          {touchKinds.map(({ kind, label }) => (
            <CheckField key={kind} kind="radio" label={label} value={kind} {...form.register('touchKind')} />
          ))}
        </div>
        {touchKind === 'regions' ? (
          <TextField
            label="Regions"
            hint="With commas: skin, leather, wood. While one dries, the others can be painted."
            {...form.register('regions')}
            error={errors.regions?.message}
          />
        ) : null}
      </fieldset>
      <div className="grid grid-cols-2 gap-4 lg:grid-cols-4">
        {byRecipe ? null : (
          <TextField label="Minutes a foot model" {...form.register('each')} error={errors.each?.message} />
        )}
        <TextField label="Set-up, minutes" {...form.register('setUp')} error={errors.setUp?.message} />
        <TextField label="Dry after, at least" {...form.register('dryMin')} error={errors.dryMin?.message} />
        <TextField label="Dry after, at most" {...form.register('dryMax')} error={errors.dryMax?.message} />
        <TextField
          label="Next stage within"
          placeholder="any time"
          {...form.register('nextWithin')}
          error={errors.nextWithin?.message}
        />
      </div>
      {byRecipe ? null : (
        <SelectField
          label="Technique"
          hint="It says how the minutes grow with the size of a model, and what stays on the palette."
          className="sm:max-w-sm"
          options={[
            { value: '', text: 'none of these' },
            ...techniques.map((value) => ({ value, text: value })),
          ]}
          {...form.register('technique')}
        />
      )}
      <TextAreaField label="How" rows={2} {...form.register('note')} error={errors.note?.message} />
      {units.length > 0 ? (
        <fieldset>
          <legend className="text-sm font-bold">Needed by</legend>
          <div className="flex flex-wrap gap-x-3">
            {units.map((unit) => (
              <CheckField key={unit.id} label={unit.name} value={unit.id} {...form.register('neededBy')} />
            ))}
          </div>
        </fieldset>
      ) : null}
      <fieldset>
        <legend className="text-sm font-bold">Cautions shown at the bench</legend>
        <div className="flex flex-wrap gap-x-3">
          {(Object.keys(cautionText) as Caution[]).map((caution) => (
            <CheckField
              key={caution}
              label={cautionNames[caution]}
              value={caution}
              {...form.register('cautions')}
            />
          ))}
        </div>
      </fieldset>
      <CheckField
        label="A stop line: after this stage a model counts as table-ready"
        {...form.register('tableReady')}
      />
      <div className="flex flex-wrap gap-3">
        <Button type="submit" weight="main">
          Save the stage
        </Button>
        <Button onClick={onCancel}>Leave it as it was</Button>
        <Button weight="quiet" className="ml-auto" onClick={onRemove}>
          Take the stage out
        </Button>
      </div>
    </form>
  )
}
