import { linesOfCsv, type CsvLine } from './lines-of-csv.ts'

/** A fault at its place: the line as an editor counts it; line 0 is the file as a whole. */
export interface CsvFault {
  readonly line: number
  readonly column: string
  readonly message: string
}

/** What a cell of a row holds, without outer spaces; empty where there is none. */
export type CsvCell<Column extends string> = (column: Column) => string

/** How rows of a kind are read. */
export interface CsvReader<T, Column extends string = string> {
  readonly columns: readonly Column[]
  /** Without these nothing can be read. */
  readonly needed: readonly Column[]
  /** What the columns are where the first line does not name them; `null` where it has to. */
  readonly usualOrder: readonly Column[] | null
  /** Rows of one file at most. */
  readonly most: number
  /** Begins with a file: what a row says is read beside the rows before it. `null` where it was complained of. */
  readonly begin: () => (
    cell: CsvCell<Column>,
    complain: (column: Column, message: string) => void,
  ) => T | null
}

/** A file as it came: what its first line calls the columns, and the lines after it. */
export interface CsvTable {
  /** Empty where the first line names no column. */
  readonly heading: readonly string[]
  readonly lines: readonly CsvLine[]
}

/** By column of the file which of ours it is; `null` for what is left out. */
export type Mapping = readonly (string | null)[]

export interface ReadRow<T> extends CsvLine {
  /** `null` where there are faults. */
  readonly value: T | null
  readonly faults: readonly CsvFault[]
}

export interface ReadTable<T> {
  readonly rows: readonly ReadRow<T>[]
  /** Of the file as a whole: nothing of it can be taken. */
  readonly faults: readonly CsvFault[]
}

/** What other programs call columns of ours. */
const otherNames: Readonly<Record<string, string>> = {
  amount: 'count',
  number: 'count',
  quantity: 'count',
  qty: 'count',
  model: 'name',
  models: 'count',
  squad: 'unit',
  cost: 'points',
  value: 'points',
  color: 'colour',
  type: 'kind',
  stock: 'stock ml',
  date: 'time',
  temp: 'temperature',
  rh: 'humidity',
  factor: 'pace',
  at: 'time',
  where: 'unit',
  stage: 'stages',
  duration: 'minutes',
}

const plain = (name: string) => name.toLowerCase().replaceAll(/[^a-z0-9]/g, '')

/** Which of our columns a name stands for. */
function columnNamed(name: string, columns: readonly string[]): string | null {
  const wanted = plain(name)
  if (wanted === '') return null
  const own = columns.find((column) => plain(column) === wanted)
  const other = otherNames[wanted]
  return own ?? (other !== undefined && columns.includes(other) ? other : null)
}

/**
 * Splits a text (RFC 4180; comma, semicolon or tab) into its heading and its lines. The first line is a heading where that is
 * said, where it has to be, or where one of its names is known.
 */
export function tableOf(
  text: string,
  { columns, usualOrder }: Pick<CsvReader<unknown>, 'columns' | 'usualOrder'>,
  hasHeading: boolean | null = null,
): CsvTable {
  const lines = linesOfCsv(text)
  const first = lines[0]?.cells.map((cell) => cell.trim()) ?? []
  const isHeading =
    hasHeading ?? (usualOrder === null || first.some((name) => columnNamed(name, columns) !== null))
  return isHeading ? { heading: first, lines: lines.slice(1) } : { heading: [], lines }
}

/** Which column is which, as far as their names tell; each of ours once. */
export function usualMapping(
  { heading, lines }: CsvTable,
  { columns, usualOrder }: Pick<CsvReader<unknown>, 'columns' | 'usualOrder'>,
): Mapping {
  if (heading.length === 0) {
    const width = Math.max(0, ...lines.map(({ cells }) => cells.length))
    return Array.from({ length: width }, (_, at) => usualOrder?.[at] ?? null)
  }
  const taken = new Set<string>()
  return heading.map((name) => {
    const column = columnNamed(name, columns)
    if (column === null || taken.has(column)) return null
    taken.add(column)
    return column
  })
}

/**
 * Reads the rows, each by itself: a faulty one keeps no other from being taken.
 * @param without lines that were taken already: what they say is known to the others.
 */
export function readTable<T, Column extends string>(
  { lines }: Pick<CsvTable, 'lines'>,
  mapping: Mapping,
  reader: CsvReader<T, Column>,
): ReadTable<T> {
  const missing = reader.needed.filter((column) => !mapping.includes(column))
  const whole = (message: string): ReadTable<T> => ({ rows: [], faults: [{ line: 0, column: '', message }] })
  if (lines.length === 0) return whole('There is nothing in this text but a heading.')
  if (missing.length > 0)
    return whole(`No column is “${missing.join('”, “')}”: say which one it is, or begin with a heading.`)
  if (lines.length > reader.most)
    return whole(`Up to ${String(reader.most)} rows at a time; these are ${String(lines.length)}.`)
  const placeOf = new Map(mapping.map((column, at) => [column, at]))
  const read = reader.begin()
  const rows = lines.map(({ line, cells }): ReadRow<T> => {
    const faults: CsvFault[] = []
    const complain = (column: string, message: string) => faults.push({ line, column, message })
    if (cells.length > mapping.length)
      complain('', 'There are more cells than columns; a decimal comma needs semicolons or quotes.')
    const value = read((column) => (cells[placeOf.get(column) ?? -1] ?? '').trim(), complain)
    return { line, cells, value: faults.length > 0 ? null : value, faults }
  })
  return { rows, faults: [] }
}

/** A text read as its heading says: what can be taken, and every fault. */
export function readCsv<T, Column extends string>(
  text: string,
  reader: CsvReader<T, Column>,
): { readonly values: readonly T[]; readonly faults: readonly CsvFault[] } {
  const table = tableOf(text, reader)
  const { rows, faults } = readTable(table, usualMapping(table, reader), reader)
  return {
    values: rows.flatMap(({ value }) => (value === null ? [] : [value])),
    faults: [...faults, ...rows.flatMap((row) => row.faults)],
  }
}

/** A number with a point or a comma, or null. */
export function decimalOf(text: string): number | null {
  return /^[-+−]?\d+([.,]\d+)?$/.test(text) ? Number(text.replace(',', '.').replace('−', '-')) : null
}
