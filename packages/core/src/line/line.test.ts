import { describe, expect, it } from 'vitest'
import { drying, stage } from '../testing/builders.ts'
import { minutes, seconds } from '../units/seconds.ts'
import { cautionText } from './cautions.ts'
import { regionsMeet } from './regions.ts'
import { schools } from './schools.ts'
import { stageLabels } from './stage-labels.ts'
import { dryingWait, potOf, touchedRegions } from './stage.ts'

describe('a stage', () => {
  it('dries for the middle of its range, to the second', () => {
    expect(dryingWait({ dryingMinSeconds: minutes(15), dryingMaxSeconds: minutes(30) })).toBe(minutes(22.5))
    expect(dryingWait({ dryingMinSeconds: seconds(1), dryingMaxSeconds: seconds(2) })).toBe(2)
    expect(dryingWait(drying(0))).toBe(0)
  })

  it('shares a pot with stages of the same material, however it is written', () => {
    expect(potOf(stage('a', { material: ' Bright Steel' }))).toBe(
      potOf(stage('b', { material: 'bright steel' })),
    )
    expect(potOf(stage('a', { material: ' ' }))).not.toBe(potOf(stage('b', { material: '' })))
  })

  it('touches what it says', () => {
    expect(touchedRegions({ kind: 'whole' })).toBe('whole')
    expect(touchedRegions({ kind: 'base' })).toEqual(['base'])
    expect(regionsMeet(['a', 'b'], ['c', 'b'])).toBe(true)
    expect(regionsMeet(['a'], ['b'])).toBe(false)
    expect(regionsMeet('whole', [])).toBe(true)
  })
})

describe('the school', () => {
  it.each(schools)('$name is a line that can be planned', ({ stages }) => {
    expect(stages.filter((each) => each.tableReady)).toHaveLength(1)
    for (const each of stages) {
      expect(each.handsOnSecondsPerModel).toBeGreaterThan(0)
      expect(each.dryingMaxSeconds).toBeGreaterThanOrEqual(each.dryingMinSeconds)
      // Whatever is sprayed warns.
      expect(each.cautions.includes('spray')).toBe(each.material.includes('spray'))
    }
  })

  it('translucent over bright takes 15–20 min a small trooper (common practice)', () => {
    const total = schools[0]!.stages.reduce((sum, each) => sum + each.handsOnSecondsPerModel, 0)
    expect(total).toBeGreaterThanOrEqual(minutes(15))
    expect(total).toBeLessThanOrEqual(minutes(20))
  })

  it('every caution defers to the product’s sheet', () => {
    for (const text of Object.values(cautionText)) expect(text).toContain('product’s own sheet')
  })
})

describe('stageLabels', () => {
  it('are the names, and the materials where names repeat', () => {
    const line = [
      stage('a', { name: 'Base coat, hair', material: 'rust' }),
      stage('b', { name: 'Base coat, hair', material: 'ochre' }),
      stage('c', { name: 'Base coat, hair', material: '' }),
      stage('d', { name: 'Wash', material: 'sepia' }),
    ]
    expect([...stageLabels(line).values()]).toEqual(['rust', 'ochre', 'Base coat, hair', 'Wash'])
  })
})
