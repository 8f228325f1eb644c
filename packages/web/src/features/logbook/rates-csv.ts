import type { BroughtRate } from '@seriatim/contract'
import type { RateRow } from '@seriatim/core/estimating'
import { sizes, techniques } from '@seriatim/core/trade'
import { decimalOf, writeCsv, type CsvReader } from '../../shared/csv/index.ts'

const columns = ['technique', 'size', 'pace', 'laps'] as const

/** What the laps say, as CSV (RFC 4180): times the preset, and laps. `ratesReader` reads it back unchanged. */
export function ratesCsv(rows: readonly RateRow[]): string {
  const data = rows.map((row) => [row.technique, row.size, String(row.measured), String(row.laps)])
  return writeCsv(columns, data)
}

/** Rates, a technique and size each; numbers with a point or a comma. */
export const ratesReader: CsvReader<BroughtRate, (typeof columns)[number]> = {
  columns,
  needed: columns,
  usualOrder: null,
  most: 1000,
  begin: () => {
    const seen = new Set<string>()
    return (cell, complain) => {
      const technique = techniques.find((each) => each === cell('technique').toLowerCase())
      const size = sizes.find((each) => each === cell('size').toLowerCase())
      const factor = decimalOf(cell('pace'))
      const laps = decimalOf(cell('laps'))
      if (!technique)
        complain('technique', `“${cell('technique')}” is not a technique: ${techniques.join(', ')}.`)
      if (!size) complain('size', `“${cell('size')}” is not a size: ${sizes.join(', ')}.`)
      if (factor === null || factor < 0.02 || factor > 50)
        complain('pace', `“${cell('pace')}” is not a pace from 0.02 to 50 times the preset.`)
      if (laps === null || laps <= 0 || laps > 100_000)
        complain('laps', `“${cell('laps')}” is not a number of laps above 0.`)
      const key = `${cell('technique')} ${cell('size')}`.toLowerCase()
      if (seen.has(key)) complain('technique', `${key} is there twice.`)
      seen.add(key)
      return technique && size && factor !== null && laps !== null ? { technique, size, factor, laps } : null
    }
  },
}
