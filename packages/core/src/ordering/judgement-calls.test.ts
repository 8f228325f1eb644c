import { describe, expect, it } from 'vitest'
import { bodyPlans } from '../recipe/body-plans.ts'
import { recipeFromSchool } from '../recipe/recipe-from-school.ts'
import { recipeSchools } from '../recipe/schools.ts'
import type { Recipe } from '../trade/recipe.ts'
import { project, unit } from '../testing/builders.ts'
import { figuresOf } from '../testing/figures-of.ts'
import { footRecipe, testShelf, type StepRow } from '../testing/recipes.ts'
import { findFaults, isLess, weigh } from './find-faults.ts'
import { judgementCalls } from './judgement-calls.ts'
import type { ChoiceKind } from './other-choices.ts'

const pikes = { ...unit('pikes', 12), standard: 'tabletop' as const }
const ids = () => {
  let next = 0
  return () => `new ${String(next++)}`
}
const figures = figuresOf(project([pikes], [], { batchSize: 12 }))
const callsOf = (recipe: Recipe) => judgementCalls({ figures, recipe, units: [pikes], newId: ids() })
const call = (rows: readonly StepRow[], kind: ChoiceKind) =>
  callsOf(footRecipe(rows)).find((each) => each.kind === kind)

const grey: StepRow = ['all', 'grey primer, spray', 'spray']
const coat: StepRow = ['coat', 'moss green', 'base coat']
const others: readonly StepRow[] = [
  ['trousers', 'reed grey', 'base coat'],
  ['leather+straps+pouches', 'peat brown', 'base coat'],
  ['skin', 'warm flesh', 'base coat'],
]

describe('judgement calls', () => {
  it('flood or go round: quicker all over where later colours tidy up, and back again', () => {
    const flood = call([grey, coat, ...others], 'flood')!
    expect(flood.now).toBe('the moss green on the coat alone')
    expect(flood.instead).toContain('the moss green over everything but the ')
    expect(flood.insteadSeconds).toBeLessThan(flood.nowSeconds)
    const back = callsOf(flood.recipe).find((each) => each.kind === 'flood')!
    expect(back.recipe.steps.find((step) => step.id === 'step 1')).toMatchObject({ on: ['coat'] })
    expect(back.insteadSeconds).toBeCloseTo(flood.nowSeconds)
  })

  it('lines in oil over gloss or by the point of the brush, with both times, and back again', () => {
    const acrylic = footRecipe([grey, coat, ['coat', 'dark sepia wash', 'pin wash'], ...others])
    const byOil = callsOf(acrylic).find((each) => each.kind === 'lining')!
    expect(byOil.recipe.steps.map((step) => step.technique).slice(2, 5)).toEqual([
      'spray',
      'pin wash',
      'wipe',
    ])
    const back = callsOf(byOil.recipe).find((each) => each.kind === 'lining')!
    expect(back.instead).toContain('led into the lines by the point')
    expect(back.nowSeconds).toBeCloseTo(byOil.insteadSeconds)
    expect(back.recipe.steps.some((step) => step.technique === 'wipe')).toBe(false)
  })

  it('what a rule has against work that is done so on purpose: once, with its minutes, until it is meant', () => {
    const unsealed = footRecipe([grey, coat, ['coat', 'umber oil', 'pin wash'], ...others])
    const asked = callsOf(unsealed).filter((each) => each.rule !== null)
    expect(asked.map((each) => each.rule)).toEqual(['R08'])
    const [oil] = asked
    expect(oil!.atStakeSeconds).toBeGreaterThan(0)
    expect(oil!.insteadSeconds).toBeGreaterThan(oil!.nowSeconds)
    expect(callsOf(oil!.recipe).filter((each) => each.rule !== null)).toEqual([])
    const meant = { ...unsealed, silenced: [{ rule: 'R08' as const, note: 'Meant so.' }] }
    expect(callsOf(meant).filter((each) => each.rule !== null)).toEqual([])
  })

  it('one coat or two', () => {
    const one = call([grey, ['coat', 'moss green', 'base coat', { coats: 2 }]], 'coats')!
    expect([one.now, one.instead]).toEqual(['2 coats of moss green', '1 coat of moss green'])
    expect(one.insteadSeconds).toBeLessThan(one.nowSeconds)
  })

  it('mask or paint afterwards', () => {
    const rows: readonly StepRow[] = [
      grey,
      ['leather', 'peat brown', 'base coat'],
      ['leather', 'mask fluid', 'mask'],
      ['coat', 'moss green', 'airbrush'],
      ['leather', '-', 'peel'],
    ]
    const after = call(rows, 'mask')!
    expect(after.recipe.steps.map((step) => step.technique)).toEqual(['spray', 'airbrush', 'base coat'])
    expect(after.insteadSeconds).toBeLessThan(after.nowSeconds)
  })

  it('wash or dark under, for a region, and the other way round', () => {
    const under = call([grey, coat, ['coat', 'soot wash', 'wash']], 'depth')!
    expect(under.now).toBe('soot wash over the coat')
    expect(under.recipe.steps.map((step) => step.technique)).toEqual(['spray', 'base coat', 'layer'])
    expect(under.insteadSeconds).toBeGreaterThan(under.nowSeconds)
    const over = call([grey, ['coat', 'deep moss', 'base coat'], ['coat', 'moss green', 'layer']], 'depth')!
    expect(over.recipe.steps.map((step) => step.technique)).toEqual(['spray', 'base coat', 'wash'])
  })

  it('leaves an extra off the sculpt, with its layers', () => {
    const build: StepRow = ['all', 'super glue', 'assemble']
    const isPouches = (each: { kind: string; instead: string }) =>
      each.kind === 'extra' && each.instead.includes('pouches')
    const unbuilt = footRecipe([build, grey, coat, ...others])
    const extra = callsOf(unbuilt).find(isPouches)!
    expect(callsOf(footRecipe([grey, coat, ...others])).find(isPouches)).toBeUndefined()
    expect(extra.recipe.regions.map((region) => region.name)).not.toContain('pouches')
    expect(extra.recipe.steps.map((step) => step.on)).toContainEqual(['leather', 'straps'])
    expect(extra.insteadSeconds).toBeLessThan(extra.nowSeconds)
  })

  it('gives a special colour to those that are looked at, then evenly', () => {
    const special = call([grey, coat, ...others, ['pouches', 'rust red', 'base coat']], 'special')!
    const [given] = special.units
    const has = given!.models.filter((model) => model.variants.includes('rust red pouches'))
    expect(has).toHaveLength(4)
    expect(special.recipe.steps.at(-1)!.roles).toEqual(['rust red pouches'])
    const led = { ...pikes, models: pikes.models.with(5, { ...pikes.models[5]!, role: 'leader' }) }
    const [first] = judgementCalls({
      recipe: footRecipe([grey, coat, ...others, ['pouches', 'rust red', 'base coat']]),
      units: [led],
      figures,
      newId: ids(),
    }).filter((each) => each.kind === 'special')
    expect(first!.units[0]!.models[5]!.variants).toEqual(['rust red pouches'])
  })

  it('metal edges in place of a highlight on plate', () => {
    const armoured = bodyPlans.find((plan) => plan.id === 'armoured-foot')!
    const school = recipeSchools.find((each) => each.id === 'layers-over-colour')!
    const edged = recipeFromSchool(school, armoured, 'Guard', ids())
    const steps = edged.steps.map((step) =>
      step.technique === 'edge' && step.on !== 'whole' && step.on.includes('armour')
        ? { ...step, technique: 'layer' as const }
        : step,
    )
    const calls = callsOf({ ...edged, steps })
    const metal = calls.find((each) => each.kind === 'highlight')!
    expect(metal.instead).toBe('edges of bright steel, which is open anyway')
    expect(metal.insteadSeconds).not.toBe(metal.nowSeconds)
  })

  it.each(recipeSchools.map((school) => [school.id, school] as const))(
    'no answer offered on %s raises anything new, but for a coat less',
    (_, school) => {
      for (const plan of bodyPlans) {
        const recipe = recipeFromSchool(school, plan, plan.name, ids())
        const weightOf = (some: Recipe) =>
          weigh(findFaults({ ...some, unitIds: [pikes.id] }, testShelf, { models: pikes.models }))
        for (const each of callsOf(recipe)) {
          expect(Number.isFinite(each.insteadSeconds)).toBe(true)
          expect(each.stepIds.every((id) => recipe.steps.some((step) => step.id === id))).toBe(true)
          if (each.kind !== 'coats' && each.kind !== 'special')
            expect(isLess(weightOf(recipe), weightOf(each.recipe)), `${plan.id}: ${each.instead}`).toBe(false)
        }
      }
    },
  )
})
