import { details, sizes, type Detail, type Size } from '@seriatim/core'
import { linesOfCsv } from '../../shared/csv/index.ts'
import { splitNames } from '../../shared/split-names.ts'

/** One line of a roster: `count` models alike. */
export interface RosterLine {
  readonly unit: string
  readonly name: string
  readonly count: number
  readonly role: string
  /** In their cell with `+` between them. */
  readonly variants: readonly string[]
  readonly points: number
  /** Of its unit; the first line that names one decides. */
  readonly size: Size | null
  readonly detail: Detail | null
}

/** A fault at its place: the line as counted in the file, and the column. */
interface RosterFault {
  readonly line: number
  readonly column: string
  readonly message: string
}

export interface ParsedRoster {
  readonly lines: readonly RosterLine[]
  readonly faults: readonly RosterFault[]
}

const columns = ['unit', 'name', 'count', 'role', 'points', 'variants', 'size', 'detail'] as const
type Column = (typeof columns)[number]
const usualOrder: readonly Column[] = ['name', 'count', 'role', 'points', 'variants', 'size', 'detail']

const mostModels = 1000
const longestText = 120
const longestWord = 60
const mostVariants = 20
const mostPoints = 100_000

/**
 * Reads a roster from CSV (RFC 4180; comma, semicolon or tab). A first line that names the columns name,
 * count, role, points, variants, size, detail and, if units are mixed, unit is taken as a heading; without one
 * the columns are name, count, role, points, variants, size, detail. Only the name is needed.
 */
export function parseRoster(text: string, defaultUnit: string): ParsedRoster {
  const rows = linesOfCsv(text)
  const heading = rows[0]?.cells.map((cell) => cell.trim().toLowerCase()) ?? []
  const hasHeading = heading.includes('name')
  const faults: RosterFault[] = []
  heading.forEach((name) => {
    if (hasHeading && name !== '' && !columns.includes(name as Column)) {
      faults.push({
        line: rows[0]?.line ?? 1,
        column: name,
        message: `“${name}” is not a column of a roster; these are: ${columns.join(', ')}.`,
      })
    }
  })
  const order = hasHeading ? heading : usualOrder
  const lines: RosterLine[] = []
  rows.slice(hasHeading ? 1 : 0).forEach(({ line: number, cells }) => {
    const read = readLine(cells, order, defaultUnit)
    if (Array.isArray(read)) faults.push(...read.map((fault) => ({ ...fault, line: number })))
    else lines.push(read)
  })
  if (rows.length > 0 && lines.length === 0 && faults.length === 0) {
    faults.push({ line: 1, column: 'name', message: 'There is no model in this text.' })
  }
  const total = lines.reduce((sum, line) => sum + line.count, 0)
  if (total > mostModels) {
    faults.push({
      line: 0,
      column: 'count',
      message: `${String(total)} models are more than the ${String(mostModels)} of one import.`,
    })
  }
  return { lines, faults }
}

function readLine(
  cells: readonly string[],
  order: readonly string[],
  defaultUnit: string,
): RosterLine | Omit<RosterFault, 'line'>[] {
  const cell = (column: Column) => (cells[order.indexOf(column)] ?? '').trim()
  const faults: Omit<RosterFault, 'line'>[] = []
  const name = cell('name')
  if (name === '') faults.push({ column: 'name', message: 'The name is missing.' })
  if (name.length > longestText)
    faults.push({ column: 'name', message: 'The name is longer than 120 characters.' })
  if (cell('unit').length > longestText)
    faults.push({ column: 'unit', message: 'The name of the unit is longer than 120 characters.' })
  if (cell('role').length > longestWord)
    faults.push({ column: 'role', message: 'The role is longer than 60 characters.' })
  const variants = splitNames(cell('variants'), '+')
  if (variants.length > mostVariants || variants.some((variant) => variant.length > longestWord))
    faults.push({
      column: 'variants',
      message: `Up to ${String(mostVariants)} variants of up to 60 characters each.`,
    })
  const count = cell('count') === '' ? 1 : Number(cell('count'))
  if (!Number.isInteger(count) || count < 1 || count > mostModels) {
    faults.push({
      column: 'count',
      message: `“${cell('count')}” is not a number of models from 1 to ${String(mostModels)}.`,
    })
  }
  const points = cell('points') === '' ? 0 : Number(cell('points').replace(',', '.'))
  if (!Number.isFinite(points) || points < 0 || points > mostPoints) {
    faults.push({ column: 'points', message: `“${cell('points')}” is not a number of points up to 100,000.` })
  }
  const size = cell('size') === '' ? null : sizes.find((each) => each === cell('size').toLowerCase())
  if (size === undefined) {
    faults.push({ column: 'size', message: `“${cell('size')}” is not a size: ${sizes.join(', ')}.` })
  }
  const detail = cell('detail') === '' ? null : details.find((each) => each === cell('detail').toLowerCase())
  if (detail === undefined) {
    faults.push({ column: 'detail', message: `“${cell('detail')}” is none of ${details.join(', ')}.` })
  }
  if (cells.length > order.length)
    faults.push({ column: 'points', message: 'There are more cells than columns.' })
  if (faults.length > 0 || size === undefined || detail === undefined) return faults
  return {
    unit: cell('unit') || defaultUnit,
    name,
    count,
    role: cell('role') || 'trooper',
    variants,
    points,
    size,
    detail,
  }
}
