import { z } from 'zod'
import { materialSchema, recipeSchema } from './recipe.ts'

/** One recipe with the materials it is made of, to be brought to another desk. */
export const recipeFileSchema = z
  .object({
    format: z.literal('seriatim-recipe', { error: 'This is not a recipe file.' }),
    version: z.literal(1, { error: 'This recipe file is of a version that is not known here.' }),
    recipe: recipeSchema,
    materials: z.array(materialSchema).max(3600).readonly(),
  })
  .superRefine(({ recipe, materials }, context) => {
    const known = new Set<string>(materials.map((material) => material.id))
    recipe.steps.forEach((step, index) => {
      step.mix.forEach(({ materialId }, part) => {
        if (known.has(materialId)) return
        context.addIssue({
          code: 'custom',
          path: ['recipe', 'steps', index, 'mix', part, 'materialId'],
          message: 'No material of this file has this id.',
          input: materialId,
        })
      })
    })
  })

export type RecipeFile = z.output<typeof recipeFileSchema>
