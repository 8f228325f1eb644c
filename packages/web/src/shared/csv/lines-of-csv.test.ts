import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tableOf } from './csv-reader.ts'
import { linesOfCsv, writeCsv } from './lines-of-csv.ts'

const numbers = (text: string) => linesOfCsv(text).map(({ line, cells }) => [line, cells[0]])

describe('linesOfCsv (RFC 4180)', () => {
  it('counts as an editor does: blank lines, and line breaks within quotes', () => {
    expect(numbers('\n\nname,count\n\nPike,3\r\n"Reed\nwarden",1\nEel,2\n')).toEqual([
      [3, 'name'],
      [5, 'Pike'],
      [6, 'Reed\nwarden'],
      [8, 'Eel'],
    ])
    expect(numbers('\uFEFFname;count\nPike;3')).toEqual([
      [1, 'name'],
      [2, 'Pike'],
    ])
    expect(numbers('a\tb\n \t \nc\td')).toEqual([
      [1, 'a'],
      [3, 'c'],
    ])
  })

  it('writes nothing that a spreadsheet computes, and reads back what was written', () => {
    const [, row] = writeCsv(['name'], [['=1+1'], ['@sum'], ['-pike'], ["'quoted"], ['plain']]).split(/\r\n/)
    expect(row).toBe("'=1+1")
    const cell = fc.oneof(
      fc.string(),
      fc.constantFrom('=x', '+1', '-2', '@a', "'", "''=", '\t=', 'a\nb', '"'),
    )
    fc.assert(
      fc.property(fc.array(fc.tuple(cell, cell), { maxLength: 8 }), (rows) => {
        const filled = rows.filter((cells) => cells.some((each) => each.trim() !== ''))
        const [, ...back] = linesOfCsv(writeCsv(['one', 'two'], filled))
        const plain = (text: string) => text.replaceAll(/\r\n|\r/g, '\n')
        expect(back.map(({ cells }) => cells.map(plain))).toEqual(filled.map((cells) => cells.map(plain)))
        for (const line of writeCsv(['one', 'two'], filled)
          .split(/[\r\n]+/)
          .slice(1))
          expect(line).not.toMatch(/^[=+@]/)
      }),
    )
  })
})

describe('tableOf', () => {
  it('takes the first line for a heading or a row as is said, and counts as an editor does either way', () => {
    const text = '\nname , count\nPike,3'
    const reader = { columns: ['name', 'count'], usualOrder: ['name', 'count'] }
    const lines = (hasHeading: boolean | null) => {
      const { heading, lines: rows } = tableOf(text, reader, hasHeading)
      return [heading, ...rows.map(({ line, cells }) => [line, ...cells])]
    }
    expect(lines(null)).toEqual([
      ['name', 'count'],
      [3, 'Pike', '3'],
    ])
    expect(lines(false)).toEqual([[], [2, 'name ', ' count'], [3, 'Pike', '3']])
    expect(tableOf('Pike,3', reader, true)).toEqual({ heading: ['Pike', '3'], lines: [] })
  })
})
