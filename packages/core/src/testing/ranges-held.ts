import { nothingBeside } from '../estimating/touch-up.ts'
import { lineOfOrder } from '../ordering/line-of-order.ts'
import { orderLine } from '../ordering/order-line.ts'
import { followedRecipes } from '../ordering/line-of-order.ts'
import { bodyPlans } from '../recipe/body-plans.ts'
import { recipeFromSchool } from '../recipe/recipe-from-school.ts'
import { recipeSchools } from '../recipe/schools.ts'
import { noon, project, unit } from './builders.ts'
import { believed, drawPainter, type PainterModel, type SimulatedPainter } from './painters.ts'
import { testShelf } from './recipes.ts'
import { seededRandom } from '../units/random.ts'
import { estimateLine, totalOf } from '../estimating/estimate-line.ts'
import { learningTotal } from '../estimating/learning.ts'
import { cellOf, saysAlone } from '../estimating/observe-times.ts'
import type { PaceObservation } from '../estimating/rates.ts'

/** A unit of twelve by a usual school: seventeen stages of eight techniques. */
const given = (() => {
  let next = 0
  const newId = () => `id ${String(next++)}`
  const school = recipeSchools.find((each) => each.id === 'translucent-over-bright')!
  const recipe = recipeFromSchool(school, bodyPlans[0]!, 'pikes', newId)
  const pikes = { ...unit('pikes', 12), standard: 'tabletop plus' as const }
  const bare = project([pikes], [], { recipes: [{ ...recipe, unitIds: [pikes.id] }] })
  const order = orderLine({
    recipes: followedRecipes(bare),
    shelf: testShelf,
    weight: 'fewest pots',
    tableReady: 'tabletop',
  })
  return { ...bare, line: lineOfOrder(order, bare, testShelf, 'tabletop', newId) }
})()

const works = estimateLine({ project: given, shelf: testShelf, now: noon }).stages
const painters = 500
const lapsASitting = 10

/** Of so many painters, after so many laps on an earlier unit alike, how many batch totals lay in the range, and how far off the likely one was. */
export function simulate(model: PainterModel, laps: number, seed: number) {
  const random = seededRandom(seed)
  let inside = 0
  const errors: number[] = []
  for (let painter = 0; painter < painters; painter++) {
    const hand = drawPainter(model, random)
    const known: PaceObservation[] = []
    const doneAt = new Map<string, number>()
    let sitting: PaceObservation[] = []
    const getUp = () => {
      const alike = (technique: unknown) => sitting.filter((each) => each.technique === technique).length
      known.push(
        ...sitting.map((each) => ({ ...each, alone: saysAlone(alike(each.technique), sitting.length) })),
      )
      sitting = []
    }
    for (let lap = 0; lap < laps; lap++) {
      if (lap % lapsASitting === 0) {
        getUp()
        hand.sitDown()
      }
      const { work, size } = works[Math.floor(random() * works.length)]!
      const models = 1 + Math.floor(random() * 4)
      const cell = cellOf(work)
      const done = doneAt.get(cell) ?? 0
      doneAt.set(cell, done + models)
      const expected = work.secondsPerModel * learningTotal(done, models, work.learning)
      const factor = hand.clock(work, size, done, models) / expected
      sitting.push({ technique: work.technique, small: work.small, size, cell, factor, models, laps: 1 })
    }
    getUp()
    const estimate = estimateLine({ project: given, shelf: testShelf, now: noon, known })
    const amounts = estimate.stages.map((stage) => ({
      stage,
      models: 12,
      ...nothingBeside,
    }))
    const range = totalOf(estimate.rates, amounts)
    const truth = amounts.reduce(
      (sum, { stage }) =>
        sum +
        anotherDay(hand).paint(stage.work, stage.size, 0, 12) +
        // The coat that did not cover, for the whole batch.
        secondCoat(stage.work.secondCoats, random),
      0,
    )
    if (truth >= range.low && truth <= range.high) inside += 1
    errors.push(Math.abs(range.likely / truth - 1))
  }
  errors.sort((a, b) => a - b)
  return { coverage: inside / painters, medianError: errors[painters / 2]! }
}

/** Drawn with the same variance around the mean that the estimate has in it. */
function secondCoat(variance: number, random: () => number): number {
  return 12 * Math.sqrt(variance) * Math.sqrt(3) * (2 * random() - 1)
}

function anotherDay(hand: SimulatedPainter): SimulatedPainter {
  hand.sitDown()
  return hand
}

/** A hand that differs more by technique than overall, on better days and worse. */
export const otherDays: PainterModel = {
  ...believed,
  painter: 0.33,
  technique: 0.5,
  lap: 0.2,
  sitting: 0.18,
}
export const heavyTails: PainterModel = { ...believed, tails: 5, interruptions: 0.08 }
export const otherPainters: PainterModel = {
  ...believed,
  painter: believed.painter * 1.2,
  technique: believed.technique * 1.4,
  stage: believed.stage * 1.3,
  learningRate: 0.9,
}
