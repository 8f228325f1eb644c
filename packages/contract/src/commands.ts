import type { Command, CommandVerdict, Fields, Listed, Thing } from '@seriatim/core/changes'
import type { ChangeId, DeviceId, PainterId } from '@seriatim/core/units'
import { z } from 'zod'
import { idOf, instantField, nameOf } from './fields.ts'
import { holderSchema, keptBatchSchema, painterSchema, pinSchema, wishFields } from './planning.ts'
import { modelSchema, projectSettingsSchema, stageSchema, unitSchema } from './project.ts'
import { recipeSchema, stepSchema } from './recipe.ts'

type Shape<F> = { readonly [K in keyof F]: z.ZodType<F[K]> }

/** The fields of each thing that a command can set, with what they may be. */
const { planning: _planning, ...ownFields } = projectSettingsSchema.shape
const projectShape: Shape<Fields['project']> = { ...ownFields, ...wishFields }

const without = <S extends object, K extends keyof S>(shape: S, ...keys: readonly K[]): Omit<S, K> =>
  Object.fromEntries(Object.entries(shape).filter(([key]) => !keys.includes(key as K))) as Omit<S, K>

/** The fields of each kind of thing that stands in a list. */
const shapes: { readonly [T in Thing]: Shape<Fields[T]> } = {
  unit: without(unitSchema.shape, 'id', 'models'),
  model: without(modelSchema.shape, 'id'),
  recipe: without(recipeSchema.shape, 'id', 'steps'),
  step: without(stepSchema.shape, 'id'),
  stage: without(stageSchema.shape, 'id'),
  painter: without(painterSchema.shape, 'id'),
  pin: without(pinSchema.shape, 'batchId', 'stageId'),
  batch: without(keptBatchSchema.shape, 'id'),
  holder: without(holderSchema.shape, 'id'),
}

/** What every field of a project and of the things in it may be, by name: for whoever walks them all. */
export const fieldSchemas: Readonly<Record<'project' | Thing, Readonly<Record<string, z.ZodType>>>> = {
  project: projectShape,
  ...shapes,
}

/** Whole things, as they are put into a list. */
const wholes: { readonly [T in Thing]: z.ZodType<Listed[T]> } = {
  unit: unitSchema,
  model: modelSchema,
  recipe: recipeSchema,
  step: stepSchema,
  stage: stageSchema,
  painter: painterSchema,
  pin: pinSchema,
  batch: keptBatchSchema,
  holder: holderSchema,
}

const things = [
  'unit',
  'model',
  'recipe',
  'step',
  'stage',
  'painter',
  'pin',
  'batch',
  'holder',
] as const satisfies readonly Thing[]

const lowerId = z.uuid({ error: 'This must be a UUID.' }).overwrite((id) => id.toLowerCase())
const named: ReadonlySet<Thing> = new Set(['painter', 'pin', 'batch', 'holder'])
const anyName = z.string().min(1).max(200)

/** Painters, pins, batches and holders go by names of their own, all else by a UUID; models stand in a unit, steps in a recipe. */
function refOf(thing: Thing) {
  return {
    thing: z.literal(thing),
    id: named.has(thing) ? anyName : lowerId,
    in: thing === 'model' || thing === 'step' ? lowerId : z.null(),
  }
}

const neighbours = { after: anyName.nullable(), before: anyName.nullable() }

const setSchemas = [
  ...Object.entries<z.ZodType>(projectShape).map(([field, value]) =>
    z.object({
      kind: z.literal('set'),
      thing: z.literal('project'),
      field: z.literal(field),
      value: bare(value),
    }),
  ),
  ...things.flatMap((thing) =>
    Object.entries<z.ZodType>(shapes[thing]).map(([field, value]) =>
      z.object({ kind: z.literal('set'), ...refOf(thing), field: z.literal(field), value: bare(value) }),
    ),
  ),
]

/** A field that is named is given: what a whole thing may leave out is no answer here. */
function bare(schema: z.ZodType): z.ZodType {
  return schema instanceof z.ZodDefault ? (schema.unwrap() as z.ZodType) : schema
}

/** What is built of lists: the compiler knows of each option only that it is one. */
const oneOf = (key: string, options: readonly unknown[]): z.ZodType =>
  z.discriminatedUnion(key, options as [z.ZodObject, ...z.ZodObject[]])

const setSchema = oneOf(
  'thing',
  ['project' as const, ...things].map((thing) =>
    oneOf(
      'field',
      setSchemas.filter((schema) => schema.shape.thing.value === thing),
    ),
  ),
)
const everyThing = (shape: (thing: Thing) => z.ZodObject) => oneOf('thing', things.map(shape))

/** One small change to the structure of a project; see `Command` in the core, whose shape this is built from. */
export const commandSchema = oneOf('kind', [
  setSchema,
  everyThing((thing) =>
    z.object({ kind: z.literal('put'), ...refOf(thing), ...neighbours, value: wholes[thing] }),
  ),
  everyThing((thing) => z.object({ kind: z.literal('take'), ...refOf(thing) })),
  everyThing((thing) => z.object({ kind: z.literal('move'), ...refOf(thing), ...neighbours })),
]) as z.ZodType<Command>

/** Several commands that belong together: all are carried out at once, or refused one by one where others were first. */
export const newChangeSchema = z.object({
  id: idOf<ChangeId>(),
  at: instantField,
  device: idOf<DeviceId>(),
  /** The device's own running number. */
  number: z.int().min(0).max(2_147_483_647),
  painter: nameOf<PainterId>().nullable(),
  /** The revision of the project that was on the screen when the change was made … */
  base: z.int().min(0).max(2_147_483_647),
  /** … and the highest number of this device's own changes that were on it already. */
  own: z.int().min(0).max(2_147_483_647),
  commands: z
    .array(commandSchema)
    .min(1, { error: 'A change has at least one command.' })
    .max(2000, { error: 'A change has up to 2,000 commands.' })
    .readonly(),
})

export const commandVerdictSchema: z.ZodType<CommandVerdict> = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('done') }),
  z.object({ kind: z.literal('clash'), theirs: z.unknown() }),
  z.object({ kind: z.literal('gone') }),
  z.object({ kind: z.literal('taken') }),
])

/** So many changes the log gives at once. */
export const changesAtOnce = 100

/** A change as the project's log keeps it. */
export const loggedChangeSchema = z.object({
  id: idOf<ChangeId>(),
  revision: z.int().min(0),
  at: instantField,
  device: idOf<DeviceId>(),
  number: z.int(),
  painter: nameOf<PainterId>().nullable(),
  /** Who had signed in; `null` at a desk without a door. */
  signedBy: z.string().nullable(),
  /** What was carried out of it, and what would take that back. */
  done: z.array(commandSchema).readonly(),
  undo: z.array(commandSchema).readonly(),
})

export type NewChange = z.output<typeof newChangeSchema>
export type LoggedChange = z.output<typeof loggedChangeSchema>
