import { slipText, type HoleState } from '@seriatim/core/progress'
import type { ModelStanding } from '@seriatim/core/sheet'
import type { Stage } from '@seriatim/core/trade'
import { writeCsv } from '../../shared/csv/index.ts'

/** Where every model stands, as CSV: a line a model, a column a stage in the order of the line. */
export function progressCsv(standings: readonly ModelStanding[], line: readonly Stage[]): string {
  const stages = line.map(({ name }, place) => `${String(place + 1)}. ${name}`)
  return writeCsv(
    ['unit', 'model', 'role', 'points', 'table-ready', 'inspected', ...stages],
    standings.map(({ unit, model, holes, isTableReady, inspection }) => [
      unit.name,
      model.name,
      model.role,
      String(model.points),
      isTableReady ? 'yes' : 'no',
      inspection?.verdict ?? '',
      ...holes.map(holeText),
    ]),
  )
}

function holeText(hole: HoleState): string {
  switch (hole.kind) {
    case 'to-do':
      return 'to do'
    case 'in-hand':
      return 'in hand'
    case 'not-needed':
      return ''
    case 'touch-up':
      return ['touch-up', slipText(hole)].filter(Boolean).join(': ')
    case 'drying':
    case 'done':
      return hole.kind
  }
}
