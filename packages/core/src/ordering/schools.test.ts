import { describe, expect, it } from 'vitest'
import { starterShelf } from '../presets/starter-shelf.ts'
import { bodyPlans } from '../recipe/body-plans.ts'
import { recipeFromSchool } from '../recipe/recipe-from-school.ts'
import { recipeSchools } from '../recipe/schools.ts'
import { landsOn } from '../trade/recipe.ts'
import type { UnitId } from '../units/ids.ts'
import { findFaults } from './find-faults.ts'
import { orderLine } from './order-line.ts'
import { orderWeights } from './pieces.ts'
import type { Finding } from './rule.ts'

const shelf = new Map(starterShelf.map((material) => [material.id, material]))

describe.each(recipeSchools.map((school) => [school.name, school] as const))('%s', (_, school) => {
  it.each(bodyPlans.map((plan) => [plan.name, plan] as const))('is sound for: %s', (_name, plan) => {
    for (const unbuilt of [false, true]) {
      let next = 0
      const recipe = recipeFromSchool(school, plan, 'x', () => `s${String(next++)}`, { unbuilt })
      expect(said(findFaults(recipe, shelf))).toEqual([])
      const least = recipe.steps.filter((step) => step.standard === 'three-colour')
      const materials = new Set(
        least
          .filter((step) => step.on !== 'whole')
          .flatMap((step) => step.mix.map((part) => part.materialId)),
      )
      expect(least.length).toBeLessThan(recipe.steps.length)
      expect(materials.size).toBeGreaterThanOrEqual(3)
    }
  })

  it.each(bodyPlans.map((plan) => [plan.name, plan] as const))(
    'has nothing to find in the order it comes to for: %s',
    (_name, plan) => {
      let next = 0
      const recipe = recipeFromSchool(school, plan, 'x', () => `s${String(next++)}`)
      const unit = {
        unitId: 'u' as UnitId,
        name: 'Pikes',
        standard: 'display' as const,
        size: 'foot' as const,
        models,
      }
      for (const weight of orderWeights) {
        const order = orderLine({
          recipes: [{ recipe, units: [unit] }],
          shelf,
          weight,
          tableReady: 'tabletop',
          effort: { width: 4, expansions: 300 },
        })
        expect(said(order.findings), weight).toEqual([])
      }
    },
  )

  it.each(bodyPlans.map((plan) => [plan.name, plan] as const))(
    'loses no region, and goes on to the finest standard for: %s',
    (_name, plan) => {
      let next = 0
      const recipe = recipeFromSchool(school, plan, 'x', () => `s${String(next++)}`)
      const cloth = plan.regions.filter((region) => region.finish === 'cloth' || region.finish === 'hide')
      const flooded = recipe.steps.some(
        (step) =>
          step.on === 'whole' &&
          step.technique !== 'spray' &&
          step.mix.length > 0 &&
          ['base coat', 'airbrush'].includes(step.technique),
      )
      const primed = school.id === 'layers-over-colour' || school.id === 'dip'
      for (const region of cloth) {
        const own = recipe.steps.filter(
          (step) => step.standard !== 'display' && landsOn(step, region.name) && step.on !== 'whole',
        )
        expect(own.length > 0 || flooded || primed, region.name).toBe(true)
      }
      const standards = new Set(recipe.steps.map((step) => step.standard))
      expect(standards).toContain('tabletop plus')
      expect(standards).toContain('display')
    },
  )
})

const models = Array.from({ length: 5 }, () => ({ role: 'trooper', variants: [] }))

const said = (findings: readonly Finding[]) => findings.map((finding) => `${finding.rule} ${finding.reason}`)
