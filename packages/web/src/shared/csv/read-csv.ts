import { linesOfCsv } from './lines-of-csv.ts'

/** A fault at its place: the line as an editor counts it. */
export interface CsvFault {
  readonly line: number
  readonly column: string
  readonly message: string
}

/** A line of a file with a heading: cells by column, without outer spaces; empty where there is none. */
export interface CsvRow {
  readonly line: number
  readonly cell: (column: string) => string
}

/**
 * Reads a table whose first line names its columns (RFC 4180; comma, semicolon or tab). Columns that are not
 * among these, and missing ones that are `needed`, are faults.
 */
export function readCsv(
  text: string,
  columns: readonly string[],
  needed: readonly string[],
): { readonly rows: readonly CsvRow[]; readonly faults: readonly CsvFault[] } {
  const [first, ...lines] = linesOfCsv(text)
  const heading = first?.cells.map((cell) => cell.trim().toLowerCase()) ?? []
  const at = first?.line ?? 1
  const missing = needed.filter((column) => !heading.includes(column))
  if (missing.length > 0) {
    return {
      rows: [],
      faults: [{ line: at, column: '', message: `Begin with a heading: ${columns.join(', ')}.` }],
    }
  }
  const faults: CsvFault[] = heading
    .filter((name) => name !== '' && !columns.includes(name))
    .map((name) => ({ line: at, column: '', message: `“${name}” is not one of ${columns.join(', ')}.` }))
  const rows: CsvRow[] = []
  lines.forEach(({ line, cells }) => {
    if (cells.length > heading.length) {
      faults.push({
        line,
        column: '',
        message: 'There are more cells than columns; a decimal comma needs semicolons or quotes.',
      })
      return
    }
    rows.push({ line, cell: (column) => (cells[heading.indexOf(column)] ?? '').trim() })
  })
  return { rows, faults }
}

/** A number with a point or a comma, or null. */
export function decimalOf(text: string): number | null {
  return /^[-+−]?\d+([.,]\d+)?$/.test(text) ? Number(text.replace(',', '.').replace('−', '-')) : null
}
