import { describe, expect, it } from 'vitest'
import { plainPlanning, type Project, partsOf } from '../trade/project.ts'
import { noon, project, stage, unit } from '../testing/builders.ts'
import { minutes } from '../units/seconds.ts'
import { estimateLine } from './estimate-line.ts'
import type { PaceObservation } from './rates.ts'
import { roomFor } from './room.ts'

const coat = stage('coat', {
  technique: 'base coat',
  handsOnSecondsPerModel: minutes(4),
  setUpSeconds: minutes(2),
})

const given = (skipShare: number, some: Partial<Project> = {}) =>
  project([unit('a', 10)], [coat], { planning: { ...plainPlanning, skipShare }, batchSize: 5, ...some })

function room(of: Project, laps = 0) {
  const known = Array.from({ length: laps }, (): PaceObservation => ({
    technique: 'base coat',
    size: 'foot',
    cell: '',
    factor: 1,
    models: 5,
    laps: 1,
  }))
  return roomFor(partsOf(of), estimateLine({ project: of, shelf: new Map(), now: noon, known }))
}

describe('roomFor', () => {
  it('leaves what falls out, and what work takes longer in the middle of all futures', () => {
    const { share, skipped, longer } = room(given(0.2))
    expect(skipped).toBe(0.2)
    expect(longer).toBeGreaterThan(1)
    expect(share).toBeCloseTo(1 - 0.8 / longer, 1)
  })

  it('is smaller the better the hand is known', () => {
    expect(room(given(0.1), 40).longer).toBeLessThan(room(given(0.1)).longer)
  })

  it('is the sessions alone when nothing is left to do, and never more than an evening bears', () => {
    expect(room(given(0.1, { units: [] })).share).toBe(0.1)
    expect(room(given(0.95)).share).toBe(0.6)
  })
})
