import { describe, expect, it } from 'vitest'
import type { ModelId } from '../units/ids.ts'
import { addSeconds, instant } from '../units/instant.ts'
import { seededRandom } from '../units/random.ts'
import { readLap } from './read-lap.ts'

const noon = instant(Date.parse('2026-11-24T12:00:00Z'))

/** A lap whose models were marked so many seconds after its start. */
function lapOf(taps: readonly number[], stopped = (taps.at(-1) ?? 0) + 5) {
  return {
    startedAt: noon,
    stoppedAt: addSeconds(noon, stopped),
    done: taps.map((_, index) => `model ${String(index)}` as ModelId),
    taps: taps.map((seconds) => addSeconds(noon, seconds)),
  }
}
const evenly = (count: number, every: number) =>
  Array.from({ length: count }, (_, index) => (index + 1) * every)

describe('a lap', () => {
  it('of sixty even taps is ticking off, that of a steady hand at the expected pace is not', () => {
    expect(readLap(lapOf(evenly(60, 10)), 60 * 42).isTicked).toBe(true)
    expect(readLap(lapOf(evenly(60, 40)), 60 * 42).isTicked).toBe(false)
  })

  it('of a quick hand is one, since its models differ', () => {
    const random = seededRandom(7)
    let at = 0
    const taps = Array.from({ length: 60 }, () => (at += 10 * (0.6 + 0.8 * random())))
    expect(readLap(lapOf(taps), 60 * 42).isTicked).toBe(false)
  })

  it('of four taps says too little to be told from work', () => {
    expect(readLap(lapOf(evenly(4, 10)), 4 * 42).isTicked).toBe(false)
  })

  it('whose models were all marked at its end is as long as its clock', () => {
    expect(readLap(lapOf([1800, 1801, 1802, 1803], 1804), 1700)).toEqual({ seconds: 1804, isTicked: false })
  })

  it('whose clock was forgotten ends with its last model; a long model does not count as forgotten', () => {
    expect(readLap(lapOf(evenly(10, 40), 9 * 3600), 400).seconds).toBe(400)
    expect(readLap(lapOf(evenly(2, 3600), 7200 + 3000), 7200).seconds).toBe(10_200)
    expect(readLap(lapOf([], 9 * 3600), 400).seconds).toBe(9 * 3600)
  })

  it('over which the lid was closed, and that went on the next day, counts what was painted on both', () => {
    const night = 13 * 3600
    // Two models in the evening, three in the morning: the third as long as the others on average.
    const taps = [60, 120, night, night + 60, night + 120]
    expect(readLap(lapOf(taps, night + 120), 5 * 60).seconds).toBe(5 * 60)
    // And two nights.
    expect(readLap(lapOf([60, night, 2 * night], 2 * night), 3 * 60).seconds).toBe(3 * 60)
  })

  it('of models that take hours each, or all marked after hours, is as long as its clock', () => {
    expect(readLap(lapOf([10_000, 20_000, 30_000], 30_000), 3 * 9000).seconds).toBe(30_000)
    expect(readLap(lapOf([12_000, 12_001, 12_002], 12_002), 3 * 3000).seconds).toBe(12_002)
  })

  it('that was started, left, and taken up after a night, says nothing of the night', () => {
    const night = 13 * 3600
    expect(readLap(lapOf([night, night + 50, night + 100], night + 100), 3 * 60).seconds).toBe(150)
  })
})
