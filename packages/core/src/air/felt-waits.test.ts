import { describe, expect, it } from 'vitest'
import type { ProgressEvent } from '../progress/event.ts'
import { foldProgress } from '../progress/fold-progress.ts'
import { dryingShelf } from '../progress/drying-shelf.ts'
import { splitIntoBatches } from '../trade/batches.ts'
import { drying, eventId, noon, project, stage, unit } from '../testing/builders.ts'
import { addSeconds } from '../units/instant.ts'
import { minutes } from '../units/seconds.ts'
import { lineAsFelt } from './felt-waits.ts'

const pikes = unit('pikes', 2)
const line = [
  stage('coat', { material: 'moss', ...drying(30) }),
  stage('edge', { material: 'Moss', ...drying(10) }),
  stage('shade', { material: 'umber', ...drying(30) }),
]
const given = project([pikes], line, { batchSize: 2 })
const [coat] = line.map((each) => each.id)
let number = 0
const event = (wholeMinutes: number, some: object) =>
  ({
    id: eventId((number += 1)),
    at: addSeconds(noon, wholeMinutes * 60),
    stageId: coat,
    modelIds: pikes.models.map((model) => model.id),
    ...some,
  }) as unknown as ProgressEvent
const punched = (at = 0) => event(at, { kind: 'punched', drySeconds: minutes(30) })
const felt = (at: number, feels: string) => event(at, { kind: 'felt', feels })
const until = (events: readonly ProgressEvent[], now: number) =>
  dryingShelf(given, splitIntoBatches(given, given), foldProgress(events), addSeconds(noon, now * 60)).map(
    (entry) => (entry.until - noon) / 60_000,
  )
const waits = (events: readonly ProgressEvent[]) =>
  lineAsFelt(line, foldProgress(events).touches).map((each) => each.dryingMinSeconds / 60)

describe('a finger on a coat', () => {
  it('that finds it dry ends the drying, and a tacky one gives it more time', () => {
    expect(until([punched()], 12)).toEqual([30])
    expect(until([punched(), felt(12, 'dry')], 12)).toEqual([])
    expect(until([punched(), felt(32, 'tacky')], 33)).toEqual([40])
    expect(until([punched(), felt(4, 'tacky')], 5)).toEqual([30])
    expect(until([punched(), felt(32, 'tacky'), felt(36, 'dry')], 37)).toEqual([])
    // Nothing to feel where nothing was put on, and an undo takes the word back.
    expect(until([felt(12, 'dry')], 12)).toEqual([])
    const word = felt(12, 'dry')
    expect(until([punched(), word, event(13, { kind: 'undone', targetId: word.id })], 14)).toEqual([30])
  })

  it('teaches the wait of its pot: a geometric mean with what is written, which counts twice', () => {
    expect(waits([])).toEqual([30, 10, 30])
    expect(lineAsFelt(line, [])).toBe(line)
    const [moss, edge, umber] = waits([punched(), felt(12, 'dry')])
    expect(moss).toBeCloseTo((30 * 30 * 12) ** (1 / 3), 1)
    // Felt after twelve minutes, an edge of ten is not known to be quicker.
    expect(edge).toBe(10)
    expect(umber).toBe(30)
    const [tacky] = waits([punched(), felt(32, 'tacky')])
    expect(tacky).toBeCloseTo((30 * 30 * 40) ** (1 / 3), 1)
    expect(waits([punched(), felt(31, 'dry')])).toEqual([30, 10, 30])
  })

  it('counts once a coat, by its last word', () => {
    const { touches } = foldProgress([punched(), felt(5, 'tacky'), felt(12, 'dry'), felt(50, 'dry')])
    expect(touches).toMatchObject([{ feels: 'dry', elapsedSeconds: 3000 }])
    const twice = foldProgress([punched(), felt(12, 'dry'), punched(60), felt(74, 'dry')]).touches
    expect(twice.map((each) => each.elapsedSeconds)).toEqual([720, 840])
  })
})
