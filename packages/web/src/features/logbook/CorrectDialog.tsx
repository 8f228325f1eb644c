import { zodResolver } from '@hookform/resolvers/zod'
import { seconds, type Seconds } from '@seriatim/core/units'
import { useForm, useWatch } from 'react-hook-form'
import { z } from 'zod'
import { minutesInputText, parseMinutesText, stopwatchText } from '../../shared/format/index.ts'
import { Button, CheckField, Dialog, TextField } from '../../shared/ui/index.ts'
import type { LoggedTime } from './logged-times.ts'

const longest = 24 * 3600

const formSchema = z
  .object({
    what: z.enum(['leave out', 'mend']),
    time: z.string(),
    note: z
      .string()
      .trim()
      .min(1, { error: 'Say why, in a word: telephone, fell asleep.' })
      .max(200, { error: 'Keep it under 200 characters.' }),
  })
  .superRefine(({ what, time }, context) => {
    if (what === 'leave out') return
    const value = parseMinutesText(time)
    if (value === null || value <= 0 || value > longest) {
      const message = 'Give minutes of more than zero, such as 12 or 1 h 10.'
      context.addIssue({ code: 'custom', path: ['time'], message, input: time })
    }
  })

interface CorrectDialogProps {
  readonly time: LoggedTime
  readonly onClose: () => void
  readonly onCorrect: (workSeconds: Seconds | null, note: string) => void
}

/** A time that is not to count, or not as the clock has it, and why; the record itself stays. */
export function CorrectDialog({ time, onClose, onCorrect }: CorrectDialogProps) {
  const form = useForm({
    resolver: zodResolver(formSchema),
    defaultValues: {
      what: 'leave out' as const,
      time: minutesInputText(Math.round(time.expectedSeconds)),
      note: '',
    } as z.input<typeof formSchema>,
  })
  const { errors } = form.formState
  const what = useWatch({ control: form.control, name: 'what' })
  const submit = form.handleSubmit((values) =>
    onCorrect(values.what === 'mend' ? seconds(parseMinutesText(values.time) ?? 1) : null, values.note),
  )
  return (
    <Dialog
      open
      onOpenChange={onClose}
      title={time.stages.join(', ')}
      description={`The clock says ${stopwatchText(time.clockSeconds)}, the preset ${stopwatchText(time.expectedSeconds)}. What was recorded stays, and this can be taken back.`}
    >
      <form noValidate className="grid gap-3" onSubmit={(event) => void submit(event)}>
        <div className="flex flex-wrap">
          <CheckField
            kind="radio"
            label="Leave it out of the rates"
            value="leave out"
            {...form.register('what')}
          />
          <CheckField kind="radio" label="Count another time" value="mend" {...form.register('what')} />
        </div>
        {what === 'mend' ? (
          <TextField
            label="Time at the work"
            {...form.register('time')}
            error={errors.time?.message}
            className="max-w-48"
          />
        ) : null}
        <TextField label="Why" {...form.register('note')} error={errors.note?.message} />
        <Button type="submit" weight="main">
          {what === 'mend' ? 'Count this instead' : 'Leave it out'}
        </Button>
      </form>
    </Dialog>
  )
}
