import { drawDesk, layDesk, type DeskInput } from '../src/forecasting/plan-desk.ts'
import { bodyPlans } from '../src/recipe/body-plans.ts'
import { recipeSchools } from '../src/recipe/schools.ts'
import { figuresOf } from '../src/testing/figures-of.ts'
import { asJob, schoolJob } from '../src/testing/school-jobs.ts'
import { deskOf, plainPlanning } from '../src/trade/project.ts'
import type { PainterId } from '../src/units/ids.ts'
import { medianMilliseconds, table, yardstick } from './measure.ts'

/** Forty jobs of ten models, by nine schools, between eight painters: the plan, and what a rush job costs the others. */
export function benchDesk(): void {
  const body = bodyPlans[0]?.id ?? ''
  const kinds = recipeSchools.map((school) => schoolJob(school.id, body, 2))
  const [you] = plainPlanning.painters
  if (!you) throw new Error('nobody paints')
  const painters = Array.from({ length: 8 }, (_, index) => ({
    ...you,
    id: `p${String(index)}` as PainterId,
    pace: 0.8 + 0.06 * index,
  }))
  const jobs = Array.from({ length: 40 }, (_, index) => {
    const kind = kinds[index % kinds.length]
    if (!kind) throw new Error('no school')
    return figuresOf(asJob(kind, `job ${String(index)}`))
  })
  const [first, ...others] = jobs
  if (!first) throw new Error('no job')
  const desk = { ...deskOf(first.project), painters, batchesInHand: null }
  const all: DeskInput = { desk, jobs: [first, ...others] }
  const laid = (input: DeskInput) => {
    const result = layDesk(input)
    if (!result.ok) throw new Error(result.error.kind)
    return result.value
  }
  const unit = yardstick()
  const before = laid(all)
  const known = new Map(before.laid.jobs.map((job) => [job.projectId, job.aloneAt]))
  const rushed = {
    ...all,
    rush: jobs[30]?.project.id ?? null,
    before: before.laid.plan,
    aloneAt: known,
    effort: 400_000,
  }
  const after = laid(rushed)
  const rows: [string, number][] = [
    ['all at one desk, laid', medianMilliseconds(3, () => laid(all))],
    ['how it may go, drawn', medianMilliseconds(3, () => drawDesk(before, {}))],
    ['what if one is a rush job, laid', medianMilliseconds(5, () => laid(rushed))],
    ['how that may go, drawn', medianMilliseconds(3, () => drawDesk(after, {}))],
  ]
  process.stdout.write(
    table(
      ['40 jobs × 10 models, 8 painters', 'ms', '÷ yardstick'],
      rows.map(([name, time]) => [name, time.toFixed(0), (time / unit).toFixed(0)]),
    ),
  )
}
