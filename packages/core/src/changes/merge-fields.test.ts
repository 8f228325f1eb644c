import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { mergeFields } from './merge-fields.ts'

describe('mergeFields', () => {
  const before = { stock: 0, dry: 900, name: 'moss' }
  it('keeps what somebody else changed, and what I did', () => {
    expect(mergeFields(before, { ...before, stock: 12 }, { ...before, dry: 1200 })).toEqual({
      merged: { stock: 12, dry: 1200, name: 'moss' },
      clashes: [],
    })
  })
  it('says where two changed the same otherwise, and lets the same through', () => {
    expect(mergeFields(before, { ...before, stock: 12 }, { ...before, stock: 20 })).toEqual({
      merged: { ...before, stock: 20 },
      clashes: [{ field: 'stock', theirs: 12, mine: 20 }],
    })
    expect(mergeFields(before, { ...before, stock: 12 }, { ...before, stock: 12 }).clashes).toEqual([])
  })
  it('loses no word of theirs but where it says so', () => {
    const thing = fc.record({ a: fc.nat(3), b: fc.nat(3), c: fc.nat(3) })
    fc.assert(
      fc.property(thing, thing, thing, (first, theirs, mine) => {
        const { merged, clashes } = mergeFields(first, theirs, mine)
        const said = new Set(clashes.map(({ field }) => field))
        for (const field of ['a', 'b', 'c'] as const) {
          if (theirs[field] !== first[field] && !said.has(field)) expect(merged[field]).toBe(theirs[field])
          if (mine[field] !== first[field]) expect(merged[field]).toBe(mine[field])
        }
      }),
    )
  })
})
