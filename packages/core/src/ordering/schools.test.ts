import { describe, expect, it } from 'vitest'
import { starterShelf } from '../materials/starter-shelf.ts'
import { bodyPlans } from '../recipe/body-plans.ts'
import { recipeFromSchool } from '../recipe/recipe-from-school.ts'
import { recipeSchools } from '../recipe/schools.ts'
import { findFaults } from './find-faults.ts'

const shelf = new Map(starterShelf.map((material) => [material.id, material]))

describe.each(recipeSchools.map((school) => [school.name, school] as const))('%s', (_, school) => {
  it.each(bodyPlans.map((plan) => [plan.name, plan] as const))('is sound for: %s', (_name, plan) => {
    let next = 0
    const recipe = recipeFromSchool(school, plan, 'x', () => `s${String(next++)}`)
    const grave = findFaults(recipe, shelf).filter((finding) => finding.severity !== 'could be quicker')
    expect(grave.map((finding) => `${finding.rule} ${finding.reason}`)).toEqual([])
    const least = recipe.steps.filter((step) => step.standard === 'three-colour')
    const materials = new Set(
      least.filter((step) => step.on !== 'whole').flatMap((step) => step.mix.map((part) => part.materialId)),
    )
    expect(least.length).toBeLessThanOrEqual(recipe.steps.length)
    expect(materials.size).toBeGreaterThanOrEqual(3)
  })
})
