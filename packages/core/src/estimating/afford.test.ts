import { figuresOf } from '../testing/figures-of.ts'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { project, stage, unit } from '../testing/builders.ts'
import { footRecipe } from '../testing/recipes.ts'
import { standards, type Standard } from '../trade/recipe.ts'
import type { RecipeId, StepId, UnitId } from '../units/ids.ts'
import { minutes } from '../units/seconds.ts'
import { extrasFor } from './extras.ts'
import { affordStandards, standardCosts, standardWorth, type StandardCosts } from './afford.ts'

const range = (likely: number) => ({ low: likely, likely, high: likely })
const costs = (name: string, [three, tabletop, plus, display]: readonly number[]): StandardCosts => ({
  unitId: name as UnitId,
  offers: standards,
  left: {
    'three-colour': range(three! * 60),
    tabletop: range(tabletop! * 60),
    'tabletop plus': range(plus! * 60),
    display: range(display! * 60),
  },
})
const box = (hours: number, safety = 1) =>
  ({ availableSeconds: hours * 3600, goal: 'models', safety }) as const

describe('affordStandards', () => {
  const units = [unit('pikes', 10), unit('riders', 3)]
  const both = [costs('pikes', [60, 120, 200, 400]), costs('riders', [40, 90, 150, 300])]
  const chosen = (hours: number, safety?: number) =>
    Object.fromEntries(
      affordStandards(units, both, box(hours, safety)).map((each) => [each.unitId, each.standard]),
    )

  it('gives the time to what is worth most, and leaves the rest for another time', () => {
    expect(chosen(0.5)).toEqual({ pikes: null, riders: null })
    expect(chosen(1)).toEqual({ pikes: 'three-colour', riders: null })
    expect(chosen(2)).toEqual({ pikes: 'tabletop', riders: null })
    expect(chosen(3.5)).toEqual({ pikes: 'tabletop', riders: 'tabletop' })
    expect(chosen(20)).toEqual({ pikes: 'display', riders: 'display' })
  })

  it('reckons with more than likely on the safe side', () => {
    expect(chosen(3.5, 1.3)).not.toEqual(chosen(3.5))
  })

  it('puts first what gives most an hour', () => {
    expect(affordStandards(units, both, box(3.5)).map((each) => each.unitId)).toEqual(['pikes', 'riders'])
    const done = [both[0]!, costs('riders', [0, 0, 0, 0])]
    expect(affordStandards(units, done, box(2))[0]).toMatchObject({ unitId: 'riders', standard: 'display' })
  })

  it('is as good as trying every combination', () => {
    const times = fc.array(fc.integer({ min: 0, max: 90 }), { minLength: 4, maxLength: 4 })
    fc.assert(
      fc.property(
        fc.array(times, { minLength: 1, maxLength: 4 }),
        fc.integer({ min: 0, max: 240 }),
        (rows, most) => {
          const some = rows.map((_, index) => unit(`u${String(index)}`, 1 + index))
          const given = rows.map((row, index) =>
            costs(
              `u${String(index)}`,
              row.toSorted((a, b) => a - b),
            ),
          )
          const worthOf = (picks: readonly (Standard | null)[]) =>
            picks.reduce((sum, pick, i) => sum + (pick ? standardWorth[pick] * some[i]!.models.length : 0), 0)
          const timeOf = (picks: readonly (Standard | null)[]) =>
            picks.reduce((sum, pick, i) => sum + (pick ? given[i]!.left[pick].likely / 60 : 0), 0)
          let best = 0
          const tryAll = (picks: readonly (Standard | null)[]): void => {
            if (picks.length < some.length) for (const each of [null, ...standards]) tryAll([...picks, each])
            else if (timeOf(picks) <= most) best = Math.max(best, worthOf(picks))
          }
          tryAll([])
          const found = affordStandards(some, given, box(most / 60))
          const picks = some.map(({ id }) => found.find((each) => each.unitId === id)!.standard)
          expect(timeOf(picks)).toBeLessThanOrEqual(most)
          expect(worthOf(picks)).toBeCloseTo(best, 9)
        },
      ),
      { seed: 3, numRuns: 60 },
    )
  })
})

describe('standardCosts', () => {
  const recipe = footRecipe(
    [
      ['coat', 'moss green', 'base coat', { standard: 'three-colour' }],
      ['coat', 'soot wash', 'wash'],
      ['coat', 'light moss', 'edge', { standard: 'tabletop plus' }],
    ],
    { unitIds: ['pikes' as UnitId] },
  )
  const ref = (step: string) => ({ recipeId: 'recipe' as RecipeId, stepId: step as StepId })
  const pikes = { ...unit('pikes', 4), standard: 'tabletop' as const }
  const others = unit('others', 2)
  const line = [
    stage('moss', { steps: [ref('step 0')], notNeededBy: [others.id] }),
    stage('wash', { steps: [ref('step 1')], notNeededBy: [others.id] }),
    stage('prime', { tableReady: true, handsOnSecondsPerModel: minutes(2) }),
    stage('glint', { handsOnSecondsPerModel: minutes(5) }),
  ]
  const given = project([pikes, others], line, { recipes: [recipe] })
  const [ofPikes, ofOthers] = standardCosts(figuresOf(given))

  it('rises with the standard, by what each needs and how well', () => {
    const times = standards.map((standard) => ofPikes!.left[standard].likely)
    expect(times.toSorted((a, b) => a - b)).toEqual(times)
    expect(new Set(times).size).toBeGreaterThanOrEqual(3)
  })

  it('has the steps of a higher standard in it that are not on the line yet', () => {
    expect(ofPikes!.left['tabletop plus'].likely).toBeGreaterThan(ofPikes!.left.tabletop.likely + 4 * 60)
  })

  it('names the standards that a recipe or a stop line tells apart', () => {
    expect(ofPikes!.offers).toEqual(['three-colour', 'tabletop', 'tabletop plus'])
    expect(ofOthers!.offers).toEqual(['tabletop', 'tabletop plus'])
  })

  it('leaves stages behind the stop line to more than tabletop where there is no recipe', () => {
    expect(ofOthers!.left.tabletop.likely).toBeCloseTo(2 * 120, 6)
    expect(ofOthers!.left.display.likely).toBeCloseTo(2 * 420, 6)
  })

  it('names the stages that may be added, the quickest first, as far as the time goes', () => {
    const input = figuresOf(given)
    const standardOf = new Map<UnitId, Standard>([
      [pikes.id, 'tabletop'],
      [others.id, 'tabletop'],
    ])
    const none = extrasFor(input, standardOf, 0)
    // The highlights of the pikes by their recipe, and for both the glint behind the stop line.
    expect(none.map((each) => each.unitId)).toEqual(['pikes', 'pikes', 'others'])
    expect(none.some((each) => each.fits)).toBe(false)
    expect(none.at(-1)).toMatchObject({ name: 'glint', seconds: 600 })
    expect(extrasFor(input, standardOf, 7200).every((each) => each.fits)).toBe(true)
    const [first] = none
    expect(extrasFor(input, standardOf, first!.seconds + 1).map((each) => each.fits)).toEqual([
      true,
      false,
      false,
    ])
    expect(extrasFor(input, new Map([[others.id, 'display']]), 3600)).toEqual([])
  })
})
