import { findFaults } from '../src/ordering/find-faults.ts'
import { lineJudge } from '../src/ordering/line-findings.ts'
import { lineOfOrder } from '../src/ordering/line-of-order.ts'
import { orderLine } from '../src/ordering/order-line.ts'
import type { OrderedRecipe } from '../src/ordering/pieces.ts'
import type { Recipe, Step } from '../src/trade/recipe.ts'
import { unit } from '../src/testing/builders.ts'
import { footRecipe, stepsOf, testShelf, type StepRow } from '../src/testing/recipes.ts'
import type { RecipeId, StepId, UnitId } from '../src/units/ids.ts'
import { medianMilliseconds, table, yardstick } from './measure.ts'

const bases = [
  'moss green',
  'reed grey',
  'rust red',
  'peat brown',
  'dark bone',
  'river blue',
  'slate grey',
  'warm flesh',
]
const washes = ['soot wash', 'dark sepia wash', 'flesh wash']
const lights = ['light moss', 'light reed', 'light leather', 'pale bone', 'light river', 'light flesh']

function around<T>(list: readonly T[], index: number): T {
  return list[index % list.length] as T
}

/** Twelve regions of four layers each: base, wash, layer, edge. */
function largeRecipe(number: number): Recipe {
  const names = Array.from({ length: 12 }, (_, index) => `region ${String(index)}`)
  const regions = names.map((name, index) => ({
    name,
    finish: 'cloth' as const,
    areaShare: 1 / 12,
    parts: 1,
    neighbours: [around(names, index + 1), around(names, index + 11)],
    depth: index % 3,
    bare: false,
    apart: '',
  }))
  const rows: StepRow[] = [
    ['all', 'grey primer, spray', 'spray'],
    ...names.map((name, index): StepRow => [name, around(bases, index + number), 'base coat']),
    ...names.map((name, index): StepRow => [name, around(washes, index + number), 'wash']),
    ...names.map((name, index): StepRow => [name, around(bases, index + number), 'layer']),
    ...names.map((name, index): StepRow => [name, around(lights, index + number), 'edge']),
  ]
  const steps: readonly Step[] = stepsOf(rows).map((step) => ({
    ...step,
    id: `${String(number)} ${step.id}` as StepId,
  }))
  return footRecipe([], { id: `recipe ${String(number)}` as RecipeId, regions, steps })
}

/** 6 recipes × 12 regions × 4 layers merged and ordered, and the findings after an edit. */
export function benchOrdering(): void {
  const recipes: readonly OrderedRecipe[] = Array.from({ length: 6 }, (_, number) => ({
    recipe: largeRecipe(number),
    units: [
      {
        unitId: `unit ${String(number)}` as UnitId,
        name: `Unit ${String(number)}`,
        standard: 'display' as const,
        size: 'foot' as const,
        models: Array.from({ length: 10 }, () => ({ role: 'trooper', variants: [] })),
      },
    ],
  }))
  const first = recipes[0]
  if (!first) return
  const one = yardstick()
  const given = { recipes, shelf: testShelf, weight: 'fewest pots', tableReady: 'tabletop' } as const
  const line = orderLine(given)
  const order = line.stages.flatMap((stage) =>
    stage.steps.filter((each) => each.recipeId === first.recipe.id).map((each) => each.stepId),
  )
  const models = Array.from({ length: 10 }, (_, index) => unit(`unit ${String(index)}`, 10))
  const project = {
    units: recipes.flatMap(({ units }, index) =>
      units.map(({ unitId }) => ({ ...(models[index] ?? unit('x', 10)), id: unitId })),
    ),
    recipes: recipes.map(({ recipe, units }) => ({ ...recipe, unitIds: units.map(({ unitId }) => unitId) })),
    batchSize: 10,
    line: [],
  }
  let ids = 0
  const stages = lineOfOrder(line, project, testShelf, 'tabletop', () => `stage ${String(ids++)}`)
  const judge = lineJudge(given)
  const [primer, ...others] = stages
  const primedLast = primer ? [...others, primer] : others
  const [tenth] = stages.slice(9, 10)
  const movedOn = tenth ? stages.toSpliced(9, 1).toSpliced(12, 0, tenth) : stages
  const rows: [string, number][] = [
    ['merge and order 294 steps', medianMilliseconds(5, () => orderLine(given))],
    [
      'findings of one recipe after an edit',
      medianMilliseconds(15, () => findFaults(first.recipe, testShelf)),
    ],
    [
      'findings of one recipe on the line',
      medianMilliseconds(15, () => findFaults(first.recipe, testShelf, { order })),
    ],
    ['findings of all six after a stage moved by three', medianMilliseconds(15, () => judge(movedOn))],
    ['the same after the primer moved to the end', medianMilliseconds(15, () => judge(primedLast))],
  ]
  process.stdout.write(
    `6 recipes × 12 regions × 4 layers: ${String(line.stages.length)} stages, cost ${line.cost.toFixed(0)}, bound ${line.bound.toFixed(0)}. Yardstick: ${one.toFixed(1)} ms.\n\n`,
  )
  process.stdout.write(
    `${table(
      ['what', 'ms', '÷ yardstick'],
      rows.map(([name, ms]) => [name, ms.toFixed(1), (ms / one).toFixed(1)]),
    )}\n`,
  )
}
