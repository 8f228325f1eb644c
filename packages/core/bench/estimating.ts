import { figuresOf } from '../src/testing/figures-of.ts'
import { extrasFor } from '../src/estimating/extras.ts'
import { standardCosts } from '../src/estimating/afford.ts'
import { estimateLine } from '../src/estimating/estimate-line.ts'
import { pilotReport } from '../src/estimating/pilot.ts'
import { followedRecipes, lineOfOrder } from '../src/ordering/line-of-order.ts'
import { orderLine } from '../src/ordering/order-line.ts'
import type { ProgressEvent } from '../src/progress/event.ts'
import { foldProgress } from '../src/progress/fold-progress.ts'
import { bodyPlans } from '../src/recipe/body-plans.ts'
import { recipeFromSchool } from '../src/recipe/recipe-from-school.ts'
import { recipeSchools } from '../src/recipe/schools.ts'
import { eventId, noon, project, unit } from '../src/testing/builders.ts'
import { testShelf } from '../src/testing/recipes.ts'
import { addSeconds } from '../src/units/instant.ts'
import type { UnitId } from '../src/units/ids.ts'
import { medianMilliseconds, table, yardstick } from './measure.ts'

/** 100 models in four units by one school: 24 stages, estimated anew with 300 laps behind them. */
export function benchEstimating(): void {
  let ids = 0
  const newId = () => `id ${String(ids++)}`
  const school = recipeSchools.find((each) => each.id === 'opaque-wash-rehighlight')
  const [plan] = bodyPlans
  if (!school || !plan) throw new RangeError('no school')
  const units = [25, 25, 25, 25].map((count, index) => unit(`unit ${String(index)}`, count))
  const recipe = {
    ...recipeFromSchool(school, plan, 'all', newId),
    unitIds: units.map((each): UnitId => each.id),
  }
  const bare = project(units, [], { recipes: [recipe], batchSize: 10 })
  const order = orderLine({
    recipes: followedRecipes(bare),
    shelf: testShelf,
    weight: 'fewest pots',
    tableReady: 'tabletop',
  })
  const given = { ...bare, line: lineOfOrder(order, bare, testShelf, 'tabletop', newId) }
  const events: ProgressEvent[] = []
  for (let lap = 0; lap < 300; lap++) {
    const stage = given.line[lap % given.line.length]
    const own = units[Math.floor(lap / given.line.length) % units.length]
    const model = own?.models[lap % 25]
    if (!stage || !model) continue
    const at = addSeconds(noon, -100_000 + lap * 300)
    const over = { stageId: stage.id, modelIds: [model.id] }
    const started = eventId(3 * lap)
    events.push({ kind: 'clock-started', id: started, at, ...over })
    events.push({ kind: 'punched', id: eventId(3 * lap + 1), at: addSeconds(at, 90 + (lap % 60)), ...over })
    events.push({
      kind: 'clock-stopped',
      id: eventId(3 * lap + 2),
      at: addSeconds(at, 160),
      targetId: started,
    })
  }
  const progress = foldProgress(events)
  const input = { project: given, shelf: testShelf, progress, now: noon }
  const figures = () => figuresOf(given, { progress })
  const [first] = units
  if (!first) throw new RangeError('no unit')
  const piloted = { ...first, pilot: first.models.slice(0, 1).map((model) => model.id) }
  const unit1 = yardstick()
  const standardOf = new Map(units.map((each) => [each.id, 'tabletop' as const]))
  const rows: [string, number][] = [
    ['estimate everything anew', medianMilliseconds(21, () => estimateLine(input))],
    [
      'the same without a lap',
      medianMilliseconds(21, () => estimateLine({ ...input, progress: foldProgress([]) })),
    ],
    ['what each standard takes', medianMilliseconds(11, () => standardCosts(figures()))],
    ['optional stages that fit', medianMilliseconds(11, () => extrasFor(figures(), standardOf, 36_000))],
    ['a pilot, the rest anew at each lap', medianMilliseconds(5, () => pilotReport(figures(), piloted))],
  ]
  process.stdout.write(
    `100 models × ${String(given.line.length)} stages, ${String(progress.laps.length)} laps. Yardstick: ${unit1.toFixed(1)} ms.\n\n`,
  )
  process.stdout.write(
    `${table(
      ['what', 'ms', '÷ yardstick'],
      rows.map(([what, ms]) => [what, ms.toFixed(1), (ms / unit1).toFixed(1)]),
    )}\n`,
  )
}
