import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { bodyPlans } from '../recipe/body-plans.ts'
import { sizes } from '../trade/size.ts'
import { modelsOf, readSaidUnits } from './said-units.ts'

const said = (text: string) =>
  readSaidUnits(text).units.map(({ name, each, marks, bodyPlan, size, standard }) =>
    [
      name,
      marks.length > 0 ? `${String(each)} each: ${marks.join(' ')}` : String(each),
      bodyPlan,
      size,
      standard,
    ]
      .filter((part) => part !== null)
      .join(' | '),
  )

describe('units as they are said', () => {
  it('with squads, kinds and sizes', () => {
    expect(said('30 foot in 3 squads red blue green, 5 riders, 1 big beast')).toEqual([
      'Foot | 10 each: red blue green | foot | foot',
      'Riders | 5 | rider-and-mount | mounted',
      'Big beast | 1 | large-creature | very large',
    ])
  })

  it.each([
    [
      '30 foot in three squads red, blue, green and 5 riders',
      ['Foot | 10 each: red blue green | foot | foot', 'Riders | 5 | rider-and-mount | mounted'],
    ],
    ['3 squads of 10 reed pikes', ['Reed pikes | 10 each: 1 2 3 | foot | foot']],
    [
      '2 × 12 archers; a gun with its crew',
      ['Archers | 12 each: 1 2 | foot | foot', 'Gun with its crew | 1 | gun-and-crew | large'],
    ],
    [
      'Fen wardens: 12 cloaked foot to tabletop plus',
      ['Fen wardens | 12 | cloaked-foot | foot | tabletop plus'],
    ],
    ['a huge dragon to display', ['Huge dragon | 1 | large-creature | huge | display']],
    [
      'twenty armoured foot\ntwo wagons',
      ['Armoured foot | 20 | armoured-foot | large foot', 'Wagons | 2 | vehicle | large'],
    ],
    [
      '5 riders, 5 riders',
      ['Riders | 5 | rider-and-mount | mounted', 'Riders 2 | 5 | rider-and-mount | mounted'],
    ],
    ['Watch: 20 foot in 2 squads (red blue)', ['Watch | 10 each: red blue | foot | foot']],
  ])('%s', (text, units) => {
    expect(readSaidUnits(text).questions).toEqual([])
    expect(said(text)).toEqual(units)
  })

  it.each([
    ['some foot', '“some foot”: how many of which? Such as 10 foot, or 1 big beast.'],
    ['10', '“10”: how many of which? Such as 10 foot, or 1 big beast.'],
    ['31 foot in 3 squads', '“31 foot in 3 squads”: 31 models do not go into 3 squads evenly.'],
    ['30 foot in 3 squads red blue', '“30 foot in 3 squads red blue”: 3 squads, and 2 names for them.'],
    ['5000 foot', '“5000 foot”: from 1 to 999 models.'],
    ['900 foot, 900 riders', '“900 riders”: more than 999 models in all.'],
  ])('“%s” is asked about', (text, question) => {
    expect(readSaidUnits(text).questions).toEqual([question])
  })

  it('whatever is typed comes to sound units or a question', () => {
    const words = fc.constantFrom(
      '10',
      '3',
      'a',
      'foot',
      'riders',
      'big',
      'in',
      'squads',
      'of',
      'red',
      'to',
      'display',
      ',',
      ':',
      'and',
      '×',
      '\n',
      '0',
      '(',
    )
    fc.assert(
      fc.property(fc.array(words, { maxLength: 14 }), (said) => {
        for (const unit of readSaidUnits(said.join(' ')).units) {
          expect(modelsOf(unit)).toBeGreaterThan(0)
          expect(modelsOf(unit)).toBeLessThanOrEqual(999)
          expect(unit.name.trim()).not.toBe('')
          expect(sizes).toContain(unit.size)
          expect(bodyPlans.map(({ id }) => id)).toContain(unit.bodyPlan)
        }
      }),
    )
  })
})
