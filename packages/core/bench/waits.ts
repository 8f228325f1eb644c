import { recipeSchools } from '../src/recipe/schools.ts'
import { avoidableWaits } from '../src/testing/avoidable-waits.ts'
import { schoolJob, segmentsOf, solved } from '../src/testing/school-jobs.ts'
import { table } from './measure.ts'

const bodies = ['foot', 'armoured-foot', 'rider-and-mount']
const sizes = [1, 3, 6]
/** As the plan page plans. */
const effort = 2_000_000

/** Waits at the desk of nine schools × three kinds of model × one, three and six batches: by the row, and in any sound order. */
export function benchWaits(): void {
  const head = [
    'school',
    'waits by the row',
    'in any sound order',
    'avoidable',
    'days sooner',
    'later',
    's a plan',
  ]
  const rows = recipeSchools.map((school) => {
    let [row, free, avoidable, sooner, later, seconds] = [0, 0, 0, 0, 0, 0]
    for (const body of bodies) {
      for (const size of sizes) {
        const given = schoolJob(school.id, body, size)
        const byRow = solved(given, effort, null)
        const began = performance.now()
        const freely = solved(given, effort)
        seconds += (performance.now() - began) / 1000
        row += byRow.plan.exposedSeconds
        free += freely.plan.exposedSeconds
        avoidable += avoidableWaits(freely.instance, segmentsOf(freely)).avoidable
        const saved = (byRow.plan.finishesAt - freely.plan.finishesAt) / 86_400_000
        sooner += saved
        if (saved < 0) later += 1
      }
    }
    const jobs = bodies.length * sizes.length
    return [
      school.id,
      minutes(row),
      minutes(free),
      minutes(avoidable),
      sooner.toFixed(1),
      later,
      (seconds / jobs).toFixed(2),
    ]
  })
  process.stdout.write(`${table(head, rows)}\n`)
}

const minutes = (seconds: number) => `${String(Math.round(seconds / 60))} min`
