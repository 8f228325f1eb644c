import { describe, expect, it } from 'vitest'
import { stage } from '../testing/builders.ts'
import { minutes } from '../units/seconds.ts'
import { batchSeconds, sharedHandsOnSeconds } from './batch-time.ts'

describe('batch time', () => {
  it('is set-up + count × minutes', () => {
    const coat = stage('coat', { handsOnSecondsPerModel: minutes(3), setUpSeconds: minutes(2) })
    expect(batchSeconds(coat, 12)).toBe(minutes(38))
    expect(batchSeconds(coat, 0)).toBe(minutes(2))
  })

  it('20 models at 4½ min by two painters take 45 min (common practice)', () => {
    expect(sharedHandsOnSeconds(minutes(4.5), 20, 2)).toBe(minutes(45))
    expect(sharedHandsOnSeconds(minutes(4.5), 21, 2)).toBe(minutes(49.5))
    expect(() => sharedHandsOnSeconds(minutes(1), 1, 0)).toThrow(RangeError)
  })
})
