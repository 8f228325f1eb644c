import { describe, expect, it } from 'vitest'
import { estimateLine, timesOf } from '../estimating/estimate-line.ts'
import { noon, project, stage, unit } from '../testing/builders.ts'
import { minutes } from '../units/seconds.ts'
import { bearableBatch } from './bearable-batch.ts'

const line = [
  stage('coat', { handsOnSecondsPerModel: minutes(4), setUpSeconds: minutes(2) }),
  stage('wash', { handsOnSecondsPerModel: minutes(2), setUpSeconds: minutes(2) }),
]
const given = project([unit('a', 12), unit('b', 3)], line)
const times = timesOf(estimateLine({ project: given, shelf: new Map(), now: noon }))
const borne = (stageMinutes: number) =>
  bearableBatch(given, times, { stageSeconds: minutes(stageMinutes), unitSeconds: minutes(90) })

describe('bearableBatch', () => {
  it('is as many as the longest stage takes within what is borne, set-up included', () => {
    expect(borne(30)).toMatchObject({ models: 7, stage: { id: 'coat' } })
    expect(borne(20)).toMatchObject({ models: 4 })
  })

  it('is at least one, and nothing where the largest unit fits whole', () => {
    expect(borne(5)).toMatchObject({ models: 1 })
    expect(borne(60)).toBeNull()
  })
})
