import { describe, expect, it } from 'vitest'
import { bodyPlans } from './body-plans.ts'

describe('body plans', () => {
  it.each(bodyPlans.map((plan) => [plan.name, plan] as const))(
    '%s: all but the base share the surface, and what is painted apart is named',
    (_, { regions, subAssemblies }) => {
      const body = regions.filter((region) => region.finish !== 'base')
      expect(body.reduce((sum, region) => sum + region.areaShare, 0)).toBeCloseTo(1, 9)
      expect(regions.filter((region) => region.finish === 'base')).toHaveLength(1)
      const apart = new Set(regions.map((region) => region.apart).filter((name) => name !== ''))
      expect(subAssemblies.map((each) => each.name)).toEqual([...apart])
      expect(new Set(regions.map((region) => region.name)).size).toBe(regions.length)
    },
  )

  it('a neighbour has its neighbour', () => {
    for (const { regions } of bodyPlans)
      for (const region of regions)
        for (const name of region.neighbours)
          expect(regions.find((other) => other.name === name)?.neighbours).toContain(region.name)
  })
})
