import { zodResolver } from '@hookform/resolvers/zod'
import { airPlaces, type Air, type AirPlace } from '@seriatim/core/air'
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

const placeNames: Readonly<Record<AirPlace, string>> = {
  indoors: 'At the desk: waits follow it',
  outdoors: 'Outdoors: spray weather follows it',
}

const formSchema = z.object({
  celsius: within(-60, 70, 'Give a temperature from −60 to 70 °C.'),
  humidity: within(1, 100, 'Give a humidity from 1 to 100 %.'),
  place: z.enum(airPlaces),
})

interface ReadingFormProps {
  readonly onSave: (air: Air & { readonly place: AirPlace }) => void
}

/** What a thermo-hygrometer shows now, at the desk or outside. */
export function ReadingForm({ onSave }: ReadingFormProps) {
  const form = useForm<z.infer<typeof formSchema>>({
    resolver: zodResolver(formSchema),
    defaultValues: { celsius: '', humidity: '', place: 'indoors' },
  })
  const { errors } = form.formState
  const submit = form.handleSubmit((values) => {
    const { place } = values
    onSave({ celsius: decimalOf(values.celsius) ?? 20, humidity: decimalOf(values.humidity) ?? 50, place })
    form.reset({ celsius: '', humidity: '', place })
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
      <fieldset className="grid gap-1 text-sm">
        <legend className="sr-only">Where</legend>
        {airPlaces.map((place) => (
          <label key={place} className="flex min-h-8 items-center gap-2">
            <input type="radio" value={place} {...form.register('place')} className="size-4 accent-ink" />
            {placeNames[place]}
          </label>
        ))}
      </fieldset>
      <Button type="submit" weight="main">
        Take the reading
      </Button>
    </form>
  )
}
