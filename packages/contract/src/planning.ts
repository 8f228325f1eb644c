import { aims, fusses, plainPlanning, techniques, teamworks, usualBores } from '@seriatim/core/trade'
import type { BatchId, ModelId, PainterId, StageId, UnitId } from '@seriatim/core/units'
import { z } from 'zod'
import { idOf, localDateField, nameOf, secondsField, textField } from './fields.ts'

export const clockField = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, { error: 'Give a time as HH:MM.' })

export const weekdaysField = z
  .array(z.int().min(1).max(7))
  .max(7, { error: 'A week has seven days.' })
  .min(1, { error: 'Choose at least one evening a week.' })
  .refine((days) => new Set(days).size === days.length, { error: 'Name each weekday once.' })

export const sittingSecondsField = secondsField.refine((length) => length >= 300 && length <= 16 * 3600, {
  error: 'An evening lasts from 5 minutes to 16 hours.',
})

const sessionMark = { on: localDateField, at: clockField }

export const sessionRuleSchema = z.object({
  weekdays: weekdaysField.readonly(),
  startsAt: clockField,
  lengthSeconds: sittingSecondsField,
  everyWeeks: z
    .int({ error: 'Every so many weeks: give a whole number.' })
    .min(1, { error: 'Every week at most.' })
    .max(8, { error: 'Up to every eighth week.' }),
  countedFrom: localDateField.nullable(),
})

export const painterSchema = z.object({
  id: nameOf<PainterId>(),
  name: textField('the painter a name', 60),
  pace: z
    .number({ error: 'Give the pace as a number: 1 as estimated, 2 takes twice as long.' })
    .min(0.2, { error: 'A pace is 0.2 at least.' })
    .max(5, { error: 'A pace is 5 at most.' }),
  cannot: z.array(z.enum(techniques)).max(60).readonly(),
  rules: z.array(sessionRuleSchema).max(20, { error: 'Up to 20 rules a painter.' }).readonly(),
  off: z
    .array(
      z.object({ from: localDateField, until: localDateField }).refine((off) => off.from <= off.until, {
        error: 'Days off end on the day they begin, or later.',
        path: ['until'],
      }),
    )
    .max(200, { error: 'Up to 200 times off.' })
    .readonly(),
  dropped: z.array(z.object(sessionMark)).max(1000).readonly(),
  extra: z
    .array(z.object({ ...sessionMark, lengthSeconds: sittingSecondsField }))
    .max(1000, { error: 'Up to 1,000 single sessions.' })
    .readonly(),
})

export const pinSchema = z.object({
  batchId: nameOf<BatchId>(),
  stageId: idOf<StageId>(),
  ...sessionMark,
})

export const keptBatchSchema = z.object({
  id: nameOf<BatchId>(),
  unitId: idOf<UnitId>(),
  modelIds: z
    .array(idOf<ModelId>())
    .min(1, { error: 'A batch has at least one model.' })
    .max(1000, { error: 'A batch has up to 1,000 models.' })
    .readonly(),
})

/** The batch is the id: it is in one pair of hands. */
export const holderSchema = z.object({ id: nameOf<BatchId>(), painterId: nameOf<PainterId>() })

const boreField = secondsField.refine((length) => length >= 300 && length <= 12 * 3600, {
  error: 'Give from 5 minutes to 12 hours.',
})

const leadField = secondsField.refine((length) => length <= 30 * 86_400, { error: 'Give 30 days at most.' })

/** See `Planning` in the core. Batches are named by the models they begin and end with. */
const wholePlanningSchema = z.object({
  painters: z
    .array(painterSchema)
    .min(1, { error: 'Somebody has to paint.' })
    .max(12, { error: 'Up to 12 painters.' })
    .readonly(),
  teamwork: z.enum(teamworks),
  aims: z
    .array(z.enum(aims))
    .max(aims.length)
    .refine((order) => new Set(order).size === order.length, { error: 'Name each aim once.' })
    .readonly(),
  first: z.array(nameOf<BatchId>()).max(500).readonly(),
  pins: z.array(pinSchema).max(500).readonly(),
  batches: z.array(keptBatchSchema).max(500).readonly().default([]),
  holders: z.array(holderSchema).max(500).readonly().default([]),
  sprayPlaces: z.int().min(1, { error: 'At least one can spray.' }).max(20),
  airbrushes: z.int().min(1, { error: 'At least one airbrush.' }).max(20),
  rackPlaces: z
    .int({ error: 'Give a whole number of models.' })
    .min(1, { error: 'A rack has at least one place.' })
    .max(1000)
    .nullable(),
  sprayHours: z
    .object({ from: clockField, until: clockField })
    .refine((hours) => hours.from < hours.until, {
      error: 'The spray hours end later than they begin.',
      path: ['until'],
    })
    .nullable(),
  skipShare: z
    .number()
    .min(0, { error: 'A share is 0 at least.' })
    .max(0.9, { error: 'At most nine of ten sessions fall out.' }),
  bores: z.object({ stageSeconds: boreField, unitSeconds: boreField }).default(usualBores),
  fuss: z.enum(fusses, { error: `Choose one: ${fusses.join(', ')}.` }).default(plainPlanning.fuss),
  held: z
    .object({
      all: z.boolean(),
      batches: z.array(nameOf<BatchId>()).max(500).readonly(),
      stages: z.array(idOf<StageId>()).max(500).readonly(),
    })
    .default(plainPlanning.held),
  handOver: z
    .object({ at: clockField, cureSeconds: leadField, packingSeconds: leadField })
    .nullable()
    .default(null),
})

export const planningSchema = wholePlanningSchema.default(plainPlanning)

/** The wishes by field; what is a list of things is put and taken one by one. */
export const wishFields = wholePlanningSchema.omit({
  painters: true,
  pins: true,
  batches: true,
  holders: true,
}).shape
