import { describe, expect, it } from 'vitest'
import type { ProgressEvent } from '../progress/event.ts'
import { foldProgress } from '../progress/fold-progress.ts'
import { eventId, noon, project, stage, unit } from '../testing/builders.ts'
import { figuresOf } from '../testing/figures-of.ts'
import type { StageId } from '../units/ids.ts'
import { addSeconds } from '../units/instant.ts'
import { unitReport } from './unit-report.ts'

const [pikes, bows] = [unit('pikes', 4), unit('bows', 4)]
const given = project([pikes, bows], [stage('prime'), stage('wash')])

/** All models of the unit in one go, so many seconds each. */
const laps = (number: number, of: typeof pikes, stageId: string, each: number) => {
  const at = addSeconds(noon, number * 3600)
  const over = { stageId: stageId as StageId, modelIds: of.models.map(({ id }) => id) }
  const end = addSeconds(at, each * of.models.length)
  return [
    { kind: 'clock-started', id: eventId(number * 10), at, ...over },
    { kind: 'punched', id: eventId(number * 10 + 1), at: end, ...over },
    { kind: 'clock-stopped', id: eventId(number * 10 + 2), at: end, targetId: eventId(number * 10) },
  ] as ProgressEvent[]
}
const reportOf = (...events: readonly ProgressEvent[]) =>
  unitReport(figuresOf(given, { progress: foldProgress(events), clock: addSeconds(noon, 100_000) }), pikes)

describe('unitReport', () => {
  it('sets the clock beside what was expected before the unit was begun, and says what the next would take', () => {
    const none = reportOf()
    // Each lap opens its pot once, for all four.
    const opening = given.line.map((each) => each.setUpSeconds / 4)
    const expected = none.stages.map((each, index) => each.expectedSeconds + opening[index]!)
    const slow = expected.map((seconds) => Math.round(seconds * 2))
    const report = reportOf(...laps(1, pikes, 'prime', slow[0]!), ...laps(2, pikes, 'wash', slow[1]!))
    expect(report.isDone).toBe(true)
    expect(report.timedShare).toBeCloseTo(1)
    expect(report.stages.map((each) => each.expectedSeconds)).toEqual(expected)
    expect(report.stages.map((each) => Math.round(each.clockSeconds!))).toEqual(slow)
    expect(report.clockSeconds).toBeCloseTo(report.expectedSeconds * 2, -1)
    expect(report.againBefore.likely).toBeCloseTo(none.againNow.likely)
    expect(report.againNow.likely).toBeGreaterThan(report.againBefore.likely * 1.1)
  })

  it('takes nothing from another unit, and says how much of it the clock saw', () => {
    const report = reportOf(...laps(1, bows, 'prime', 900), ...laps(2, pikes, 'wash', 60))
    expect(report.isDone).toBe(false)
    expect(report.stages.map((each) => [each.done, each.clockSeconds === null])).toEqual([
      [0, true],
      [4, false],
    ])
    expect(report.clockSeconds).toBe(240)
    expect(report.timedShare).toBeGreaterThan(0)
    expect(report.timedShare).toBeLessThan(1)
  })
})
