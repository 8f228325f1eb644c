import Papa from 'papaparse'

/** A line of a CSV file with its cells, by the number an editor shows for where it begins. */
export interface CsvLine {
  readonly line: number
  readonly cells: readonly string[]
}

/**
 * The lines of a CSV file (RFC 4180; comma, semicolon or tab) that are not blank. Blank lines and line breaks within
 * quotes are counted, so that a fault is named where a person finds it. Cells written by `writeCsv` come back as they
 * were.
 */
export function linesOfCsv(text: string): readonly CsvLine[] {
  const whole = text.replace(/^\uFEFF/, '')
  const { delimiter } = Papa.parse(whole.trim(), {
    preview: 20,
    delimitersToGuess: [',', ';', '\t'],
  }).meta
  const lines: CsvLine[] = []
  let line = 1
  let from = 0
  Papa.parse<string[]>(whole, {
    delimiter,
    step: ({ data, meta }) => {
      if (data.some((cell) => cell.trim() !== '')) lines.push({ line, cells: data.map(fromSafe) })
      line += whole.slice(from, meta.cursor).match(/\r\n|\n|\r/g)?.length ?? 0
      from = meta.cursor
    },
  })
  return lines
}

/** What a spreadsheet would take for a formula, or for our own sign against that. */
const telling = /^['=+\-@\t\r]/

/**
 * A table as CSV, a heading first. A cell that a spreadsheet would compute (a name that begins with `=`) goes out with
 * an apostrophe before it, which spreadsheets take as a sign that text follows.
 */
export function writeCsv(columns: readonly string[], rows: readonly (readonly string[])[]): string {
  return Papa.unparse({ fields: [...columns], data: rows.map((cells) => cells.map(toSafe)) })
}

function toSafe(cell: string): string {
  return telling.test(cell) ? `'${cell}` : cell
}

function fromSafe(cell: string): string {
  return cell.startsWith("'") && telling.test(cell.slice(1)) ? cell.slice(1) : cell
}
