import { zodResolver } from '@hookform/resolvers/zod'
import type { ProjectSettings } from '@seriatim/contract'
import { eveningsOf, localDateAt, readHours, rulesOf } from '@seriatim/core/calendar'
import { usualHandOver, type Evenings, type HandOver } from '@seriatim/core/trade'
import { parseLocalDate, seconds, type LocalDate } from '@seriatim/core/units'
import { useForm, useWatch } from 'react-hook-form'
import { z } from 'zod'
import { clockNow } from './clock.ts'
import { durationText, parseMinutesText, hoursText } from './format/index.ts'
import { HoursField } from './hours-field.tsx'
import { Button, TextField } from './ui/index.ts'

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
  hours: z.string().superRefine((text, context) => {
    const read = readHours(text)
    if (!read.ok) context.addIssue({ code: 'custom', message: read.error })
    else if (eveningsOf(read.rules, '') === null)
      context.addIssue({ code: 'custom', message: 'Name a day of every week as well.' })
  }),
})

type FormValues = z.output<typeof formSchema>

function valuesOf(settings: ProjectSettings): FormValues {
  const { handOver } = settings.planning
  return {
    name: settings.name,
    dueOn: settings.dueOn ?? '',
    dueAt: handOver?.at ?? '',
    cure: durationText((handOver ?? usualHandOver).cureSeconds),
    packing: durationText((handOver ?? usualHandOver).packingSeconds),
    hours: hoursText(rulesOf(settings.evenings)),
  }
}

function handOverOf({ dueOn, dueAt, cure, packing }: FormValues): HandOver | null {
  if (dueOn === '' || dueAt === '') return null
  const lead = (text: string) => seconds(parseMinutesText(text) ?? 0)
  return { at: dueAt, cureSeconds: lead(cure), packingSeconds: lead(packing) }
}

/** The form has checked that these are hours. */
function eveningsFrom(text: string, before: Evenings): Evenings {
  const kept = before.also.find((rule) => rule.countedFrom !== null)?.countedFrom
  const read = readHours(text, kept ?? localDateAt(clockNow(), before.timeZone))
  return (read.ok ? eveningsOf(read.rules, before.timeZone) : null) ?? before
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
  const [hours, dueOn, dueAt] = useWatch({ control: form.control, name: ['hours', 'dueOn', 'dueAt'] })
  const submit = form.handleSubmit((values) =>
    onSubmit({
      ...settings,
      name: values.name.trim(),
      dueOn: values.dueOn === '' ? null : (values.dueOn as LocalDate),
      planning: { ...settings.planning, handOver: handOverOf(values) },
      evenings: eveningsFrom(values.hours, settings.evenings),
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
      <HoursField
        text={hours}
        error={errors.hours?.message}
        onChange={(text) => form.setValue('hours', text, { shouldValidate: form.formState.isSubmitted })}
      />
      <Button type="submit" weight="main" disabled={busy}>
        {submitLabel}
      </Button>
    </form>
  )
}
