import { zodResolver } from '@hookform/resolvers/zod'
import type { Air } from '@seriatim/core'
import { useForm } from 'react-hook-form'
import { z } from 'zod'
import { decimalOf } from '../../shared/csv/index.ts'
import { Button, TextField } from '../../shared/ui/index.ts'

const within = (low: number, high: number, error: string) =>
  z
    .string()
    .trim()
    .refine(
      (text) => {
        const value = decimalOf(text)
        return value !== null && value >= low && value <= high
      },
      { error },
    )

const formSchema = z.object({
  celsius: within(-60, 70, 'Give a temperature from −60 to 70 °C.'),
  humidity: within(1, 100, 'Give a humidity from 1 to 100 %.'),
})

/** What the thermo-hygrometer on the desk shows now. */
export function ReadingForm({ onSave }: { readonly onSave: (air: Air) => void }) {
  const form = useForm({
    resolver: zodResolver(formSchema),
    defaultValues: { celsius: '', humidity: '' },
  })
  const { errors } = form.formState
  const submit = form.handleSubmit((values) => {
    onSave({ celsius: decimalOf(values.celsius) ?? 20, humidity: decimalOf(values.humidity) ?? 50 })
    form.reset()
  })
  return (
    <form
      noValidate
      className="ticket grid gap-3 p-4"
      aria-label="A reading"
      onSubmit={(event) => void submit(event)}
    >
      <h2 className="text-lg">What the device shows now</h2>
      <div className="grid grid-cols-2 items-start gap-3">
        <TextField
          label="Temperature, °C"
          inputMode="decimal"
          {...form.register('celsius')}
          error={errors.celsius?.message}
        />
        <TextField
          label="Humidity, %"
          inputMode="decimal"
          {...form.register('humidity')}
          error={errors.humidity?.message}
        />
      </div>
      <Button type="submit" weight="main">
        Take the reading
      </Button>
    </form>
  )
}
