import { describe, expect, it } from 'vitest'
import { bodyPlans } from './body-plans.ts'
import { footRecipe } from '../testing/recipes.ts'
import { adaptRecipe } from './adapt-recipe.ts'

const planOf = (id: string) => bodyPlans.find((plan) => plan.id === id)!
const ids = () => {
  let next = 0
  return () => `id ${String(next++)}`
}
const recipe = footRecipe([
  ['all', 'grey primer, spray', 'spray'],
  ['coat', 'moss green', 'base coat', { note: 'Thin.' }],
  ['wood', 'saddle brown', 'base coat'],
  ['leather+metal', 'soot black', 'base coat'],
  ['all', 'soot wash', 'wash', { except: ['skin', 'base'] }],
])

describe('adaptRecipe', () => {
  it('carries layers by name and then by finish, with their notes', () => {
    const { recipe: made, lost } = adaptRecipe(recipe, planOf('cloaked-foot'), 'Cloaks', ids())
    expect(lost).toEqual([])
    expect(made.name).toBe('Cloaks')
    expect(made.steps.map((step) => step.on)).toEqual([
      'whole',
      ['coat', 'cloak'],
      ['wood'],
      ['leather', 'metal'],
      'whole',
    ])
    expect(made.steps[1]!.note).toBe('Thin.')
    expect(made.steps[4]!.except).toEqual(['skin', 'base'])
    expect(new Set(made.steps.map((step) => step.id)).size).toBe(5)
  })

  it('names what could not be carried, on either side', () => {
    const { recipe: made, lost } = adaptRecipe(recipe, planOf('vehicle'), 'Sledge', ids())
    expect(lost).toContain('No wood on this model: what goes there is left out.')
    expect(lost).toContain('No coat on this model: what goes there is left out.')
    expect(lost).toContain('No layer for the hull: the recipe knows nothing like it.')
    expect(made.steps.map((step) => step.on)).toEqual([
      'whole',
      ['stowage', 'tracks', 'fittings', 'studs'],
      'whole',
    ])
    expect(made.regions.map((region) => region.name)).toContain('hull')
  })
})
