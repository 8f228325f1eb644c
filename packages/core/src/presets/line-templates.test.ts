import { describe, expect, it } from 'vitest'
import { minutes } from '../units/seconds.ts'
import { lineTemplates } from './line-templates.ts'

describe('a line to start from', () => {
  it.each(lineTemplates)('$name is a line that can be planned', ({ stages }) => {
    expect(stages.filter((each) => each.tableReady)).toHaveLength(1)
    for (const each of stages) {
      expect(each.handsOnSecondsPerModel).toBeGreaterThan(0)
      expect(each.dryingMaxSeconds).toBeGreaterThanOrEqual(each.dryingMinSeconds)
      // Whatever is sprayed warns.
      expect(each.cautions.includes('spray')).toBe(each.material.includes('spray'))
    }
  })

  it('translucent over bright takes 15–20 min a small trooper (common practice)', () => {
    const total = lineTemplates[0]!.stages.reduce((sum, each) => sum + each.handsOnSecondsPerModel, 0)
    expect(total).toBeGreaterThanOrEqual(minutes(15))
    expect(total).toBeLessThanOrEqual(minutes(20))
  })
})
