import { starterShelf } from '@seriatim/core/presets'
import { bodyPlans, materialsOf, recipeFromSchool, recipeSchools } from '@seriatim/core/recipe'
import { describe, expect, it } from 'vitest'
import { recipeFileSchema } from './recipe-file.ts'

let next = 0
const newId = () => `01930000-0000-7000-8000-${String((next += 1)).padStart(12, '0')}`
const recipe = recipeFromSchool(recipeSchools[0]!, bodyPlans[0]!, 'Pikes', newId)
const used = materialsOf(recipe)
const file = {
  format: 'seriatim-recipe',
  version: 1,
  recipe,
  materials: starterShelf.filter((material) => used.has(material.id)),
}

describe('a recipe file', () => {
  it('comes back as it went out', () => {
    const text = JSON.stringify(file)
    expect(JSON.parse(JSON.stringify(recipeFileSchema.parse(JSON.parse(text))))).toEqual(JSON.parse(text))
  })

  it('names the material that is missing, at its place', () => {
    const parsed = recipeFileSchema.safeParse({ ...file, materials: file.materials.slice(1) })
    expect(parsed.success).toBe(false)
    expect(parsed.error!.issues[0]).toMatchObject({
      path: ['recipe', 'steps', 0, 'mix', 0, 'materialId'],
      message: 'No material of this file has this id.',
    })
    expect(
      recipeFileSchema.safeParse({ ...file, format: 'seriatim-project' }).error!.issues[0]!.message,
    ).toBe('This is not a recipe file.')
  })
})
