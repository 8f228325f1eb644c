import { z } from 'zod'
import { projectFileSchema } from './project-file.ts'

/** The JSON Schema (2020-12) of a project file as it is written; published as docs/project.schema.json. */
export function projectJsonSchema() {
  return z.toJSONSchema(projectFileSchema, {
    io: 'input',
    unrepresentable: 'any',
    override: ({ jsonSchema }) => {
      // The bounds of a safe integer say nothing a reader needs.
      if (jsonSchema.minimum === Number.MIN_SAFE_INTEGER) delete jsonSchema.minimum
      if (jsonSchema.maximum === Number.MAX_SAFE_INTEGER) delete jsonSchema.maximum
    },
  })
}
