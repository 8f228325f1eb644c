import { z } from 'zod'
import { airPlaces } from '@seriatim/core/air'
import { instantField } from './fields.ts'

const celsiusField = z
  .number({ error: 'Give the temperature as a number, in °C.' })
  .min(-60, { error: 'It is not colder than −60 °C at a desk.' })
  .max(70, { error: 'It is not hotter than 70 °C at a desk.' })

const humidityField = z
  .number({ error: 'Give the humidity as a number, in %.' })
  .min(1, { error: 'Humidity goes from 1 to 100 %.' })
  .max(100, { error: 'Humidity goes from 1 to 100 %.' })

export const airReadingSchema = z.object({
  at: instantField,
  celsius: celsiusField,
  humidity: humidityField,
  place: z.enum(airPlaces),
  source: z.enum(['typed', 'file', 'simulated']),
})

/** A reading to take back where it still stands as it was given, for the one that stood there before. */
const takenBackSchema = z.object({
  reading: airReadingSchema,
  before: airReadingSchema.omit({ at: true, place: true }).nullable(),
})

/** Readings to add and to take back; of two for one moment and place the later word stands. */
export const putAirSchema = z.object({
  readings: z.array(airReadingSchema).max(10_000, { error: 'Up to 10,000 readings at a time.' }).readonly(),
  takenBack: z
    .array(takenBackSchema)
    .max(10_000, { error: 'Up to 10,000 readings at a time.' })
    .readonly()
    .default([]),
})

/** Readings as they stand. */
export const airSchema = z.object({ readings: z.array(airReadingSchema).readonly() })

export type AirReading = z.output<typeof airReadingSchema>
export type AirTakenBack = z.output<typeof takenBackSchema>
