import { spreadOf } from '@seriatim/core/estimating'
import { details, sizes, standards, techniques } from '@seriatim/core/trade'
import type { ClientId, ModelId, ProjectId, StageId, UnitId } from '@seriatim/core/units'
import { z } from 'zod'
import { recipeSchema, recipesSchema, stepRefSchema } from './recipe.ts'
import {
  clockField,
  planningSchema,
  sessionRuleSchema,
  sittingSecondsField,
  weekdaysField,
} from './planning.ts'
import {
  idOf,
  instantField,
  localDateField,
  optionalTextField,
  refuseTwins,
  secondsField,
  textField,
} from './fields.ts'

export const modelSchema = z.object({
  id: idOf<ModelId>(),
  name: textField('the model a name', 120),
  role: optionalTextField(60),
  variants: z.array(textField('the variant a name', 60)).max(20).readonly().default([]),
  points: z
    .number({ error: 'Give the points as a number.' })
    .min(0, { error: 'Points cannot be negative.' })
    .max(100_000, { error: 'Points go up to 100,000.' }),
})

export const unitSchema = z
  .object({
    id: idOf<UnitId>(),
    name: textField('the unit a name', 120),
    standard: z.enum(standards, { error: `Choose a standard: ${standards.join(', ')}.` }).default('display'),
    size: z.enum(sizes, { error: `Choose a size: ${sizes.join(', ')}.` }).default('foot'),
    detail: z.enum(details, { error: `Choose the detail: ${details.join(', ')}.` }).default('usual'),
    perHolder: z
      .int({ error: 'Give a whole number of models.' })
      .min(1, { error: 'A holder has at least one model.' })
      .max(50, { error: 'A holder has up to 50 models.' })
      .default(1),
    pilot: z.array(idOf<ModelId>()).max(1000).readonly().default([]),
    joinedAt: z.object({ unitId: idOf<UnitId>(), stageId: idOf<StageId>() }).nullable().default(null),
    models: z
      .array(modelSchema)
      .max(1000, { error: 'A unit holds up to 1,000 models.' })
      .superRefine((models, context) => refuseTwins(models, context, 'models'))
      .readonly(),
  })
  .superRefine((unit, context) => {
    if (unit.joinedAt?.unitId === unit.id) {
      context.addIssue({
        code: 'custom',
        path: ['joinedAt', 'unitId'],
        message: 'A unit cannot be joined to itself.',
        input: unit.joinedAt.unitId,
      })
    }
    const models = new Set<string>(unit.models.map((model) => model.id))
    unit.pilot.forEach((id, index) => {
      if (models.has(id)) return
      context.addIssue({
        code: 'custom',
        path: ['pilot', index],
        message: 'The unit has no model with this id.',
        input: id,
      })
    })
  })

const typedTimeSchema = z
  .object({
    unitId: idOf<UnitId>(),
    bestSeconds: secondsField,
    likelySeconds: secondsField,
    worstSeconds: secondsField,
  })
  .superRefine((typed, context) => {
    const spread = spreadOf({
      best: typed.bestSeconds,
      likely: typed.likelySeconds,
      worst: typed.worstSeconds,
    })
    if (!spread.ok) {
      context.addIssue({
        code: 'custom',
        path: ['likelySeconds'],
        message: spread.error,
        input: typed.likelySeconds,
      })
    }
  })

const touchSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('whole') }),
  z.object({
    kind: z.literal('regions'),
    regions: z
      .array(textField('the region a name', 40))
      .min(1, { error: 'Name at least one region, or choose the whole model.' })
      .max(30, { error: 'Up to 30 regions.' })
      .readonly(),
  }),
  z.object({ kind: z.literal('base') }),
])

export const stageSchema = z
  .object({
    id: idOf<StageId>(),
    name: textField('the stage a name', 60),
    material: optionalTextField(80),
    touch: touchSchema,
    handsOnSecondsPerModel: secondsField,
    setUpSeconds: secondsField,
    dryingMinSeconds: secondsField,
    dryingMaxSeconds: secondsField,
    nextWithinSeconds: secondsField.nullable().default(null),
    notNeededBy: z.array(idOf<UnitId>()).max(200).readonly(),
    limits: z
      .array(
        z.object({ unitId: idOf<UnitId>(), roles: z.array(z.string().max(80)).min(1).max(50).readonly() }),
      )
      .max(200)
      .readonly()
      .default([]),
    tableReady: z.boolean(),
    cautions: z
      .array(z.enum(['spray', 'solvent', 'oily-rags', 'knife', 'dust', 'glue']))
      .max(6)
      .readonly(),
    note: optionalTextField(400),
    technique: z
      .enum(techniques, { error: `Choose a technique: ${techniques.join(', ')}.` })
      .nullable()
      .default(null),
    typed: z.array(typedTimeSchema).max(200).readonly().default([]),
    steps: z.array(stepRefSchema).max(2000).readonly().default([]),
  })
  .superRefine((stage, context) => {
    if (stage.dryingMaxSeconds < stage.dryingMinSeconds) {
      context.addIssue({
        code: 'custom',
        path: ['dryingMaxSeconds'],
        message: 'The longest drying cannot be shorter than the shortest.',
        input: stage.dryingMaxSeconds,
      })
    }
  })

export const lineSchema = z
  .array(stageSchema)
  .max(80, { error: 'A line has up to 80 stages.' })
  .superRefine((stages, context) => refuseTwins(stages, context, 'stages'))
  .readonly()

const eveningsSchema = z.object({
  weekdays: weekdaysField.readonly(),
  startsAt: clockField,
  lengthSeconds: sittingSecondsField,
  also: z.array(sessionRuleSchema).max(20, { error: 'Up to 20 rules.' }).readonly().default([]),
  timeZone: z.string().max(80).refine(isTimeZone, { error: 'This time zone is not known here.' }),
})

/** What a project is told about itself, apart from its roster and its line. */
/** Whose clients they are, is known to the studio alone: a file says no name. */
const commissionSchema = z.object({
  clientId: idOf<ClientId>(),
  arrivesOn: localDateField.nullable(),
  received: optionalTextField(2000),
  testModel: z.object({ modelId: idOf<ModelId>(), agreedOn: localDateField.nullable() }).nullable(),
  deliveredOn: localDateField.nullable(),
})

export const projectSettingsSchema = z.object({
  name: textField('the project a name', 120),
  dueOn: localDateField.nullable(),
  commission: commissionSchema.nullable().default(null),
  evenings: eveningsSchema,
  batchSize: z
    .int({ error: 'A batch is a whole number of models.' })
    .min(1, { error: 'A batch has at least one model.' })
    .max(1000, { error: 'A batch has up to 1,000 models.' }),
  firstBatch: z
    .int({ error: 'The first batch is a whole number of models.' })
    .min(1, { error: 'A batch has at least one model.' })
    .max(1000, { error: 'A batch has up to 1,000 models.' })
    .nullable()
    .default(null),
  batchesInHand: z
    .int({ error: 'Give a whole number of batches.' })
    .min(1, { error: 'At least one batch is in hand.' })
    .max(1000, { error: 'Up to 1,000 batches.' })
    .nullable(),
  planning: planningSchema,
})

/** How many models a project holds at most: what a studio paints in years. */
const mostModels = 10_000

export const unitsSchema = z
  .array(unitSchema)
  .max(200, { error: 'A project holds up to 200 units.' })
  .refine((units) => units.reduce((sum, unit) => sum + unit.models.length, 0) <= mostModels, {
    error: `A project holds up to ${mostModels.toLocaleString('en')} models.`,
  })
  .readonly()

export const projectSchema = projectSettingsSchema.extend({
  id: idOf<ProjectId>(),
  units: unitsSchema,
  recipes: recipesSchema.default([]),
  line: lineSchema,
})

/** A project as the server holds it; `revision` grows with every change to it. What is there is shown: lists have no end here. */
export const storedProjectSchema = projectSchema.extend({
  units: z.array(unitSchema).readonly(),
  recipes: z.array(recipeSchema).readonly(),
  line: z.array(stageSchema).readonly(),
  revision: z.int().min(0),
})

/** When a project is done, as a page worked it out: by then in eight of ten futures, and the odds of its date. */
export const finishSchema = z.object({
  doneBy: instantField.nullable(),
  odds: z.number().min(0).max(1).nullable(),
})

export const projectSummarySchema = z.object({
  id: idOf<ProjectId>(),
  name: z.string(),
  dueOn: localDateField.nullable(),
  models: z.int(),
  modelsTableReady: z.int(),
  stages: z.int(),
  totalSeconds: z.number(),
  leftSeconds: z.number(),
  /** For whom, and whether it is delivered; `null` for the painter's own table. */
  commission: commissionSchema.pick({ clientId: true, deliveredOn: true }).nullable(),
  /** The last word on it; `null` until somebody had it worked out. */
  finish: finishSchema.extend({ saidAt: instantField }).nullable(),
})

export type ProjectSettings = z.output<typeof projectSettingsSchema>
export type StoredProject = z.output<typeof storedProjectSchema>
export type ProjectSummary = z.output<typeof projectSummarySchema>

function isTimeZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name })
    return true
  } catch {
    return false
  }
}
