import { z } from 'zod'
import { recipesSchema, shelfSchema } from './recipe.ts'
import { lineSchema, projectSettingsSchema, unitSchema } from './project.ts'

const atRevision = { revision: z.int().min(0) }

/** Every change names the revision it was made from; a stale one is refused, so nothing is overwritten unseen. */
export const putUnitSchema = z.object({ ...atRevision, unit: unitSchema })
export const putLineSchema = z.object({ ...atRevision, line: lineSchema })
export const putRecipesSchema = z.object({ ...atRevision, recipes: recipesSchema })
export const putSettingsSchema = z.object({ ...atRevision, settings: projectSettingsSchema })
export const atRevisionSchema = z.object(atRevision)
/** Making a project twice under the same id gives the first one back. */
export const createProjectSchema = projectSettingsSchema
/** Materials to put on the shelf, new ones and changed ones; what is not named stays. */
export const putMaterialsSchema = z.object({ materials: shelfSchema })
export const shelfAnswerSchema = z.object({ materials: shelfSchema })
