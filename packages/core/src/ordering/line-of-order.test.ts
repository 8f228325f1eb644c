import { describe, expect, it } from 'vitest'
import { footRecipe, testShelf, type StepRow } from '../testing/recipes.ts'
import { project, unit } from '../testing/builders.ts'
import type { RecipeId } from '../units/ids.ts'
import { followedRecipes, lineOfOrder } from './line-of-order.ts'
import { factsOf } from '../recipe/step-facts.ts'
import { orderLine } from './order-line.ts'
import { stageName } from './stage-name.ts'

const rows: readonly StepRow[] = [
  ['all', 'grey primer, spray', 'spray'],
  ['coat', 'moss green', 'base coat'],
  ['base', 'silt brown wash', 'wash'],
  ['coat', 'light moss', 'edge', { standard: 'tabletop plus' }],
]

function lineFor(some: readonly StepRow[], old: Parameters<typeof project>[1] = []) {
  const pikes = unit('pikes', 4)
  const riders = unit('riders', 2)
  const recipes = [
    footRecipe(some, { unitIds: [pikes.id] }),
    footRecipe(rows.slice(0, 1), { id: 'other' as RecipeId, unitIds: [riders.id] }),
  ]
  const given = { ...project([pikes, riders], old), recipes }
  const order = orderLine({
    recipes: followedRecipes(given),
    shelf: testShelf,
    weight: 'fewest pots',
    tableReady: 'tabletop',
  })
  let next = 0
  return lineOfOrder(order, given, testShelf, 'tabletop', () => `new ${String(next++)}`)
}

describe('lineOfOrder', () => {
  it('makes a stage of each pot, with touch, waits, cautions and who needs it', () => {
    const line = lineFor(rows)
    expect(line).toHaveLength(4)
    const [prime] = line
    expect(prime).toMatchObject({
      name: 'Grey primer',
      material: 'grey primer, spray',
      touch: { kind: 'whole' },
      setUpSeconds: 180,
      dryingMinSeconds: 900,
      cautions: ['spray'],
      notNeededBy: [],
    })
    const coat = line.find((stage) => stage.material === 'moss green')
    expect(coat).toMatchObject({ touch: { kind: 'regions', regions: ['coat'] }, notNeededBy: ['riders'] })
    expect(line.find((stage) => stage.material === 'silt brown wash')?.touch).toEqual({ kind: 'base' })
    expect(line.filter((stage) => stage.tableReady)).toHaveLength(1)
    for (const stage of line) expect(stage.handsOnSecondsPerModel).toBeGreaterThan(0)
  })

  it('keeps the identity, and so the progress, of stages whose steps stay', () => {
    const before = lineFor(rows)
    const after = lineFor([...rows.slice(0, 3), ['metal', 'dark iron', 'base coat', { coats: 2 }]], before)
    const idOf = (line: typeof before, material: string) =>
      line.find((stage) => stage.material === material)?.id
    for (const material of ['grey primer, spray', 'moss green', 'silt brown wash']) {
      expect(idOf(after, material)).toBe(idOf(before, material))
    }
    expect(new Set(after.map((stage) => stage.id)).size).toBe(after.length)
  })

  it('limits a stage to the roles and variants that take it, and leaves out what a standard does not need', () => {
    const [first, ...others] = unit('pikes', 4).models
    const pikes = {
      ...unit('pikes', 4),
      standard: 'tabletop' as const,
      models: [{ ...first!, variants: ['cloak'] }, ...others],
    }
    const given = {
      ...project([pikes], []),
      recipes: [
        footRecipe([...rows, ['hair', 'rust red', 'base coat', { roles: ['cloak'] }]], {
          unitIds: [pikes.id],
        }),
      ],
    }
    const recipes = followedRecipes(given)
    const order = orderLine({ recipes, shelf: testShelf, weight: 'fewest pots', tableReady: 'tabletop' })
    const line = lineOfOrder(order, given, testShelf, 'tabletop', (name) => name)
    expect(line.map((stage) => stage.material)).not.toContain('light moss')
    const hair = line.find((stage) => stage.material === 'rust red')
    expect(hair?.limits).toEqual([{ unitId: 'pikes', roles: ['cloak'] }])
    // One model takes it: its time is that of one, not a fourth of it.
    expect(hair?.handsOnSecondsPerModel).toBe(26)
    const [stop] = order.stopLines
    expect(stop!.handsOnSeconds['tabletop plus']).toBeGreaterThan(stop!.handsOnSeconds.tabletop)
  })

  it('names a stage after its steps, so that one that comes back is the same again', () => {
    const given = {
      ...project([unit('a', 1)], []),
      recipes: [footRecipe(rows, { unitIds: [unit('a', 1).id] })],
    }
    const order = orderLine({
      recipes: followedRecipes(given),
      shelf: testShelf,
      weight: 'fewest pots',
      tableReady: 'tabletop',
    })
    const of = (line: typeof given.line) =>
      lineOfOrder(order, { ...given, line }, testShelf, 'tabletop', (name) => name)
    const line = of([])
    expect(of(line.slice(1)).map((stage) => stage.id)).toEqual(line.map((stage) => stage.id))
    // Unless another stage goes by that name already.
    const [first] = line
    const other = { ...first!, steps: [] }
    const again = of([other, ...line.slice(1)])
    expect(new Set(again.map((stage) => stage.id)).size).toBe(line.length)
    expect(again[0]!.id).toBe(`${first!.id} 1`)
  })

  it('leaves out recipes that no unit follows', () => {
    const given = { ...project([unit('a', 1)], []), recipes: [footRecipe(rows)] }
    expect(followedRecipes(given)).toEqual([])
  })
})

it('names a stage by what the hand does', () => {
  const rows: readonly StepRow[] = [
    ['all', 'grey primer, spray', 'spray'],
    ['all', 'ivory primer, spray', 'spray from above'],
    ['base', 'white glue', 'spread'],
    ['base', 'river grit', 'sprinkle'],
    ['coat', 'moss green', 'base coat'],
    ['all', 'soot wash', 'wash'],
    ['base', 'dark peat', 'detail', { note: 'The rim; clean off what went astray.' }],
    ['all', 'matt varnish, spray', 'spray'],
    ['base', 'reed tuft', 'stick'],
  ]
  const recipe = footRecipe(rows)
  const names = factsOf(recipe, testShelf).map((facts) => stageName([facts], testShelf))
  expect(names).toEqual([
    'Grey primer',
    'Zenithal spray',
    'Glue base',
    'Add river grit',
    'Base coat, coat',
    'Wash, all over',
    'Paint rim',
    'Matt varnish',
    'Add reed tuft',
  ])
})
