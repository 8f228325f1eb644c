import { describe, expect, it } from 'vitest'
import { bodyPlans } from '../recipe/body-plans.ts'
import { sizePresets } from '../presets/presets.ts'
import { regionAmounts } from './own-sizes.ts'

const planOf = (id: string) => bodyPlans.find((plan) => plan.id === id)!
const regionsOf = (id: string, apart: string) => planOf(id).regions.filter((region) => region.apart === apart)

describe('what is painted apart has a size of its own', () => {
  it('a rider on foot is a foot model, whatever carries it', () => {
    for (const size of ['mounted', 'large', 'huge'] as const) {
      const amount = regionAmounts(planOf('rider-and-mount'), size)
      const rider = amount(regionsOf('rider-and-mount', 'rider'))
      expect(rider.area * sizePresets[size].area).toBeCloseTo(sizePresets.foot.area, 9)
    }
  })

  it('a crew of three is three of them', () => {
    const crew = regionAmounts(planOf('gun-and-crew'), 'large')(regionsOf('gun-and-crew', 'crew'))
    expect(crew.area * sizePresets.large.area).toBeCloseTo(3, 9)
  })

  it('the others are as large as the model says, and so is all of it without sizes of its own', () => {
    const plan = planOf('rider-and-mount')
    const share = (regions: typeof plan.regions) => regions.reduce((sum, region) => sum + region.areaShare, 0)
    const mount = regionsOf(plan.id, '')
    expect(regionAmounts(plan, 'large')(mount).area).toBeCloseTo(share(mount), 9)
    const plain = regionAmounts({ ...plan, subAssemblies: [] }, 'large')
    expect(plain(plan.regions).area).toBeCloseTo(share(plan.regions), 9)
  })
})
