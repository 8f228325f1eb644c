import { sizes, techniques } from '@seriatim/core/trade'
import { broughtObservations, type PaceObservation } from '@seriatim/core/estimating'
import type { EventId, ProjectId } from '@seriatim/core/units'
import { z } from 'zod'
import { idOf, instantField } from './fields.ts'

const technique = z.enum(techniques, { error: `Choose a technique: ${techniques.join(', ')}.` })
const size = z.enum(sizes, { error: `Choose a size: ${sizes.join(', ')}.` })

const paceField = z
  .number({ error: 'Give the pace as a number.' })
  .min(0.02, { error: 'A pace is at least 0.02 times the preset.' })
  .max(50, { error: 'A pace is at most 50 times the preset.' })

const lapsField = z
  .number({ error: 'Give the laps as a number.' })
  .positive({ error: 'A rate stands on more than no lap.' })
  .max(100_000, { error: 'Up to 100,000 laps.' })

/** A pace as it was kept elsewhere: times the preset, and on how many laps it stands. */
const broughtRateSchema = z.object({ technique, size, factor: paceField, laps: lapsField })

export const broughtRatesSchema = z
  .array(broughtRateSchema)
  .max(500, { error: 'Up to 500 rates.' })
  .superRefine((rates, context) => {
    const seen = new Set<string>()
    rates.forEach((rate, index) => {
      const key = `${rate.technique} ${rate.size}`
      if (seen.has(key)) {
        const message = 'Two rates are of this technique and size.'
        context.addIssue({ code: 'custom', path: [index, 'technique'], message, input: rate.technique })
      }
      seen.add(key)
    })
  })
  .readonly()

export const observationSchema = z.object({
  technique: technique.nullable(),
  /** Of a small part; see the rates. */
  small: z.boolean().exactOptional(),
  size,
  cell: z.string(),
  factor: z.number(),
  models: z.number(),
  laps: z.number(),
  alone: z.number().optional(),
  told: z.boolean().exactOptional(),
})

/** A recorded time of another project, with the names it goes by there. */
const timeElsewhereSchema = z.object({
  eventId: idOf<EventId>(),
  projectId: idOf<ProjectId>(),
  project: z.string(),
  unit: z.string(),
  stages: z.array(z.string()).readonly(),
  at: instantField,
  technique: technique.nullable(),
  size,
  models: z.number(),
  countedSeconds: z.number(),
  expectedSeconds: z.number(),
  observations: z.array(observationSchema).readonly(),
})

/** What was noted at a stage of another project. */
const lessonElsewhereSchema = z.object({
  project: z.string(),
  stage: z.string(),
  pot: z.string(),
  kind: z.enum(['said', 'missed', 'used', 'went']),
  text: z.string(),
  at: instantField,
  times: z.number(),
})

/** What is known of the painter's hand from outside a project. */
export const handSchema = z.object({
  /** Of pots that have a name; of each project those noted most often. */
  lessons: z.array(lessonElsewhereSchema).readonly(),
  brought: broughtRatesSchema,
  elsewhere: z.array(timeElsewhereSchema).readonly(),
})

/** Rates that are brought, for those of their techniques and sizes before; the others stay but for those put away. */
export const bringRatesSchema = z.object({
  rates: broughtRatesSchema.default([]),
  putAway: z
    .array(z.object({ technique, size }))
    .max(500, { error: 'Up to 500 rates.' })
    .readonly()
    .default([]),
})

export type BringRates = z.output<typeof bringRatesSchema>
export type BroughtRate = z.output<typeof broughtRateSchema>
export type Hand = z.output<typeof handSchema>

/** What is known of the painter's pace outside a project. */
export function knownPace(
  { brought, elsewhere }: Pick<Hand, 'brought' | 'elsewhere'>,
  except: ProjectId,
): readonly PaceObservation[] {
  const taught = elsewhere.filter(({ projectId }) => projectId !== except)
  return [...broughtObservations(brought), ...taught.flatMap((each) => each.observations)]
}
