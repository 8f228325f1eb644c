import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { materialNamed, testShelf } from '../testing/recipes.ts'
import { dropsPerMl, millilitresFor, mixCard } from './mix-card.ts'

const bone = materialNamed('dark bone')
const moss = materialNamed('moss green')
const medium = materialNamed('translucent medium')
const stocked = (ml: number) => new Map([...testShelf].map(([id, each]) => [id, { ...each, stockMl: ml }]))

describe('mixCard', () => {
  it('counts 20 drops a millilitre (pharmacy convention)', () => {
    expect(dropsPerMl).toBe(20)
    const { lines, totalMl } = mixCard([{ materialId: bone, parts: 1 }], 1, stocked(5))
    expect(lines.map((line) => line.drops)).toEqual([20])
    expect(totalMl).toBe(1)
  })

  it('gives 3:1 as fifteen drops to five', () => {
    const mix = [
      { materialId: medium, parts: 3 },
      { materialId: moss, parts: 1 },
    ]
    expect(mixCard(mix, 1, stocked(5)).lines.map((line) => line.drops)).toEqual([15, 5])
  })

  it('holds any ratio within 5 %, and gives at least what was asked for', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 20 }), { minLength: 1, maxLength: 3 }),
        fc.integer({ min: 1, max: 400 }),
        (parts, tenths) => {
          const ids = [bone, moss, medium]
          const mix = parts.map((each, index) => ({ materialId: ids[index] ?? bone, parts: each }))
          const { lines, totalMl } = mixCard(mix, tenths / 10, stocked(0))
          expect(totalMl).toBeGreaterThanOrEqual(tenths / 10 - 1e-9)
          for (const line of lines) {
            expect(line.off).toBeLessThanOrEqual(0.05 + 1e-9)
            expect(line.drops).toBeGreaterThan(0)
          }
        },
      ),
      { seed: 3 },
    )
  })

  it('says what is short and how many pots to buy', () => {
    const [line] = mixCard([{ materialId: bone, parts: 1 }], 40, stocked(5)).lines
    expect(line).toMatchObject({ enough: false, buyPots: 3 })
    expect(mixCard([{ materialId: bone, parts: 1 }], 4, stocked(5)).lines[0]).toMatchObject({
      enough: true,
      buyPots: 0,
    })
  })

  it('names what is not on the shelf', () => {
    expect(mixCard([{ materialId: bone, parts: 1 }], 1, new Map())).toEqual({
      lines: [],
      totalMl: 0,
      missing: [bone],
    })
  })
})

describe('millilitresFor', () => {
  it('grows with models, coats and area, and is nothing for what is counted', () => {
    const material = testShelf.get(bone)
    const tuft = testShelf.get(materialNamed('reed tuft'))
    if (!material || !tuft) throw new Error('no shelf')
    const one = millilitresFor(material, 0.3, 1, 1)
    expect(millilitresFor(material, 0.6, 12, 2)).toBeCloseTo(one * 48)
    expect(millilitresFor(tuft, 1, 12, 1)).toBe(0)
  })
})
