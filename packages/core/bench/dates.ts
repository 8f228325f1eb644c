import type { Project } from '../src/trade/project.ts'
import { recipeSchools } from '../src/recipe/schools.ts'
import { drawFutures } from '../src/forecasting/futures.ts'
import { forecastFinish } from '../src/forecasting/forecast-finish.ts'
import type { Span } from '../src/schedule/instance.ts'
import { searchPlan } from '../src/schedule/search.ts'
import { noon } from '../src/testing/builders.ts'
import { datesHeld, knownPlan, worlds, type KnownPlan } from '../src/testing/lived-plans.ts'
import { schoolJob } from '../src/testing/school-jobs.ts'
import { minutes as minutesOf } from '../src/units/seconds.ts'
import { table } from './measure.ts'

const bodies = ['foot', 'armoured-foot', 'rider-and-mount']
const sizes = [1, 3, 6]
const evenings: Project['evenings'] = {
  weekdays: [2, 4, 7],
  startsAt: '19:30',
  lengthSeconds: minutesOf(150),
  also: [],
  timeZone: 'UTC',
}
const replanned = 200

/** Plans against the middle of their futures, futures by the rule against planning anew, and dates against lived ones. */
export function benchDates(): void {
  const jobs = recipeSchools.flatMap(({ id }) =>
    bodies.flatMap((body) => sizes.map((size) => ({ id, body, size }))),
  )
  const rows = new Map<string, { apart: number; within: number; jobs: number; latest: number }>()
  for (const { id, body, size } of jobs) {
    const given = schoolJob(id, body, size, { evenings })
    const known = knownPlan(given, [], 500_000)
    const { p50 } = forecastFinish({ ...known, futures: 400 })
    const sessions = known.solved.instance.painters[0]?.sessions ?? []
    const inSession = (moment: number | null) =>
      sessions.filter(({ start }) => start < ((moment ?? Number.POSITIVE_INFINITY) - noon) / 1000).length
    const apart = inSession(p50) - inSession(known.solved.plan.finishesAt)
    const row = rows.get(id) ?? { apart: 0, within: 0, jobs: 0, latest: 0 }
    rows.set(id, {
      apart: row.apart + apart,
      within: row.within + (Math.abs(apart) <= 1 ? 1 : 0),
      jobs: row.jobs + 1,
      latest: Math.max(row.latest, Math.abs(apart)),
    })
  }
  const plans = [...rows].map(([id, { apart, within, jobs: all, latest }]) => [
    id,
    `${String(within)} of ${String(all)}`,
    (apart / all).toFixed(2),
    latest,
  ])
  process.stdout.write(
    `${table(['school', 'within one session', 'median later by, sessions, on average', 'most'], plans)}\n\n`,
  )

  const ruled = recipeSchools.map(({ id }) => {
    const given = schoolJob(id, 'foot', 3, { evenings })
    const known = knownPlan(given, [], 500_000)
    const [byRule, anew] = medians(known)
    return [id, byRule.toFixed(2), anew.toFixed(2), (byRule - anew).toFixed(2)]
  })
  const ruledHead = ['school, 15 foot', 'median by the rule, sessions', 'planned anew knowing all', 'error']
  process.stdout.write(`${table(ruledHead, ruled)}\n\n`)

  const held = recipeSchools.slice(0, 4).flatMap(({ id }) => {
    const given = schoolJob(id, 'foot', 3, { evenings })
    return Object.entries(worlds).map(([name, world]) => [
      `${id}, painters ${name}`,
      percent(datesHeld(given, world, { painters: 1000, times: 1, laps: 0, seed: 7000 })),
      percent(datesHeld(given, world, { painters: 40, times: 20, laps: 40, seed: 9000 })),
    ])
  })
  process.stdout.write(`${table(['the 80 % date held', 'without laps', 'after 40 laps'], held)}\n`)
}

/** Median finish in sessions over the same futures: by the rule, and planned anew with all of it known beforehand. */
function medians(known: KnownPlan): readonly [number, number] {
  const futures = drawFutures(known.solved, known.estimate, 5)
  const sessions = known.solved.instance.painters[0]?.sessions ?? []
  const byRule: number[] = []
  const anew: number[] = []
  for (let future = 0; future < replanned; future++) {
    byRule.push(inSessions(futures.next().finish, sessions))
    const { cost } = searchPlan(futures.drawn(), { seed: 1, evaluations: 300 }, ['date'])
    anew.push(inSessions(cost.finish, sessions))
  }
  return [median(byRule), median(anew)]
}

/** Sessions gone by a moment, with the part of the one going on. */
function inSessions(moment: number, sessions: readonly Span[]): number {
  const begun = sessions.filter(({ start }) => start < moment)
  const last = begun.at(-1)
  return last ? begun.length - 1 + Math.min(1, (moment - last.start) / evenings.lengthSeconds) : 0
}

function median(some: readonly number[]): number {
  return some.toSorted((a, b) => a - b)[Math.floor(some.length / 2)] ?? 0
}

const percent = (share: number) => `${String(Math.round(share * 100))} %`
