import { describe, expect, it } from 'vitest'
import { stage } from '../testing/builders.ts'
import { minutes } from '../units/seconds.ts'
import type { UnitId } from '../units/ids.ts'
import { batchTime, sharedHandsOnSeconds } from './batch-time.ts'

describe('batch time', () => {
  it('is estimated where there is an estimate, else as written on the stage', () => {
    const coat = stage('coat', { handsOnSecondsPerModel: minutes(3), setUpSeconds: minutes(2) })
    const [own, other] = ['own', 'other'] as UnitId[]
    const { touchUp, others } = batchTime(coat, own!)
    const estimated = {
      setUpSeconds: minutes(1),
      againSeconds: minutes(0),
      secondsPerModel: minutes(4),
      touchUp,
      others,
    }
    const times = new Map([[coat.id, new Map([[own!, estimated]])]])
    expect(batchTime(coat, own!, times)).toBe(estimated)
    const written = {
      setUpSeconds: minutes(2),
      againSeconds: minutes(2),
      secondsPerModel: minutes(3),
      touchUp,
      others,
    }
    expect(batchTime(coat, other!, times)).toEqual(written)
    expect(batchTime(coat, own!)).toEqual(written)
  })

  it('20 models at 4½ min by two painters take 45 min (common practice)', () => {
    expect(sharedHandsOnSeconds(minutes(4.5), 20, 2)).toBe(minutes(45))
    expect(sharedHandsOnSeconds(minutes(4.5), 21, 2)).toBe(minutes(49.5))
    expect(() => sharedHandsOnSeconds(minutes(1), 1, 0)).toThrow(RangeError)
  })
})
