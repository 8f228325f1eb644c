import { describe, expect, it } from 'vitest'
import { footRecipe, testShelf } from '../testing/recipes.ts'
import { minutes } from '../units/seconds.ts'
import { modeTimes } from './modes.ts'

const airbrush = { technique: 'airbrush' as const, setUpSeconds: minutes(12) }
const recipe = footRecipe([
  ['all', 'grey primer, spray', 'spray'],
  ['coat', 'moss green', 'base coat', { otherModes: [airbrush] }],
])
const coat = recipe.steps[1]!
const timesFor = (models: number, batches = 1) => modeTimes(recipe, coat, testShelf, { models, batches })

describe('modeTimes', () => {
  it('weighs set-ups against hands-on work, the quickest first', () => {
    // A brush takes 30 s to pick up and 139 s a coat; the airbrush 720 s and 30 s.
    expect(timesFor(3)).toEqual([
      { technique: 'base coat', seconds: 30 + 3 * 139 },
      { technique: 'airbrush', seconds: 720 + 3 * 30 },
    ])
    expect(timesFor(8).map((mode) => mode.technique)).toEqual(['airbrush', 'base coat'])
  })

  it('pays the set-up in every batch', () => {
    expect(timesFor(10, 1)[0]?.technique).toBe('airbrush')
    expect(timesFor(10, 5)[0]?.technique).toBe('base coat')
  })
})
