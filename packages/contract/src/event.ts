import { feels, inspectionVerdicts, outcomes, verdicts, type ProgressEvent } from '@seriatim/core/progress'
import { sizes, standards } from '@seriatim/core/trade'
import { readToldTime } from '@seriatim/core/units'
import type { DeviceId, EventId, ModelId, PainterId, Seconds, StageId } from '@seriatim/core/units'
import { recipeSchools } from '@seriatim/core/recipe'
import { z } from 'zod'
import { mixSchema, usedMixSchema } from './mix.ts'
import { branded, idOf, instantField, nameOf, optionalTextField, secondsField, textField } from './fields.ts'

/** A device counts what it records from 1; so far nobody comes. */
const largestNumber = 2_147_483_647

const recordedBySchema = z.object({
  device: idOf<DeviceId>(),
  number: z.int().min(0).max(largestNumber),
  painter: nameOf<PainterId>().nullable(),
})

const recorded = { id: idOf<EventId>(), at: instantField, by: recordedBySchema.exactOptional() }

const modelsField = z
  .array(idOf<ModelId>())
  .min(1, { error: 'Name at least one model.' })
  .max(1000, { error: 'Up to 1,000 models in one go.' })
  .readonly()

const overModels = { ...recorded, stageId: idOf<StageId>(), modelIds: modelsField }

/** Time at the desk: more than none, and no more than a day without sleep. */
const workField = branded<Seconds, number>(
  z
    .int({ error: 'Give a whole number of seconds.' })
    .min(1, { error: 'Give a time of more than zero.' })
    .max(24 * 3600, { error: 'This is longer than a day.' }),
)

/**
 * One entry of the progress log; the id is a UUIDv7 made by whoever records it, so sending twice is harmless. A new kind comes
 * last: packed logs name kinds by their place here.
 */
export const eventSchema = z.discriminatedUnion('kind', [
  z.object({
    ...overModels,
    kind: z.literal('punched'),
    drySeconds: secondsField.exactOptional(),
    worthSeconds: secondsField.exactOptional(),
  }),
  z.object({ ...overModels, kind: z.literal('cleared') }),
  z.object({
    ...overModels,
    kind: z.literal('touch-up'),
    note: optionalTextField(400),
    region: textField('the region', 80).exactOptional(),
  }),
  z.object({ ...overModels, kind: z.literal('clock-started') }),
  z.object({ ...recorded, kind: z.literal('clock-stopped'), targetId: idOf<EventId>() }),
  z.object({
    ...recorded,
    kind: z.literal('milestone'),
    stageIds: z.array(idOf<StageId>()).min(1, { error: 'Name at least one stage.' }).max(80).readonly(),
    modelIds: modelsField,
    workSeconds: workField,
    waits: z
      .array(z.object({ stageId: idOf<StageId>(), drySeconds: secondsField }))
      .max(80)
      .readonly()
      .exactOptional(),
  }),
  z.object({
    ...overModels,
    kind: z.literal('judged'),
    verdict: z.enum(verdicts, { error: `Choose a verdict: ${verdicts.join(', ')}.` }),
    note: optionalTextField(400),
    mix: mixSchema.exactOptional(),
  }),
  z.object({
    ...recorded,
    kind: z.literal('lap-corrected'),
    targetId: idOf<EventId>(),
    workSeconds: workField.nullable(),
    note: textField('the reason', 200),
  }),
  z.object({ ...recorded, kind: z.literal('undone'), targetId: idOf<EventId>() }),
  z.object({
    ...overModels,
    kind: z.literal('used'),
    mix: usedMixSchema,
    note: optionalTextField(400),
  }),
  z.object({
    ...recorded,
    kind: z.literal('inspected'),
    modelIds: modelsField,
    verdict: z.enum(inspectionVerdicts, { error: `Choose a verdict: ${inspectionVerdicts.join(', ')}.` }),
    note: optionalTextField(400),
  }),
  z.object({
    ...overModels,
    kind: z.literal('felt'),
    feels: z.enum(feels, { error: `It feels ${feels.join(' or ')}.` }),
  }),
  z.object({
    ...recorded,
    kind: z.literal('remembered'),
    models: z
      .int({ error: 'Give a whole number of models.' })
      .min(1, { error: 'At least one model.' })
      .max(1000, { error: 'Up to 1,000 models.' }),
    school: z.enum(
      recipeSchools.map(({ id }) => id),
      { error: 'Choose a school.' },
    ),
    size: z.enum(sizes, { error: `Choose a size: ${sizes.join(', ')}.` }),
    standard: z.enum(standards, { error: `Choose a standard: ${standards.join(', ')}.` }),
    told: textField('the time it took', 120).refine((told) => readToldTime(told, 1) !== null, {
      error: 'Give a time as you would say it: 6 hours, three evenings of two hours, 20 minutes each.',
    }),
  }),
  z.object({
    ...overModels,
    kind: z.literal('went'),
    outcome: z.enum(outcomes, { error: `Choose what it did: ${outcomes.join(', ')}.` }),
  }),
  z.object({ ...overModels, kind: z.literal('skipped'), note: optionalTextField(200) }),
]) satisfies z.ZodType<ProgressEvent>

/** What can become of an event that was sent. */
export const eventVerdictSchema = z.object({
  id: z.string(),
  verdict: z.enum([
    /** It is in the log now. */
    'taken',
    /** It was there before, with the same content. */
    'known',
    /** It can never be taken as it is; the reason is a sentence for a person. */
    'refused',
  ]),
  reason: z.string().exactOptional(),
})

export type EventVerdict = z.output<typeof eventVerdictSchema>

/** An event as it goes over the wire and into a file. */
export type EventJson = z.input<typeof eventSchema>
