import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { parseMix, printMix } from './parse-mix.ts'

const part = (amount: number, name: string | null = null) => ({ amount, name })

describe('parseMix', () => {
  it.each([
    ['moss green', [part(1, 'moss green')]],
    ['3:1 medium to moss', [part(3, 'medium'), part(1, 'moss')]],
    ['3:1 medium, moss green', [part(3, 'medium'), part(1, 'moss green')]],
    ['2 parts medium to 1 moss', [part(2, 'medium'), part(1, 'moss')]],
    ['2 parts of medium and 1 part of moss', [part(2, 'medium'), part(1, 'moss')]],
    ['3 bone + 1 soot black', [part(3, 'bone'), part(1, 'soot black')]],
    ['2:1:1 bone, moss, medium', [part(2, 'bone'), part(1, 'moss'), part(1, 'medium')]],
    ['0,5 ink to 4 medium', [part(0.5, 'ink'), part(4, 'medium')]],
    ['60 % bone and 40 % moss', [part(60, 'bone'), part(40, 'moss')]],
    ['equal parts bone and moss', [part(1, 'bone'), part(1, 'moss')]],
    ['bone and moss in equal parts', [part(1, 'bone'), part(1, 'moss')]],
    ['moss and improver 1:1', [part(1, 'moss'), part(1, 'improver')]],
    ['medium, moss 3:1', [part(3, 'medium'), part(1, 'moss')]],
    ['two blobs bone to one moss', [part(2, 'bone'), part(1, 'moss')]],
    ['3 drops ink to 10 drops medium', [part(3, 'ink'), part(10, 'medium')]],
    ['3 drops ink to 10 medium', [part(3, 'ink'), part(10, 'medium')]],
    ['10 medium to 3 wash', [part(10, 'medium'), part(3, 'wash')]],
    ['2:1 moss to water', [part(2, 'moss'), part(1, 'water')]],
    ['half ink and two medium', [part(0.5, 'ink'), part(2, 'medium')]],
  ])('reads “%s”', (text, parts) => {
    expect(parseMix(text)).toEqual({ parts, questions: [] })
  })

  it.each([
    ['', ['nothing']],
    ['50/50', ['which paint', 'which paint']],
    ['2 drops to 9', ['which paint', 'which paint']],
    ['two blobs to one', ['which paint', 'which paint']],
    ['equal parts', ['nothing']],
    ['3:1 medium', ['which paint']],
    ['2:1 water', ['which paint']],
    ['70:30 bone to moss + 1 drop ink', ['in how much']],
    ['bone and moss', ['no amount', 'no amount']],
    ['0:1 bone to moss', ['no amount']],
  ])('asks about “%s”', (text, kinds) => {
    expect(parseMix(text).questions.map((question) => question.kind)).toEqual(kinds)
  })

  it('never throws, whatever is typed', () => {
    fc.assert(
      fc.property(fc.oneof(fc.string(), fc.stringMatching(/^[0-9:/+, .a-z%to]*$/)), (text) => {
        const { parts, questions } = parseMix(text)
        expect(parts.length + questions.length).toBeGreaterThan(0)
        for (const each of parts) expect(Number.isFinite(each.amount)).toBe(true)
      }),
      { numRuns: 2000, seed: 11 },
    )
  })

  it('reads back what it prints', () => {
    const name = fc.constantFrom('bone', 'moss green', 'translucent medium', 'red ink', 'white glue')
    const amount = fc.integer({ min: 1, max: 4000 }).map((quarters) => quarters / 4)
    fc.assert(
      fc.property(fc.array(fc.record({ amount, name }), { minLength: 1, maxLength: 5 }), (parts) => {
        expect(parseMix(printMix(parts))).toEqual({ parts, questions: [] })
      }),
      { seed: 12 },
    )
  })
})
