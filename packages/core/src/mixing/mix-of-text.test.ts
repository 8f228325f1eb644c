import { describe, expect, it } from 'vitest'
import { materialNamed, testShelf } from '../testing/recipes.ts'
import { mixOfText, textOfMix } from './mix-of-text.ts'

const medium = materialNamed('translucent medium')
const moss = materialNamed('moss green')

describe('mixOfText', () => {
  it('finds a material by its name, a name with a comma too, or by how it begins', () => {
    expect(mixOfText('Moss Green', testShelf)).toEqual({ ok: true, value: [{ materialId: moss, parts: 1 }] })
    expect(mixOfText('black primer, spray', testShelf).ok).toBe(true)
    expect(mixOfText('walnut', testShelf)).toMatchObject({ ok: true })
    expect(mixOfText('', testShelf)).toEqual({ ok: true, value: [] })
  })

  it('reads a mix and writes it so that it reads back', () => {
    const mix = [
      { materialId: medium, parts: 3 },
      { materialId: moss, parts: 1 },
    ]
    expect(mixOfText('3:1 translucent medium to moss green', testShelf)).toEqual({ ok: true, value: mix })
    expect(mixOfText(textOfMix(mix, testShelf), testShelf)).toEqual({ ok: true, value: mix })
    expect(textOfMix([{ materialId: moss, parts: 1 }], testShelf)).toBe('moss green')
    expect(textOfMix([], testShelf)).toBe('')
  })

  it('asks where something is open, and names what is not on the shelf', () => {
    expect(mixOfText('50/50', testShelf)).toEqual({ ok: false, error: 'Which paint is the 50?' })
    expect(mixOfText('heron blue', testShelf)).toEqual({
      ok: false,
      error: '“heron blue” is not on the shelf.',
    })
    expect(mixOfText('moss', testShelf)).toEqual({
      ok: false,
      error: '“moss” is not on the shelf. Is it moss green primer, spray, or moss green, or light moss?',
    })
  })
})
