import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { unitsOf } from './new-models.ts'
import { parseRoster } from './parse-roster.ts'

const where = (text: string) =>
  parseRoster(text, 'New').faults.map((fault) => `${fault.line} ${fault.column}`)

describe('parseRoster', () => {
  it('reads names, counts, roles and points, with or without a heading', () => {
    const lines = [
      {
        unit: 'New',
        name: 'Warden',
        count: 1,
        role: 'leader',
        variants: [],
        points: 12,
        size: null,
        detail: null,
      },
      {
        unit: 'New',
        name: 'Pike',
        count: 11,
        role: 'trooper',
        variants: [],
        points: 6.5,
        size: null,
        detail: null,
      },
    ]
    expect(parseRoster('name,count,role,points\nWarden,1,leader,12\nPike,11,,6.5', 'New')).toEqual({
      lines,
      faults: [],
    })
    expect(parseRoster('Warden,1,leader,12\nPike,11,trooper,6.5', 'New').lines).toEqual(lines)
    expect(parseRoster('points;name;count;role\n12;Warden;1;leader\n6,5;Pike;11;', 'New').lines).toEqual(
      lines,
    )
  })

  it('reads size and detail, and says which there are where it is another', () => {
    const { lines, faults } = parseRoster('name,size,detail\nRider,Mounted,ornate\nHeron,giant,usual', 'New')
    expect(lines.map(({ size, detail }) => [size, detail])).toEqual([['mounted', 'ornate']])
    expect(faults).toEqual([
      {
        line: 3,
        column: 'size',
        message: '“giant” is not a size: small, foot, large foot, mounted, large, very large, huge.',
      },
    ])
    expect(unitsOf(lines)[0]).toMatchObject({ size: 'mounted', detail: 'ornate', perHolder: 1 })
  })

  it('reads variants with a plus between them', () => {
    const [line] = parseRoster('Warden,1,leader,12,cloak + beard+ cloak', 'New').lines
    expect(line?.variants).toEqual(['cloak', 'beard'])
  })

  it('reads quoted cells, CRLF and blank lines (RFC 4180)', () => {
    const { lines, faults } = parseRoster(
      'name,count\r\n"Quill, Provost",1\r\n\r\n"He said ""no""",2\r\n',
      'New',
    )
    expect(faults).toEqual([])
    expect(lines.map((line) => line.name)).toEqual(['Quill, Provost', 'He said "no"'])
  })

  it('names every fault at its line and column', () => {
    expect(where('name,count,points\n,1,1\nPike,none,1\n\nPike,0,x\nPike,1.5,-3')).toEqual([
      '2 name',
      '3 count',
      '5 count',
      '5 points',
      '6 count',
      '6 points',
    ])
    expect(where('name,colour\nPike,red')).toEqual(['1 colour'])
    expect(where('name,count\nPike,1,2,3')).toEqual(['2 points'])
    expect(where('name,count')).toEqual(['1 name'])
    expect(where('Pike,999\nEel,999')).toEqual(['0 count'])
  })

  it('never throws, whatever is pasted', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme' }), (text) => {
        const { lines, faults } = parseRoster(text, 'New')
        for (const line of lines) expect(line.count).toBeGreaterThan(0)
        expect(Array.isArray(faults)).toBe(true)
      }),
    )
  })
})

describe('unitsOf', () => {
  it('sorts lines into units and numbers models alike', () => {
    const { lines } = parseRoster('unit,name,count\nPikes,Warden,1\nEels,Eel,2\nPikes,Pike,3', 'New')
    expect(unitsOf(lines).map((unit) => [unit.name, unit.models.map((model) => model.name)])).toEqual([
      ['Pikes', ['Warden', 'Pike 1', 'Pike 2', 'Pike 3']],
      ['Eels', ['Eel 1', 'Eel 2']],
    ])
    const ids = unitsOf(lines).flatMap((unit) => unit.models.map((model) => model.id))
    expect(new Set(ids).size).toBe(ids.length)
  })
})
