import { zodResolver } from '@hookform/resolvers/zod'
import type { ProjectSettings } from '@seriatim/contract'
import { usualHandOver, type HandOver } from '@seriatim/core/trade'
import { parseLocalDate, seconds, type LocalDate } from '@seriatim/core/units'
import { useForm, useWatch } from 'react-hook-form'
import { z } from 'zod'
import { durationText, parseMinutesText, weekdayText } from './format/index.ts'
import { Button, CheckField, TextField } from './ui/index.ts'

const leadText = z.string().refine(
  (text) => {
    const lead = parseMinutesText(text)
    return lead !== null && lead <= 30 * 86_400
  },
  { error: 'Give a time such as 24 h or 90, 30 days at most.' },
)

const formSchema = z.object({
  name: z
    .string()
    .trim()
    .min(1, { error: 'Give the project a name.' })
    .max(120, { error: 'Keep it under 120 characters.' }),
  dueOn: z
    .string()
    .refine((text) => text === '' || parseLocalDate(text).ok, { error: 'Give a day that exists.' }),
  dueAt: z.string().regex(/^(([01]\d|2[0-3]):[0-5]\d)?$/, { error: 'Give a time such as 10:00.' }),
  cure: leadText,
  packing: leadText,
  weekdays: z.array(z.string()).min(1, { error: 'Choose at least one evening a week.' }),
  startsAt: z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, { error: 'Give a time such as 19:30.' }),
  hours: z.string().refine(
    (text) => {
      const hours = hoursOf(text)
      return hours >= 0.25 && hours <= 16
    },
    { error: 'Give hours from 0.25 to 16, such as 2.5.' },
  ),
})

type FormValues = z.output<typeof formSchema>

const hoursOf = (text: string) => (text.trim() === '' ? Number.NaN : Number(text.replace(',', '.')))

function valuesOf(settings: ProjectSettings): FormValues {
  const { handOver } = settings.planning
  return {
    name: settings.name,
    dueOn: settings.dueOn ?? '',
    dueAt: handOver?.at ?? '',
    cure: durationText((handOver ?? usualHandOver).cureSeconds),
    packing: durationText((handOver ?? usualHandOver).packingSeconds),
    weekdays: settings.evenings.weekdays.map(String),
    startsAt: settings.evenings.startsAt,
    hours: String(settings.evenings.lengthSeconds / 3600),
  }
}

function handOverOf({ dueOn, dueAt, cure, packing }: FormValues): HandOver | null {
  if (dueOn === '' || dueAt === '') return null
  const lead = (text: string) => seconds(parseMinutesText(text) ?? 0)
  return { at: dueAt, cureSeconds: lead(cure), packingSeconds: lead(packing) }
}

interface SettingsFormProps {
  readonly settings: ProjectSettings
  readonly submitLabel: string
  readonly busy: boolean
  readonly onSubmit: (settings: ProjectSettings) => void
}

/** Name, date and evenings of a project; what the form does not ask stays as it was. */
export function ProjectSettingsForm({ settings, submitLabel, busy, onSubmit }: SettingsFormProps) {
  const form = useForm<FormValues>({ resolver: zodResolver(formSchema), defaultValues: valuesOf(settings) })
  const { errors } = form.formState
  const [weekdays, dueOn, dueAt] = useWatch({ control: form.control, name: ['weekdays', 'dueOn', 'dueAt'] })
  const submit = form.handleSubmit((values) =>
    onSubmit({
      ...settings,
      name: values.name.trim(),
      dueOn: values.dueOn === '' ? null : (values.dueOn as LocalDate),
      planning: { ...settings.planning, handOver: handOverOf(values) },
      evenings: {
        ...settings.evenings,
        weekdays: values.weekdays.map(Number).sort((a, b) => a - b),
        startsAt: values.startsAt,
        lengthSeconds: seconds(Math.round(hoursOf(values.hours) * 3600)),
      },
    }),
  )
  return (
    <form onSubmit={(event) => void submit(event)} noValidate className="grid gap-4">
      <TextField label="Name" {...form.register('name')} error={errors.name?.message} autoFocus />
      <div className="grid items-start gap-4 sm:grid-cols-2">
        <TextField
          label="Date due"
          type="date"
          hint="Leave it empty when there is no date."
          {...form.register('dueOn')}
          error={errors.dueOn?.message}
        />
        {dueOn === '' ? null : (
          <TextField
            label="At"
            type="time"
            hint="Empty: any time of that day."
            {...form.register('dueAt')}
            error={errors.dueAt?.message}
          />
        )}
      </div>
      {dueOn === '' || dueAt === '' ? null : (
        <div className="grid items-start gap-4 sm:grid-cols-2">
          <TextField
            label="Curing before it"
            hint="From dry to the touch until it bears packing."
            {...form.register('cure')}
            error={errors.cure?.message}
          />
          <TextField label="Packing" {...form.register('packing')} error={errors.packing?.message} />
        </div>
      )}
      <fieldset>
        <legend className="text-sm font-bold">Evenings at the desk</legend>
        <div className="flex flex-wrap gap-x-2">
          {[1, 2, 3, 4, 5, 6, 7].map((day) => (
            <CheckField
              key={day}
              label={weekdayText(day)}
              value={String(day)}
              {...form.register('weekdays')}
            />
          ))}
        </div>
        {errors.weekdays ? (
          <p role="alert" className="text-sm font-bold text-hands">
            {errors.weekdays.message}
          </p>
        ) : (
          <p className="text-sm text-ink-soft">{weekdays.length} a week</p>
        )}
      </fieldset>
      <div className="grid gap-4 sm:grid-cols-2">
        <TextField
          label="Starts at"
          type="time"
          {...form.register('startsAt')}
          error={errors.startsAt?.message}
        />
        <TextField
          label="Hours an evening"
          inputMode="decimal"
          {...form.register('hours')}
          error={errors.hours?.message}
        />
      </div>
      <Button type="submit" weight="main" disabled={busy}>
        {submitLabel}
      </Button>
    </form>
  )
}
