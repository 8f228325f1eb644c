import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { schoolJob, solved } from '../testing/school-jobs.ts'
import { figuresOf } from '../testing/figures-of.ts'
import { drying, noon, project, stage, unit } from '../testing/builders.ts'
import { batchSizesText, splitIntoBatches } from '../trade/batches.ts'
import { plainPainter, plainPlanning, type Project } from '../trade/project.ts'
import type { ModelId, PainterId } from '../units/ids.ts'
import { minutes } from '../units/seconds.ts'
import { batchesAsBefore, batchWays } from './batch-ways.ts'
import { hasBatchWish, noBatchWish, priceOfWish } from './batch-wish.ts'
import { layLine } from './plan-line.ts'
import { planningOf } from './to-plan.ts'

const wishedOf = (given: Project) => splitIntoBatches(given, given)
const sizesOf = (given: Project) => batchWays(wishedOf(given), given.planning).map(batchSizesText)
const team = (count: number): Project['planning'] => ({
  ...plainPlanning,
  painters: Array.from({ length: count }, (_, at) => ({
    ...plainPainter,
    id: `painter ${String(at)}` as PainterId,
    name: `Painter ${String(at)}`,
  })),
})

describe('ways of taking the batches down the line', () => {
  it('begin with what is wished, then divide it further, as even as can be', () => {
    expect(sizesOf(project([unit('a', 12), unit('b', 5)], [], { batchSize: 12 }))).toEqual([
      '12 · 5',
      '6 · 6 · 5',
      '4 · 4 · 4 · 2 · 3',
      '3 · 3 · 3 · 3 · 2 · 3',
    ])
    expect(sizesOf(project([unit('a', 1)], []))).toEqual(['1'])
    expect(sizesOf(project([], []))).toEqual([''])
  })

  it('fit on the rack, and leave together what is kept together', () => {
    const [pikes] = [unit('a', 12)]
    const given = project([pikes], [], {
      batchSize: 20,
      planning: {
        ...plainPlanning,
        rackPlaces: 5,
        batches: [
          { id: 'own', unitId: pikes.id, modelIds: pikes.models.slice(0, 8).map(({ id }) => id) },
        ] as never,
      },
    })
    expect(sizesOf(given)).toEqual(['8 · 4', '8 · 2 · 2'])
    const free = { ...given, planning: { ...given.planning, batches: [] } }
    expect(sizesOf(free)).toContain('4 · 4 · 4')
  })

  it('as before: every model once, divided where it was, new ones with the last part', () => {
    const cuts = fc.uniqueArray(fc.integer({ min: 1, max: 19 }), { maxLength: 5 })
    fc.assert(
      fc.property(cuts, fc.integer({ min: 0, max: 19 }), fc.integer({ min: 0, max: 3 }), (at, gone, more) => {
        const [old] = splitIntoBatches(project([unit('a', 20)], []), { batchSize: 20, firstBatch: null })
        const ends = [...at.toSorted((a, b) => a - b), 20]
        const parts = ends.map((end, part) => ({
          id: `part ${String(part)}` as never,
          modelIds: old!.models.slice(ends[part - 1] ?? 0, end).map(({ id }) => id),
        }))
        const all = unit('a', 20 + more).models
        const now = { ...unit('a', 0), models: all.filter((_, index) => index !== gone) }
        const wished = splitIntoBatches(project([now], []), { batchSize: 30, firstBatch: null })
        const { batches, places } = batchesAsBefore(wished, parts)
        expect(batches.flatMap(({ models }) => models.map(({ id }) => id)).toSorted()).toEqual(
          now.models.map(({ id }) => id).toSorted(),
        )
        for (const { id, modelIds } of parts) {
          const left = modelIds.filter((model) => now.models.some((each) => each.id === model))
          if (left.length === 0) continue
          const here = batches[places.get(id)!]!.models.map((model): ModelId => model.id)
          expect(here.slice(0, left.length)).toEqual(left)
        }
        expect(new Set(batches.map(({ id }) => id)).size).toBe(batches.length)
      }),
    )
  })
})

describe('the search decides who goes together', () => {
  const job = schoolJob('opaque-wash-rehighlight', 'foot', 4, { batchSize: 20 })

  it('for one pair of hands a unit stays whole where nothing is won by dividing it', () => {
    expect(solved(job).batches.map(({ models }) => models.length)).toEqual([20])
  })

  it('for three it is divided, and done sooner than whole', () => {
    const given = { ...job, planning: team(3) }
    const whole = solved({ ...given, planning: { ...given.planning, batches: keptWhole(given) } })
    const divided = solved(given)
    expect(divided.batches.length).toBeGreaterThan(1)
    expect(divided.found.cost.lastOpens).toBeLessThanOrEqual(whole.found.cost.lastOpens)
    expect(divided.found.cost.deskSeconds).toBeLessThan(whole.found.cost.deskSeconds)
  })

  it('a unit that does not fit on the rack is divided until it does', () => {
    const line = [stage('prime', { technique: 'spray', ...drying(20) }), stage('edge')]
    const given = project([unit('a', 12)], line, { planning: { ...plainPlanning, rackPlaces: 5 } })
    const planned = layLine({ ...planningOf(figuresOf(given)), effort: 20_000 })
    expect(planned.ok && Math.max(...planned.value.batches.map(({ models }) => models.length))).toBeLessThan(
      6,
    )
  })

  it('what was planned before keeps its batches, with a model more or less', () => {
    const given = { ...job, planning: team(3) }
    const wish = { effort: 100_000 }
    const first = layLine({ ...planningOf(figuresOf(given)), ...wish })
    if (!first.ok) throw new Error(first.error.kind)
    const { batches, stretches } = first.value
    const [own] = given.units
    const less = { ...given, units: [{ ...own!, models: own!.models.slice(0, -1) }] }
    const again = layLine({ ...planningOf(figuresOf(less)), before: { batches, stretches }, ...wish })
    if (!again.ok) throw new Error(again.error.kind)
    const firsts = (some: typeof batches) => some.map(({ models }) => models[0]?.id)
    expect(firsts(again.value.batches)).toEqual(firsts(batches))
  })

  it('and is divided anew when something else is wished', () => {
    const given = { ...job, batchSize: 5 }
    const wish = { effort: 100_000 }
    const first = layLine({ ...planningOf(figuresOf(given)), ...wish })
    if (!first.ok) throw new Error(first.error.kind)
    const { batches, stretches, asFound } = first.value
    const more = { ...given, batchSize: 20 }
    const before = { batches, stretches, wished: asFound.wished }
    const again = layLine({ ...planningOf(figuresOf(more)), before, ...wish })
    if (!again.ok) throw new Error(again.error.kind)
    expect([batches.length, again.value.batches.length]).toEqual([4, 1])
  })

  function keptWhole(given: Project) {
    return given.units.map(({ id, models }) => ({
      id: 'whole' as never,
      unitId: id,
      modelIds: models.map((model) => model.id),
    }))
  }
})

describe('a wish about the batches', () => {
  const line = [stage('coat', { setUpSeconds: minutes(10) }), stage('shade', { setUpSeconds: minutes(10) })]
  const given = project([unit('a', 12)], line, { batchSize: 2, batchesInHand: 1 })
  const laid = (some: Project) => {
    const planned = layLine({ ...planningOf(figuresOf(some)), now: noon, effort: 20_000 })
    if (!planned.ok) throw new Error(planned.error.kind)
    return planned.value
  }

  it('has a price, and without one there is none', () => {
    const free = { ...given, ...noBatchWish(given) }
    expect([hasBatchWish(given), hasBatchWish(free)]).toEqual([true, false])
    const price = priceOfWish(laid(given), laid(free), 'UTC')!
    expect(price.handsOnSeconds).toBeGreaterThan(3600)
    expect(price.potOpenings).toBeGreaterThan(4)
    expect(priceOfWish(laid(free), laid(free), 'UTC')).toBeNull()
  })
})
