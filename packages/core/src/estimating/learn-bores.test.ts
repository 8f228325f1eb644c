import { describe, expect, it } from 'vitest'
import type { Lap } from '../progress/progress.ts'
import { noon, project, stage, unit } from '../testing/builders.ts'
import type { EventId, StageId } from '../units/ids.ts'
import { addSeconds } from '../units/instant.ts'
import { learnBores, productLimitMedian } from './learn-bores.ts'
import type { ObservedTime } from './observe-times.ts'

const given = project([unit('a', 40)], [stage('coat'), stage('wash')])
const all = given.units[0]!.models.map((model) => model.id)

/** Laps of five minutes, each with its stage and how its pace was; `-` ends a sitting. */
function records(sittings: readonly string[], leaves = true) {
  const laps: Lap[] = []
  const observed: ObservedTime[] = []
  sittings.forEach((sitting, day) => {
    Array.from(sitting).forEach((letter, index) => {
      const last = index === sitting.length - 1
      const startedAt = addSeconds(noon, day * 86_400 + index * 300)
      const eventId = `${String(day)} ${String(index)}` as EventId
      laps.push({
        eventId,
        painter: null,
        stageId: (letter.toLowerCase() === 'c' ? 'coat' : 'wash') as StageId,
        modelIds: all.slice(0, 4),
        done: all.slice(0, last && leaves ? 2 : 4),
        startedAt,
        stoppedAt: addSeconds(startedAt, 300),
        taps: [],
        correction: null,
      })
      const slow = letter === 'C' ? 2 : 1
      observed.push({
        eventId,
        kind: 'lap',
        silent: null,
        expectedSeconds: 100,
        countedSeconds: 100 * slow,
      } as ObservedTime)
    })
  })
  return learnBores(given, { laps }, observed)
}

describe('what bores a painter', () => {
  it('is read from where sittings end with models left', () => {
    const { stageSeconds } = records(Array<string>(10).fill('cccc'))
    expect(stageSeconds).toMatchObject({ seconds: 20 * 60, runs: 10, broken: 10 })
  })

  it('and from where the pace drops within a run', () => {
    const { stageSeconds } = records(Array<string>(10).fill('cccccCCC'), false)
    expect(stageSeconds).toMatchObject({ seconds: 25 * 60, broken: 10 })
  })

  it('a change of stage ends the run of the stage, not of the unit', () => {
    const { stageSeconds, unitSeconds } = records(Array<string>(10).fill('ccwwccww'))
    // Three of four runs of a stage ended because the work changed: they were borne, and say no more.
    expect(stageSeconds).toBeNull()
    expect(unitSeconds!.seconds).toBe(40 * 60)
  })

  it('is not guessed from few records, nor where work ended because it was done', () => {
    expect(records(Array<string>(4).fill('cccc')).stageSeconds).toBeNull()
    expect(records(Array<string>(20).fill('cccc'), false).stageSeconds).toBeNull()
  })

  it('half of the runs survive the median; what was cut short says only that it was borne so long', () => {
    const run = (seconds: number, broken: boolean) => ({ seconds, broken })
    expect(productLimitMedian([run(1, true), run(2, true), run(3, true), run(4, true)])).toBe(2)
    // By hand: 1 − 1/4 = .75 after 1; one cut short at 2; .75 × (1 − 1/2) = .375 after 3.
    expect(productLimitMedian([run(1, true), run(2, false), run(3, true), run(4, false)])).toBe(3)
    expect(productLimitMedian([run(1, true), run(2, false), run(3, false)])).toBeNull()
  })
})
