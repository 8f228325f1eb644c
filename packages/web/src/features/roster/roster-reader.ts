import type { RosterLine } from '../../shared/new-models/index.ts'
import { details, sizes } from '@seriatim/core/trade'
import type { CsvCell, CsvReader } from '../../shared/csv/index.ts'
import { splitNames } from '../../shared/split-names.ts'

const columns = ['unit', 'name', 'count', 'role', 'points', 'variants', 'size', 'detail'] as const
type Column = (typeof columns)[number]
const usualOrder: readonly Column[] = ['name', 'count', 'role', 'points', 'variants', 'size', 'detail']

const mostModels = 1000
const longestText = 120
const longestWord = 60
const mostVariants = 20
const mostPoints = 100_000

/** A roster's rows; only the name is needed. `defaultUnit` takes those that name no unit. */
export function rosterReader(defaultUnit: string): CsvReader<RosterLine, Column> {
  return {
    columns,
    needed: ['name'],
    usualOrder,
    most: mostModels,
    begin: () => {
      let models = 0
      return (cell, complain) => {
        const line = readLine(cell, complain, defaultUnit)
        const count = line && line.count <= mostModels ? line.count : 0
        if (models + count > mostModels) {
          complain(
            'count',
            `With these it is more than ${String(mostModels)} models; bring them by themselves.`,
          )
          return null
        }
        models += count
        return line
      }
    },
  }
}

function readLine(
  cell: CsvCell<Column>,
  complain: (column: Column, message: string) => void,
  defaultUnit: string,
): RosterLine | null {
  const name = cell('name')
  if (name === '') complain('name', 'The name is missing.')
  if (name.length > longestText) complain('name', 'The name is longer than 120 characters.')
  if (cell('unit').length > longestText)
    complain('unit', 'The name of the unit is longer than 120 characters.')
  if (cell('role').length > longestWord) complain('role', 'The role is longer than 60 characters.')
  const variants = splitNames(cell('variants'), '+')
  if (variants.length > mostVariants || variants.some((variant) => variant.length > longestWord))
    complain('variants', `Up to ${String(mostVariants)} variants of up to 60 characters each.`)
  const count = cell('count') === '' ? 1 : Number(cell('count'))
  if (!Number.isInteger(count) || count < 1 || count > mostModels) {
    complain('count', `“${cell('count')}” is not a number of models from 1 to ${String(mostModels)}.`)
  }
  const points = cell('points') === '' ? 0 : Number(cell('points').replace(',', '.'))
  if (!Number.isFinite(points) || points < 0 || points > mostPoints) {
    complain('points', `“${cell('points')}” is not a number of points up to 100,000.`)
  }
  const size = cell('size') === '' ? null : sizes.find((each) => each === cell('size').toLowerCase())
  if (size === undefined) {
    complain('size', `“${cell('size')}” is not a size: ${sizes.join(', ')}.`)
  }
  const detail = cell('detail') === '' ? null : details.find((each) => each === cell('detail').toLowerCase())
  if (detail === undefined) {
    complain('detail', `“${cell('detail')}” is none of ${details.join(', ')}.`)
  }
  if (size === undefined || detail === undefined) return null
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
