import { zodResolver } from '@hookform/resolvers/zod'
import type { RememberedUnit } from '@seriatim/core/progress'
import { recipeSchools } from '@seriatim/core/recipe'
import { sizes, standards, type Project } from '@seriatim/core/trade'
import { readToldTime } from '@seriatim/core/units'
import { useForm } from 'react-hook-form'
import { z } from 'zod'
import { durationText } from '../format/index.ts'
import { Button, SelectField, TextField } from '../ui/index.ts'

const formSchema = z.object({
  models: z.coerce
    .number({ error: 'Give a whole number of models.' })
    .int({ error: 'Give a whole number of models.' })
    .min(1, { error: 'At least one model.' })
    .max(1000, { error: 'Up to 1,000 models.' }),
  size: z.enum(sizes),
  school: z.string(),
  standard: z.enum(standards),
  told: z
    .string()
    .trim()
    .max(120, { error: 'Keep it under 120 characters.' })
    .refine((text) => readToldTime(text, 1) !== null, {
      error: 'Say how long: 6 hours, three evenings of two hours, 20 minutes each.',
    }),
})

interface RememberFormProps {
  readonly project: Pick<Project, 'units' | 'recipes'>
  readonly leave: string
  readonly onSave: (unit: RememberedUnit) => void
  /** Also by Escape. */
  readonly onLeave: () => void
}

/** One unit of before, and what it took as one would say it. */
export function RememberForm({ project, leave, onSave, onLeave }: RememberFormProps) {
  const [unit] = project.units
  const recipe = project.recipes.find((each) => unit && each.unitIds.includes(unit.id))
  const school = recipeSchools.find(({ id }) => id === recipe?.school) ?? recipeSchools[0]
  const form = useForm({
    resolver: zodResolver(formSchema),
    defaultValues: {
      models: unit?.models.length ?? 10,
      size: unit?.size ?? 'foot',
      school: school?.id ?? '',
      standard: unit?.standard ?? 'tabletop',
      told: '',
    },
  })
  const { errors } = form.formState
  const [told, models] = form.watch(['told', 'models'])
  const read = readToldTime(told, Number(models) || 1)
  return (
    <form
      noValidate
      aria-label="A unit you remember"
      className="grid grid-cols-2 gap-x-4 gap-y-2 lg:grid-cols-[5rem_8rem_minmax(0,1fr)_10rem_minmax(0,1.4fr)_auto]"
      onSubmit={(event) => void form.handleSubmit(onSave)(event)}
      onKeyDown={(event) => {
        if (event.key !== 'Escape') return
        event.stopPropagation()
        onLeave()
      }}
    >
      <TextField
        label="Models"
        inputMode="numeric"
        error={errors.models?.message}
        {...form.register('models')}
      />
      <SelectField
        label="Size"
        options={sizes.map((value) => ({ value, text: value }))}
        {...form.register('size')}
      />
      <SelectField
        label="Painted by"
        options={recipeSchools.map(({ id, name }) => ({ value: id, text: name.toLowerCase() }))}
        {...form.register('school')}
      />
      <SelectField
        label="To"
        options={standards.map((value) => ({ value, text: value }))}
        {...form.register('standard')}
      />
      <TextField
        label="It took"
        className="col-span-2 lg:col-span-1"
        placeholder="about three evenings of two hours"
        autoComplete="off"
        error={errors.told?.message}
        hint={read ? `${durationText(read.seconds)} in all` : 'As you would say it; vague is fine.'}
        {...form.register('told')}
      />
      <div className="col-span-2 flex items-start gap-2 lg:col-span-1 lg:pt-6">
        <Button weight="main" type="submit" className="whitespace-nowrap">
          Count it
        </Button>
        <Button weight="quiet" onClick={onLeave}>
          {leave}
        </Button>
      </div>
    </form>
  )
}
