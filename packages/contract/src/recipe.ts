import { parseHex, type Hex } from '@seriatim/core/colour'
import {
  extents,
  finishes,
  materialForms,
  materialKinds,
  ruleIds,
  sheens,
  sizes,
  standards,
  techniques,
} from '@seriatim/core/trade'
import type { MaterialId, RecipeId, StepId, UnitId } from '@seriatim/core/units'
import { z } from 'zod'
import { mixSchema } from './mix.ts'
import {
  branded,
  idOf,
  localDateField,
  optionalTextField,
  refuseTwins,
  secondsField,
  textField,
} from './fields.ts'

const share = (what: string) =>
  z
    .number({ error: `Give ${what} as a number from 0 to 1.` })
    .min(0, { error: `${what} cannot be negative.` })
    .max(1, { error: `${what} goes up to 1.` })

const amount = (what: string, most: number) =>
  z
    .number({ error: `Give ${what} as a number.` })
    .min(0, { error: `${what} cannot be negative.` })
    .max(most, { error: `${what} goes up to ${String(most)}.` })

const colourField = branded<Hex, string>(
  z.string().refine((text) => parseHex(text) !== null, { error: 'Give a colour as #rrggbb.' }),
)

const dryingInOrder = (range: { dryingMinSeconds: number; dryingMaxSeconds: number }): boolean =>
  range.dryingMinSeconds <= range.dryingMaxSeconds

export const materialSchema = z
  .object({
    id: idOf<MaterialId>(),
    name: textField('the material a name', 80),
    kind: z.enum(materialKinds, { error: `Choose a kind: ${materialKinds.join(', ')}.` }),
    colour: colourField,
    form: z.enum(materialForms).nullable().default(null),
    sheen: z.enum(sheens).nullable().default(null),
    carrier: z.enum(['water', 'spirit', 'dry'], { error: 'Choose water, spirit or dry.' }),
    opacity: share('The opacity'),
    dryingMinSeconds: secondsField,
    dryingMaxSeconds: secondsField,
    workable: z.object({ min: secondsField, max: secondsField }).nullable().default(null),
    coverage: amount('The coverage', 10_000),
    reactivates: z.boolean(),
    stockMl: amount('The stock', 100_000),
    potMl: amount('The pot', 100_000),
  })
  .refine(dryingInOrder, {
    path: ['dryingMaxSeconds'],
    error: 'The longest drying cannot be shorter than the shortest.',
  })

export const mostMaterials = 5000

export const shelfSchema = z
  .array(materialSchema)
  .max(mostMaterials, { error: 'A shelf holds up to 5,000 materials.' })
  .superRefine((materials, context) => {
    refuseTwins(materials, context, 'materials')
    const names = new Map<string, number>()
    materials.forEach((material, index) => {
      const name = material.name.toLowerCase()
      if (names.has(name)) {
        context.addIssue({
          code: 'custom',
          path: [index, 'name'],
          message: 'Two materials share this name.',
          input: material.name,
        })
      }
      names.set(name, index)
    })
  })

const regionSchema = z.object({
  name: textField('the region a name', 40),
  finish: z.enum(finishes),
  areaShare: share('The area'),
  parts: z.int({ error: 'Give a whole number of parts.' }).min(0).max(500),
  neighbours: z.array(z.string().max(40)).max(40).readonly(),
  depth: z.int().min(0).max(9),
  bare: z.boolean(),
  apart: optionalTextField(40).default(''),
  hides: z
    .array(textField('the place a name', 60))
    .max(12, { error: 'Up to twelve places on a region.' })
    .readonly()
    .optional(),
})

const subAssemblySchema = z.object({
  name: textField('the part a name', 40),
  size: z.enum(sizes),
  count: z
    .int({ error: 'Give a whole number.' })
    .min(1, { error: 'There is at least one.' })
    .max(50, { error: 'Up to 50 of a part.' }),
})

const technique = z.enum(techniques, { error: `Choose a technique: ${techniques.join(', ')}.` })

export const stepSchema = z.object({
  id: idOf<StepId>(),
  on: z.union([
    z.literal('whole'),
    z.array(z.string().max(40)).min(1, { error: 'Name at least one region.' }).max(40).readonly(),
  ]),
  except: z.array(z.string().max(40)).max(40).readonly().default([]),
  mix: mixSchema,
  technique,
  extent: z.enum(extents, { error: `Choose how much of it: ${extents.join(', ')}.` }).default('all of it'),
  matters: z.boolean().default(false),
  coats: z.int({ error: 'Give a whole number of coats.' }).min(1).max(20),
  count: z
    .int({ error: 'Give a whole number, or nothing.' })
    .min(1, { error: 'There is at least one, or it is left out.' })
    .max(500)
    .nullable()
    .default(null),
  note: optionalTextField(400),
  standard: z.enum(standards),
  roles: z.array(z.string().max(80)).max(50).readonly(),
  wetGroup: z.string().max(40).nullable(),
  dryingSeconds: z.object({ min: secondsField, max: secondsField }).nullable(),
  spray: z
    .object({
      from: z.enum(['all round', 'above', 'below']),
      bar: z.number().positive().max(10).nullable(),
      nozzleMm: z.number().positive().max(3).nullable(),
      thinning: z.number().min(0).max(20).nullable(),
    })
    .nullable(),
  otherModes: z
    .array(z.object({ technique, setUpSeconds: secondsField }))
    .max(5)
    .readonly(),
  substitutes: z.array(idOf<MaterialId>()).max(10).readonly(),
})

const preferencesSchema = z.object({
  mainColour: z.enum(['first', 'last', 'either']),
  base: z.enum(['first', 'last', 'meanwhile']),
  lightBeforeDark: z.boolean(),
  careful: z.boolean(),
})

const regionsSchema = z.array(regionSchema).max(40, { error: 'A recipe has up to 40 regions.' }).readonly()
const stepsSchema = z.array(stepSchema).max(300, { error: 'A recipe has up to 300 steps.' }).readonly()

const versionSchema = z.object({
  number: z.int().min(1),
  keptOn: localDateField,
  note: optionalTextField(200),
  regions: regionsSchema,
  steps: stepsSchema,
  preferences: preferencesSchema,
})

export const recipeSchema = z
  .object({
    id: idOf<RecipeId>(),
    name: textField('the recipe a name', 120),
    unitIds: z.array(idOf<UnitId>()).max(200).readonly(),
    school: z.string().max(60),
    bodyPlan: z.string().max(60),
    regions: regionsSchema,
    subAssemblies: z
      .array(subAssemblySchema)
      .max(10, { error: 'A recipe has up to ten parts painted apart.' })
      .readonly()
      .default([]),
    steps: stepsSchema,
    preferences: preferencesSchema,
    silenced: z
      .array(z.object({ rule: z.enum(ruleIds), note: textField('the reason', 200) }))
      .max(60)
      .readonly(),
    versions: z
      .array(versionSchema)
      .max(50, { error: 'A recipe keeps up to 50 versions.' })
      .readonly()
      .default([]),
  })
  .superRefine((recipe, context) => {
    refuseTwins(recipe.steps, context, 'steps', ['steps'])
    const names = new Set<string>()
    recipe.regions.forEach((region, index) => {
      if (names.has(region.name)) {
        context.addIssue({
          code: 'custom',
          path: ['regions', index, 'name'],
          message: 'Two regions share this name.',
          input: region.name,
        })
      }
      names.add(region.name)
    })
    recipe.steps.forEach((step, index) => {
      step.except.forEach((region, place) => {
        if (names.has(region)) return
        context.addIssue({
          code: 'custom',
          path: ['steps', index, 'except', place],
          message: 'The recipe has no region of this name.',
          input: region,
        })
      })
      if (step.on === 'whole') {
        if (names.size > 0 && [...names].every((name) => step.except.includes(name))) {
          context.addIssue({
            code: 'custom',
            path: ['steps', index, 'except'],
            message: 'All but these leaves no region: let at least one be painted.',
            input: step.except,
          })
        }
        return
      }
      step.on.forEach((region, place) => {
        if (names.has(region)) return
        context.addIssue({
          code: 'custom',
          path: ['steps', index, 'on', place],
          message: 'The recipe has no region of this name.',
          input: region,
        })
      })
    })
  })

export const recipesSchema = z
  .array(recipeSchema)
  .max(100, { error: 'A project has up to 100 recipes.' })
  .superRefine((recipes, context) => refuseTwins(recipes, context, 'recipes'))
  .readonly()

export const stepRefSchema = z.object({ recipeId: idOf<RecipeId>(), stepId: idOf<StepId>() })
