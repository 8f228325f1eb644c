import { describe, expect, it } from 'vitest'
import { foldProgress } from './fold-progress.ts'
import { drying, eventId, noon, project, stage, unit } from '../testing/builders.ts'
import { splitIntoBatches } from '../trade/batches.ts'
import { addSeconds, type Instant } from '../units/instant.ts'
import { minutes } from '../units/seconds.ts'
import { driedOut, toFollow } from './to-follow.ts'

const later = (count: number) => addSeconds(noon, count * 60)
const wash = stage('wash', { ...drying(0), nextWithinSeconds: minutes(20) })
const wipe = stage('wipe', drying(0))
const metal = stage('metal', drying(0))
const given = project([unit('pike', 4), unit('horn', 1)], [wash, wipe, metal], { batchSize: 2 })
const batches = splitIntoBatches(given, given)
const models = given.units.flatMap((each) => each.models.map((model) => model.id))
const punched = (number: number, at: Instant, stageId: (typeof wash)['id'], ...places: number[]) => ({
  kind: 'punched' as const,
  id: eventId(number),
  at,
  stageId,
  modelIds: places.map((place) => models[place]!),
})

const told = (events: Parameters<typeof foldProgress>[0], now: Instant) =>
  toFollow(given, batches, foldProgress(events), now).map(({ batch, next, modelIds, until }) => [
    batch.number,
    next.name,
    modelIds.map((id) => models.indexOf(id)),
    (until - noon) / 60_000,
  ])

describe('toFollow', () => {
  it('counts from the first model of a batch, the most pressing batch first', () => {
    const events = [
      punched(1, later(0), wash.id, 2),
      punched(2, later(3), wash.id, 3),
      punched(3, later(5), wash.id, 0, 1),
    ]
    expect(told(events, later(6))).toEqual([
      [2, 'wipe', [2, 3], 20],
      [1, 'wipe', [0, 1], 25],
    ])
  })

  it('is over for a model when what follows is done, and begins again with the next', () => {
    const events = [
      punched(1, later(0), wash.id, 0),
      punched(2, later(4), wash.id, 1),
      punched(3, later(9), wipe.id, 0),
    ]
    expect(told(events, later(10))).toEqual([[1, 'wipe', [1], 24]])
    expect(told([...events, punched(4, later(11), wipe.id, 1)], later(12))).toEqual([])
  })

  it('still says what is past its time, until nobody can mend it any more', () => {
    const events = [punched(1, later(0), wash.id, 4)]
    expect(told(events, later(50))).toEqual([[1, 'wipe', [4], 20]])
    expect(told(events, later(81))).toEqual([])
  })

  it('asks about glue that dried unstrewn until it is put on again', () => {
    const glue = { ...wash, nextWithinSeconds: minutes(8) }
    const line = [glue, wipe, metal]
    const at = (now: Instant, ...more: readonly ReturnType<typeof punched>[]) =>
      driedOut({ line }, batches, foldProgress([punched(1, later(0), glue.id, 4), ...more]), now).length
    expect(at(later(60))).toBe(0)
    expect(at(later(60 * 24))).toBe(1)
    expect(at(later(60 * 24), { ...punched(2, later(600), glue.id, 4), kind: 'cleared' as never })).toBe(0)
    expect(at(later(60 * 24 * 8))).toBe(0)
  })
})
