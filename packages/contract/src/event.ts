import { verdicts, type EventId, type ModelId, type Seconds, type StageId } from '@seriatim/core'
import { z } from 'zod'
import { idOf, instantField, optionalTextField, textField } from './fields.ts'

const recorded = { id: idOf<EventId>(), at: instantField }

const overModels = {
  ...recorded,
  stageId: idOf<StageId>(),
  modelIds: z
    .array(idOf<ModelId>())
    .min(1, { error: 'Name at least one model.' })
    .max(1000, { error: 'Up to 1,000 models in one go.' })
    .readonly(),
}

/** Time at the desk: more than none, and no more than a day without sleep. */
const workField = z
  .int({ error: 'Give a whole number of seconds.' })
  .min(1, { error: 'Give a time of more than zero.' })
  .max(24 * 3600, { error: 'This is longer than a day.' }) as unknown as z.ZodType<Seconds, number>

/** One entry of the progress log; the id is a UUIDv7 made by whoever records it, so sending twice is harmless. */
export const eventSchema = z.discriminatedUnion('kind', [
  z.object({ ...overModels, kind: z.literal('punched') }),
  z.object({ ...overModels, kind: z.literal('cleared') }),
  z.object({ ...overModels, kind: z.literal('touch-up'), note: optionalTextField(400) }),
  z.object({ ...overModels, kind: z.literal('clock-started') }),
  z.object({ ...recorded, kind: z.literal('clock-stopped'), targetId: idOf<EventId>() }),
  z.object({
    ...recorded,
    kind: z.literal('milestone'),
    stageIds: z.array(idOf<StageId>()).min(1, { error: 'Name at least one stage.' }).max(80).readonly(),
    modelIds: overModels.modelIds,
    workSeconds: workField,
  }),
  z.object({
    ...overModels,
    kind: z.literal('judged'),
    verdict: z.enum(verdicts, { error: `Choose a verdict: ${verdicts.join(', ')}.` }),
    note: optionalTextField(400),
  }),
  z.object({
    ...recorded,
    kind: z.literal('lap-corrected'),
    targetId: idOf<EventId>(),
    workSeconds: workField.nullable(),
    note: textField('the reason', 200),
  }),
  z.object({ ...recorded, kind: z.literal('undone'), targetId: idOf<EventId>() }),
])

export const eventLogSchema = z.object({ events: z.array(eventSchema) })

/** What is sent in one request. */
export const newEventsSchema = z.object({
  events: z
    .array(eventSchema)
    .min(1, { error: 'Send at least one event.' })
    .max(500, { error: 'Up to 500 events at a time.' }),
})

/** An event as it goes over the wire and into a file. */
export type EventJson = z.input<typeof eventSchema>
