import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { unit } from '../testing/builders.ts'
import { footRecipe } from '../testing/recipes.ts'
import { spreadStep, spreadVariants } from './spread-variants.ts'

const names = ['hair 1', 'hair 2', 'hair 3', 'hair 4']

describe('spreadVariants', () => {
  it('gives every model one, in turn', () => {
    const spread = spreadVariants(unit('pikes', 6), names)
    expect(spread.models.flatMap((model) => model.variants)).toEqual([...names, 'hair 1', 'hair 2'])
  })

  it('keeps what models have, and fills up evenly beside it', () => {
    fc.assert(
      fc.property(fc.array(fc.nat({ max: 4 }), { maxLength: 40 }), (given) => {
        const base = unit('pikes', given.length)
        const before = {
          ...base,
          models: base.models.map((model, index) => ({
            ...model,
            variants: ['cloak', ...names.slice(given[index], (given[index] ?? 0) + 1)],
          })),
        }
        const after = spreadVariants(before, names)
        after.models.forEach((model, index) => {
          expect(model.variants.slice(0, before.models[index]!.variants.length)).toEqual(
            before.models[index]!.variants,
          )
          expect(model.variants.filter((variant) => names.includes(variant))).toHaveLength(1)
        })
        expect(spreadVariants(after, names)).toEqual(after)
        if (given.every((place) => place === 4)) {
          const counts = names.map(
            (name) => after.models.filter((model) => model.variants.includes(name)).length,
          )
          expect(Math.max(...counts) - Math.min(...counts)).toBeLessThanOrEqual(1)
        }
      }),
    )
  })

  it('has nothing to give without variants', () => {
    expect(spreadVariants(unit('pikes', 2), [])).toEqual(unit('pikes', 2))
  })
})

describe('spreadStep', () => {
  const { steps } = footRecipe([
    ['all', 'grey primer, spray', 'spray'],
    ['hair', 'rust red', 'base coat', { coats: 2 }],
    ['coat', 'moss green', 'base coat'],
  ])

  it('writes the step once a variant, in its place, the first under its own id', () => {
    const spread = spreadStep(steps, steps[1]!.id, names.slice(0, 3), () => 'new')
    expect(spread.map((step) => [step.id, step.roles])).toEqual([
      ['step 0', []],
      ['step 1', ['hair 1']],
      ['new', ['hair 2']],
      ['new', ['hair 3']],
      ['step 2', []],
    ])
    expect(spread[3]).toMatchObject({ on: ['hair'], coats: 2, mix: steps[1]!.mix })
  })
})
