import type { Unit } from '@seriatim/core/trade'
import { writeCsv } from '../../shared/csv/index.ts'

/** The roster as CSV, a line a model; `rosterReader` reads the same units and models back. */
export function rosterCsv(units: readonly Unit[]): string {
  return writeCsv(
    ['unit', 'name', 'count', 'role', 'points', 'variants', 'size', 'detail'],
    units.flatMap(({ name: unit, size, detail, models }) =>
      models.map(({ name, role, points, variants }) => [
        unit,
        name,
        '1',
        role,
        String(points),
        variants.join(' + '),
        size,
        detail,
      ]),
    ),
  )
}
