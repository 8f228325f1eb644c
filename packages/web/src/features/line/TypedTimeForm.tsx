import { zodResolver } from '@hookform/resolvers/zod'
import { spreadOf, type StageEstimate } from '@seriatim/core/estimating'
import type { TypedTime, Unit } from '@seriatim/core/trade'
import { seconds } from '@seriatim/core/units'
import { useEffect } from 'react'
import { useForm } from 'react-hook-form'
import { z } from 'zod'
import { minutesInputText, parseMinutesText } from '../../shared/format/index.ts'
import { Button, TextField } from '../../shared/ui/index.ts'

const time = z.string().refine((text) => parseMinutesText(text) !== null, {
  error: 'Give minutes, such as 4½ or 1:30.',
})

const read = (text: string) => parseMinutesText(text) ?? 0

const formSchema = z.object({ best: time, likely: time, worst: time }).superRefine((values, context) => {
  const times = [values.best, values.likely, values.worst].map(parseMinutesText)
  if (times.includes(null)) return
  const spread = spreadOf({ best: read(values.best), likely: read(values.likely), worst: read(values.worst) })
  if (!spread.ok) {
    context.addIssue({ code: 'custom', path: ['likely'], message: spread.error, input: values.likely })
  }
})

interface TypedTimeFormProps {
  readonly unit: Unit
  readonly estimate: StageEstimate
  readonly onSave: (typed: TypedTime | null) => void
}

/** Best, likely and worst minutes of one model, for who knows better. */
export function TypedTimeForm({ unit, estimate, onSave }: TypedTimeFormProps) {
  const { perModel, typed } = estimate
  const [best, likely, worst] = typed
    ? [typed.bestSeconds, typed.likelySeconds, typed.worstSeconds]
    : [perModel.low, perModel.likely, perModel.high].map(Math.round)
  const form = useForm({
    resolver: zodResolver(formSchema),
    defaultValues: {
      best: minutesInputText(best ?? 0),
      likely: minutesInputText(likely ?? 0),
      worst: minutesInputText(worst ?? 0),
    },
  })
  const { errors } = form.formState
  const { setFocus } = form
  useEffect(() => setFocus('best', { shouldSelect: true }), [setFocus])
  const submit = form.handleSubmit((values) =>
    onSave({
      unitId: unit.id,
      bestSeconds: seconds(read(values.best)),
      likelySeconds: seconds(read(values.likely)),
      worstSeconds: seconds(read(values.worst)),
    }),
  )
  return (
    <form
      noValidate
      aria-label={`Minutes of ${unit.name}`}
      className="mb-3 grid gap-3 border-l-4 border-hands pl-3"
      onSubmit={(event) => void submit(event)}
    >
      <div className="grid gap-3 sm:max-w-lg sm:grid-cols-3">
        <TextField label="At best" {...form.register('best')} error={errors.best?.message} />
        <TextField label="Likely" {...form.register('likely')} error={errors.likely?.message} />
        <TextField label="At worst" {...form.register('worst')} error={errors.worst?.message} />
      </div>
      <div className="flex flex-wrap gap-3">
        <Button type="submit" weight="main">
          Use these
        </Button>
        {typed ? <Button onClick={() => onSave(null)}>Estimate it again</Button> : null}
      </div>
    </form>
  )
}
