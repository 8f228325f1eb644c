import { namedBy } from '@seriatim/core/progress'
import { namedMaterials } from '@seriatim/core/recipe'
import { z } from 'zod'
import { eventSchema } from './event.ts'
import { airReadingSchema } from './air.ts'
import { instantField } from './fields.ts'
import { observationSchema } from './hand.ts'
import { planToKeepSchema } from './plans.ts'
import { projectSchema } from './project.ts'
import { shelfSchema } from './recipe.ts'

/** How many records a project holds at most: a hundred models through fifty stages, forty times over. */
export const mostEvents = 200_000

/** The open file format: a whole project with its log. See docs/format.md. */
export const projectFileSchema = z
  .object({
    format: z.literal('seriatim-project', { error: 'This is not a Seriatim project file.' }),
    version: z.literal(2, { error: 'This file was made by a newer Seriatim.' }),
    /** The moment the file speaks from; a demo is moved from here to now. */
    writtenAt: instantField,
    /** The materials that the recipes name. */
    shelf: shelfSchema.default([]),
    project: projectSchema,
    /** What else its figures were made of, so that whoever reads the file comes to the same; no part of the project. */
    around: z
      .object({
        /** Of the air, the last half day's and those foretold. */
        readings: z.array(airReadingSchema).max(20_000, { error: 'Up to 20,000 readings.' }).readonly(),
        /** What other projects and brought rates say of the painter's pace. */
        pace: z.array(observationSchema).max(200_000, { error: 'Up to 200,000 times.' }).readonly(),
        /** The plan that everybody keeps to; `null` where there is none of the project as it is. */
        plan: planToKeepSchema
          .pick({ batches: true, stretches: true, asFound: true })
          .partial({ batches: true })
          .nullable(),
      })
      .exactOptional(),
    events: z
      .array(eventSchema)
      .max(mostEvents, { error: 'A project holds up to 200,000 records.' })
      .readonly(),
  })
  .superRefine((file, context) => {
    const refuse = (path: (string | number)[], message: string, input: unknown) => {
      context.addIssue({ code: 'custom', path, message, input })
    }
    const units = new Set<string>()
    const models = new Set<string>()
    file.project.units.forEach((unit, u) => {
      if (units.has(unit.id)) refuse(['project', 'units', u, 'id'], 'Two units share this id.', unit.id)
      units.add(unit.id)
      unit.models.forEach((model, m) => {
        if (models.has(model.id)) {
          refuse(['project', 'units', u, 'models', m, 'id'], 'Two models share this id.', model.id)
        }
        models.add(model.id)
      })
    })
    const stages = new Set<string>(file.project.line.map((stage) => stage.id))
    file.project.line.forEach((stage, s) => {
      const known = (unitId: string, path: (string | number)[]) => {
        if (!units.has(unitId)) {
          refuse(['project', 'line', s, ...path], 'No unit of this file has this id.', unitId)
        }
      }
      stage.notNeededBy.forEach((unitId, n) => known(unitId, ['notNeededBy', n]))
      stage.limits.forEach(({ unitId }, n) => known(unitId, ['limits', n, 'unitId']))
      stage.typed.forEach(({ unitId }, n) => known(unitId, ['typed', n, 'unitId']))
    })
    file.project.units.forEach((unit, u) => {
      if (!unit.joinedAt) return
      const at = ['project', 'units', u, 'joinedAt']
      if (!units.has(unit.joinedAt.unitId)) {
        refuse([...at, 'unitId'], 'No unit of this file has this id.', unit.joinedAt.unitId)
      }
      if (!stages.has(unit.joinedAt.stageId)) {
        refuse([...at, 'stageId'], 'No stage of this file has this id.', unit.joinedAt.stageId)
      }
    })
    const materials = new Set<string>(file.shelf.map((material) => material.id))
    file.project.recipes.forEach((recipe, r) => {
      recipe.unitIds.forEach((unitId, u) => {
        if (!units.has(unitId)) {
          refuse(['project', 'recipes', r, 'unitIds', u], 'No unit of this file has this id.', unitId)
        }
      })
      for (const { id, path } of namedMaterials(recipe)) {
        if (!materials.has(id)) {
          refuse(['project', 'recipes', r, ...path], 'No material of this file’s shelf has this id.', id)
        }
      }
    })
    const events = new Set<string>(file.events.map((event) => event.id))
    if (events.size < file.events.length) refuse(['events'], 'Two events share an id.', undefined)
    file.events.forEach((event, e) => {
      const { stageIds, modelIds, targetId } = namedBy(event)
      if (targetId === event.id) {
        refuse(['events', e, 'targetId'], 'An event cannot aim at itself.', targetId)
      } else if (targetId !== null && !events.has(targetId)) {
        refuse(['events', e, 'targetId'], 'No event of this file has this id.', targetId)
      }
      stageIds.forEach((id, s) => {
        const path = 'stageIds' in event ? ['stageIds', s] : ['stageId']
        if (!stages.has(id)) refuse(['events', e, ...path], 'No stage of this file has this id.', id)
      })
      modelIds.forEach((id, m) => {
        if (!models.has(id)) refuse(['events', e, 'modelIds', m], 'No model of this file has this id.', id)
      })
    })
  })

export type ProjectFile = z.output<typeof projectFileSchema>
export type ProjectFileJson = z.input<typeof projectFileSchema>
