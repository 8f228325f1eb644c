import { z } from 'zod'
import { lineSchema, projectSettingsSchema, unitSchema } from './project.ts'

const atRevision = { revision: z.int().min(0) }

/** Every change names the revision it was made from; a stale one is refused, so nothing is overwritten unseen. */
export const putUnitSchema = z.object({ ...atRevision, unit: unitSchema })
export const putLineSchema = z.object({ ...atRevision, line: lineSchema })
export const putSettingsSchema = z.object({ ...atRevision, settings: projectSettingsSchema })
export const atRevisionSchema = z.object(atRevision)
/** Making a project twice under the same id gives the first one back. */
export const createProjectSchema = projectSettingsSchema
