import { z } from 'zod'
import { projectFileSchema } from './project-file.ts'
import { studioFileSchema } from './studio-file.ts'

/** The JSON Schema (2020-12) of a project file as it is written; published as docs/project.schema.json. */
export const projectJsonSchema = () => jsonSchemaOf(projectFileSchema)

/** The same of a studio file; published as docs/studio.schema.json. */
export const studioJsonSchema = () => jsonSchemaOf(studioFileSchema)

function jsonSchemaOf(schema: z.ZodType) {
  return z.toJSONSchema(schema, {
    io: 'input',
    unrepresentable: 'any',
    override: ({ jsonSchema }) => {
      // The bounds of a safe integer say nothing a reader needs.
      if (jsonSchema.minimum === Number.MIN_SAFE_INTEGER) delete jsonSchema.minimum
      if (jsonSchema.maximum === Number.MAX_SAFE_INTEGER) delete jsonSchema.maximum
    },
  })
}
