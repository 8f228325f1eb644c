import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { ProgressEvent } from '../progress/event.ts'
import { progressAt } from '../progress/fold-progress.ts'
import { noon } from '../testing/builders.ts'
import { schoolJob } from '../testing/school-jobs.ts'
import { standardReaches, standards } from '../trade/recipe.ts'
import type { EventId, ModelId, PainterId, RecipeId, StageId, UnitId } from '../units/ids.ts'
import type { Instant } from '../units/instant.ts'
import { minor, sumOf } from './money.ts'
import { usualPriceList, type PriceList } from './price-list.ts'
import { figuresOf } from '../testing/figures-of.ts'
import { rounds } from '../testing/rounds.ts'
import type { Progress } from '../progress/progress.ts'
import {
  leftToFiner,
  outcomeOfQuote,
  priceMovers,
  quoteDoubts,
  quoteTiers,
  workByPainter,
  type QuotedTier,
  type QuoteTier,
} from './quote.ts'

const job = schoolJob('layers-over-colour', 'foot', 3)
const quoted = (some: Partial<PriceList> = {}, project = job) =>
  quoteTiers({ figures: figuresOf(project), prices: { ...usualPriceList, ...some } })

const share = fc.double({ min: 0, max: 1, noNaN: true })
const price = fc.integer({ min: 0, max: 20_000 }).map(minor)
const anyPrices = fc.record({
  currency: fc.constant('EUR'),
  hour: price,
  painters: fc.constant([]),
  confidence: fc.double({ min: 0.5, max: 0.99, noNaN: true }),
  preparationSeconds: fc.constant(usualPriceList.preparationSeconds),
  pot: price,
  can: price,
  piece: price,
  basing: price,
  packing: price,
  box: price,
  contingency: share,
  margin: share,
})

describe('a quote', () => {
  it('has a price for each standard that the recipe tells apart, the plainest first', () => {
    const tiers = quoted()
    expect(tiers.map((tier) => tier.standard)).toEqual(
      standards.filter((each) => tiers.some((tier) => tier.standard === each)),
    )
    expect(tiers.length).toBeGreaterThanOrEqual(3)
    expect(tiers.map((tier) => tier.hours.likely)).toEqual(
      tiers.map((tier) => tier.hours.likely).toSorted((a, b) => a - b),
    )
  })

  it('is the sum of whole parts, finer is never cheaper, and surer is never cheaper, whatever the prices', () => {
    fc.assert(
      fc.property(anyPrices, (prices) => {
        const tiers = quoted(prices)
        for (const { parts, price } of tiers) {
          expect(Object.values(parts).every(Number.isSafeInteger)).toBe(true)
          expect(sumOf(Object.values(parts))).toBe(price)
        }
        tiers.forEach((tier, index) => {
          const plainer = tiers[index - 1]
          if (plainer) expect(tier.price).toBeGreaterThanOrEqual(plainer.price)
        })
        const surer = quoted({ ...prices, confidence: 0.99 })
        tiers.forEach((tier, index) => expect(surer[index]!.price).toBeGreaterThanOrEqual(tier.price))
        expect(quoteDoubts({ project: job, prices }, tiers).map((doubt) => doubt.kind)).toEqual(
          prices.hour === 0 ? ['hour-for-nothing'] : [],
        )
      }),
      { numRuns: rounds(10), seed: 11 },
    )
  })

  it('charges the hours that hold as often as it is to be sure: the likely ones in half, the end of the range in nine of ten', () => {
    const [half, nine] = [quoted({ confidence: 0.5 }), quoted({ confidence: 0.9 })]
    half.forEach((tier, index) => {
      expect(tier.chargedSeconds).toBeCloseTo(tier.hours.likely, 6)
      expect(nine[index]!.chargedSeconds).toBeCloseTo(tier.hours.high, 6)
    })
  })

  it('by hand: six hours at 20 an hour, a twentieth for what nobody foresaw, a fifth on top', () => {
    const [tier] = quoted({
      confidence: 0.5,
      preparationSeconds: 0 as never,
      pot: minor(0),
      can: minor(0),
      piece: minor(0),
      basing: minor(0),
      packing: minor(10),
      box: minor(500),
      contingency: 0.05,
      margin: 0.2,
    })
    const work = Math.round((tier!.hours.likely / 3600) * 2000)
    const packing = 15 * 10 + 500
    const contingency = Math.round((work + packing) * 0.05)
    expect(tier!.parts).toEqual({
      painting: work,
      preparation: 0,
      materials: 0,
      basing: 0,
      packing,
      contingency,
      margin: Math.round((work + packing + contingency) * 0.2),
    })
  })

  it('takes the price of an hour from whoever paints it', () => {
    const [odile, brann] = ['odile', 'brann'] as PainterId[]
    const [you] = job.planning.painters
    const project = {
      ...job,
      planning: {
        ...job.planning,
        painters: [
          { ...you!, id: odile! },
          { ...you!, id: brann! },
        ],
      },
    }
    const prices = { ...usualPriceList, painters: [{ painterId: brann!, hour: minor(3000) }] }
    const hour = (workOf?: ReadonlyMap<PainterId, number>) =>
      quoteTiers({ figures: figuresOf(project), prices, ...(workOf ? { workOf } : {}) })[0]!.hour
    expect(hour()).toBe(2500)
    expect(
      hour(
        new Map([
          [odile!, 3 * 3600],
          [brann!, 3600],
        ]),
      ),
    ).toBe(2250)
    expect(hour(new Map())).toBe(2500)
    // At the desk another paints than the project names.
    expect(
      hour(
        new Map([
          ['runa' as PainterId, 3600],
          [brann!, 3600],
        ]),
      ),
    ).toBe(2500)
    expect(hour(new Map([['runa' as PainterId, 3600]]))).toBe(2000)
    expect(
      hour(
        new Map([
          ['runa' as PainterId, 3 * 3600],
          [brann!, 3600],
        ]),
      ),
    ).toBe(2250)
    const shared = workByPainter(
      [
        { painter: 0, startsAt: 0, endsAt: 3_600_000 },
        { painter: 1, startsAt: 0, endsAt: 1_800_000 },
        { painter: 0, startsAt: 0, endsAt: 1_800_000 },
      ],
      project.planning.painters,
    )
    expect([...shared]).toEqual([
      [odile, 5400],
      [brann, 1800],
    ])
  })

  it('says what stands in its way', () => {
    const doubts = (project: typeof job, some: Partial<PriceList> = {}, tiers: readonly QuoteTier[] = []) =>
      quoteDoubts({ project, prices: { ...usualPriceList, ...some } }, tiers)
    const bare = { ...job, recipes: [], line: [] }
    expect(doubts(bare)).toEqual([{ kind: 'unit-without-stages', unitIds: job.units.map((unit) => unit.id) }])
    expect(doubts({ ...job, units: [] })).toEqual([{ kind: 'no-models' }])
    expect(doubts(job, { margin: -0.1, hour: minor(0) })).toEqual([
      { kind: 'hour-for-nothing' },
      { kind: 'margin-below-nothing' },
    ])
    const [plain, fine] = quoted()
    expect(doubts(job, {}, [{ ...plain!, price: minor(fine!.price + 1) }, fine!])).toEqual([
      { kind: 'finer-is-cheaper', standard: fine!.standard, than: plain!.standard },
    ])
    expect(quoted({}, { ...job, units: [] })).toEqual([])
  })

  it('names the stages of a standard whose leaving out moves its price most', () => {
    const input = { figures: figuresOf(job), prices: usualPriceList }
    const { standard, price, hours } = quoteTiers(input).at(-1)!
    const movers = priceMovers(input, standard)
    expect(movers.length).toBeGreaterThan(0)
    expect(movers.map((each) => each.saves)).toEqual(
      movers.map((each) => each.saves).toSorted((a, b) => b - a),
    )
    for (const { saves, savedSeconds } of movers) {
      expect(saves).toBeGreaterThan(0)
      expect(saves).toBeLessThan(price)
      expect(savedSeconds).toBeLessThan(hours.likely)
    }
  })
})

it('names only standards that every unit reaches', () => {
  const [own] = job.units
  const [recipe] = job.recipes
  // A second unit whose recipe knows nothing plainer than tabletop plus.
  const plus = {
    ...recipe!,
    id: 'plus' as RecipeId,
    unitIds: ['officers' as UnitId],
    steps: recipe!.steps.map((step) => ({ ...step, standard: 'tabletop plus' as const })),
  }
  const officers = {
    ...own!,
    id: 'officers' as UnitId,
    models: own!.models.map((model) => ({ ...model, id: `x ${model.id}` as ModelId })),
  }
  const project = { ...job, units: [own!, officers], recipes: [recipe!, plus] }
  expect(quoted({}, project).map((tier) => tier.standard)).toEqual(
    quoted()
      .map((tier) => tier.standard)
      .filter((each) => each !== 'three-colour' && each !== 'tabletop'),
  )
})

it('a stage that is left to a finer standard is not in the price of the plainer one any more', () => {
  const input = { figures: figuresOf(job), prices: usualPriceList }
  const standard = 'tabletop'
  const [mover] = priceMovers(input, standard)
  const project = leftToFiner(job, mover!.stageId, 'tabletop plus')
  const priceOf = (given: typeof job, of: string) =>
    quoteTiers({ ...input, figures: figuresOf(given) }).find((tier) => tier.standard === of)!.price
  expect(priceOf(job, standard) - priceOf(project, standard)).toBeGreaterThan(0)
  expect(priceOf(project, 'tabletop plus')).toBe(priceOf(job, 'tabletop plus'))
  expect(leftToFiner(job, 'no such stage' as StageId, 'display')).toEqual(job)
})

describe('what is left of a begun job', () => {
  const all = { figures: figuresOf(job), prices: usualPriceList }
  const at = (progress: Progress) => ({ figures: figuresOf(job, { progress }) })
  const input = { ...all, onlyLeft: true }
  const models = job.units.flatMap((unit) => unit.models.map((model) => model.id))
  const punch = (stageId: StageId, modelIds: readonly ModelId[], number: number): ProgressEvent => ({
    kind: 'punched',
    id: `e${String(number)}` as EventId,
    at: (noon - 3_600_000 + number) as Instant,
    stageId,
    modelIds: [...modelIds],
  })
  const own = job.units[0]!.standard
  const after = (upTo: number, some = models) =>
    progressAt(
      job.line.slice(0, upTo).map((stage, index) => punch(stage.id, some, index)),
      noon,
    )

  it('costs as much as all of it while nothing is done', () => {
    expect(quoteTiers({ ...input, ...at(after(0)) })).toEqual(quoteTiers(input))
  })

  it('costs less with each stage that is done, in hours and in materials, and is packed all the same', () => {
    const tierAt = (upTo: number) =>
      quoteTiers({ ...input, ...at(after(upTo)) }).find((tier) => tier.standard === own)!
    const tiers = Array.from({ length: job.line.length - 1 }, (_, upTo) => tierAt(upTo))
    tiers.slice(1).forEach((tier, index) => {
      const before = tiers[index]!
      expect(tier.hours.likely).toBeLessThan(before.hours.likely)
      expect(tier.price).toBeLessThan(before.price)
      expect(tier.parts.materials).toBeLessThanOrEqual(before.parts.materials)
      expect(tier.parts.packing).toBe(before.parts.packing)
    })
    expect(tiers.at(-1)!.parts.materials).toBeLessThan(tiers[0]!.parts.materials / 2)
  })

  it('cleans nobody who is begun, bases nobody who is finished, and is nothing where all is done', () => {
    const half = models.slice(0, 5)
    const [whole] = quoteTiers(all)
    const [begun] = quoteTiers({ ...input, ...at(after(1, half)) })
    expect(begun!.parts.preparation).toBe(Math.round((whole!.parts.preparation * 10) / 15))
    expect(begun!.parts.basing).toBe(whole!.parts.basing)
    const [some] = quoteTiers({ ...input, ...at(after(job.line.length, half)) })
    expect(some!.parts.basing).toBe(Math.round((whole!.parts.basing * 10) / 15))
    // What ten take, and nothing for the five: the same job without them.
    const [unit] = job.units
    const ten = { ...job, units: [{ ...unit!, models: unit!.models.slice(5) }] }
    const [tenAlone] = quoteTiers({ ...input, figures: figuresOf(ten) })
    expect(some!.parts.materials).toBe(tenAlone!.parts.materials)
    const finer = quoteTiers({ ...input, ...at(after(job.line.length)) })
    expect(finer.filter((tier) => standardReaches(tier.standard, own))).toEqual([])
  })

  it('is not what is quoted unless that is asked for; the laps of the job count in either', () => {
    const stage = job.line.find((each) => each.handsOnSecondsPerModel > 60) ?? job.line[0]!
    const each = stage.handsOnSecondsPerModel * 3 * 1000
    const started = (noon - models.length * each - 1000) as Instant
    // Each model three times as long as written, one after the other.
    const log: ProgressEvent[] = [
      { kind: 'clock-started', id: 'start' as EventId, at: started, stageId: stage.id, modelIds: models },
      ...models.map((model, index): ProgressEvent => ({
        ...punch(stage.id, [model], index),
        at: (started + (index + 1) * each + index * 7000) as Instant,
      })),
      {
        kind: 'clock-stopped',
        id: 'stop' as EventId,
        at: noon,
        targetId: 'start' as EventId,
      },
    ]
    const progress = progressAt(log, noon)
    const [plain] = quoteTiers(all)
    const [slow] = quoteTiers({ ...all, ...at(progress) })
    const [left] = quoteTiers({ ...input, ...at(progress) })
    expect(slow!.hours.likely).toBeGreaterThan(plain!.hours.likely)
    expect(slow!.parts.preparation).toBe(plain!.parts.preparation)
    expect(slow!.parts.materials).toBe(plain!.parts.materials)
    expect(left!.hours.likely).toBeLessThan(slow!.hours.likely)
    expect(left!.parts.preparation).toBeLessThan(plain!.parts.preparation)
  })

  it('is what was left at that moment, whatever was done since', () => {
    const [first, second] = job.line
    const log = [punch(first!.id, models, 0), punch(second!.id, models, 1)]
    expect(quoteTiers({ ...input, ...at(progressAt(log, log[0]!.at)) })).toEqual(
      quoteTiers({ ...input, ...at(after(1)) }),
    )
  })
})

describe('after delivery', () => {
  const tier: QuotedTier = {
    standard: 'tabletop',
    lowSeconds: 4 * 3600,
    chargedSeconds: 10 * 3600,
    highSeconds: 12 * 3600,
    hour: minor(2000),
    parts: {
      painting: minor(20_000),
      preparation: minor(1000),
      materials: minor(500),
      basing: minor(1500),
      packing: minor(1000),
      contingency: minor(1200),
      margin: minor(3780),
    },
    price: minor(28_980),
    promisedOn: null,
  }

  it('hours as they were say what is left of the price, and what to quote next time', () => {
    expect(outcomeOfQuote(tier, 12 * 3600)).toEqual({
      quotedSeconds: 36_000,
      spentSeconds: 43_200,
      price: 28_980,
      cost: 28_000,
      left: 980,
      margin: 980 / 28_980,
      nextTime: 1.2,
    })
    expect(outcomeOfQuote(tier, 16 * 3600).left).toBe(-7020)
    expect(outcomeOfQuote({ ...tier, price: minor(0) }, 0)).toMatchObject({ margin: null, nextTime: null })
  })
})
