import { benchBounds } from './bounds.ts'
import { benchDates } from './dates.ts'
import { benchDesk } from './desk.ts'
import { benchEstimating } from './estimating.ts'
import { benchOrdering } from './ordering.ts'
import { benchPlanner } from './planner.ts'
import { benchProvedCases } from './proved-cases.ts'
import { benchStart } from './start.ts'
import { benchWaits } from './waits.ts'

const benches = {
  planner: benchPlanner,
  desk: benchDesk,
  ordering: benchOrdering,
  estimating: benchEstimating,
  'proved-cases': benchProvedCases,
  bounds: benchBounds,
  waits: benchWaits,
  dates: benchDates,
  start: benchStart,
}

const wanted = process.argv.slice(2)
for (const [name, bench] of Object.entries(benches)) {
  if (wanted.length > 0 && !wanted.includes(name)) continue
  process.stdout.write(`\n## ${name}\n\n`)
  await bench()
}
