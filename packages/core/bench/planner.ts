import { toPlan } from '../src/plan/to-plan.ts'
import { distinctSplits, trySplit } from '../src/plan/compare-batch-sizes.ts'
import { planLine, solveLine } from '../src/plan/plan-line.ts'
import { estimateLine, timesOf } from '../src/estimating/estimate-line.ts'
import { forecastFinish } from '../src/forecasting/forecast-finish.ts'
import { plainPlanning } from '../src/trade/project.ts'
import { foldProgress } from '../src/progress/fold-progress.ts'
import type { ProgressEvent } from '../src/progress/event.ts'
import type { Stage } from '../src/trade/stage.ts'
import { drying, eventId, noon, project, stage, unit } from '../src/testing/builders.ts'
import { minutes } from '../src/units/seconds.ts'
import { addSeconds } from '../src/units/instant.ts'
import { medianMilliseconds, table, yardstick } from './measure.ts'

const regions = ['skin', 'coat', 'leather', 'metal', 'wood', 'base']
const waits = [5, 22, 0, 25, 45]

/** 25 stages as a line has them: primers, regions, washes, bases, varnish; waits from none to an hour. */
function longLine(): Stage[] {
  return Array.from({ length: 25 }, (_, index) =>
    stage(`stage ${index}`, {
      touch: index % 8 === 0 ? { kind: 'whole' } : { kind: 'regions', regions: [around(regions, index)] },
      handsOnSecondsPerModel: minutes(0.5 + (index % 5) * 0.5),
      setUpSeconds: minutes(1 + (index % 3)),
      ...drying(around(waits, index)),
    }),
  )
}

function around<T>(list: readonly T[], index: number): T {
  return list[index % list.length] as T
}

/** 100 models × 25 stages: one plan, the batch-size what-if, and a plan after a tick. */
export function benchPlanner(): void {
  const units = [unit('a', 40), unit('b', 30), unit('c', 20), unit('d', 10)]
  const given = project(units, longLine(), { batchSize: 10, batchesInHand: 3 })
  const now = addSeconds(noon, 1800)
  const unbounded = { ...given, batchesInHand: null }
  const unit1 = yardstick()
  const half: ProgressEvent[] = given.line.slice(0, 12).map((each, index) => ({
    kind: 'punched',
    id: eventId(index),
    at: noon,
    stageId: each.id,
    modelIds: units.flatMap((every) => every.models.map((model) => model.id)),
  }))
  const progress = foldProgress(half)
  const splits = distinctSplits(given)
  const first = planLine({ ...toPlan(given), now })
  if (!first.ok) throw new Error('the benchmark line cannot be planned')
  const before = first.value

  const rows: [string, number][] = [
    [
      'built rows only (no search)',
      medianMilliseconds(5, () => planLine({ ...toPlan(given), now, effort: 0 })),
    ],
    ['plan, as the plan page', medianMilliseconds(5, () => planLine({ ...toPlan(given), now }))],
    ['plan, any number in hand', medianMilliseconds(5, () => planLine({ ...toPlan(unbounded), now }))],
    [
      're-plan half-way, as the bench after a punch',
      medianMilliseconds(5, () => planLine({ ...toPlan(given), progress, now, effort: 400_000, before })),
    ],
    ['fold 1,200 punches into progress', medianMilliseconds(20, () => foldProgress(half))],
    [
      `what-if over ${splits.length} ways to split`,
      medianMilliseconds(1, () =>
        splits.map((split) => trySplit({ ...toPlan(given), now, effort: 300_000 }, split)),
      ),
    ],
  ]
  process.stdout.write(
    `100 models × 25 stages, one painter, evenings of 2½ h. Yardstick: ${unit1.toFixed(1)} ms.\n\n`,
  )
  process.stdout.write(
    `${table(
      ['what', 'ms', '÷ yardstick'],
      rows.map(([name, time]) => [name, time.toFixed(1), (time / unit1).toFixed(1)]),
    )}\n`,
  )

  benchStudio(given, now, unit1)

  const planned = planLine({ ...toPlan(given), now })
  const quick = planLine({ ...toPlan(given), now, effort: 0 })
  if (!planned.ok || !quick.ok) throw new Error('the benchmark line cannot be planned')
  const hours = (moment: number) => ((moment - now) / 3_600_000).toFixed(1)
  process.stdout.write('\nQuality of the same plan (hours from now; pots):\n\n')
  process.stdout.write(
    `${table(
      ['', 'finish', 'pots'],
      [
        ['lower bound', hours(planned.value.earliestFinishAt), ''],
        ['plan', hours(planned.value.finishesAt), planned.value.potOpenings],
        ['built rows only', hours(quick.value.finishesAt), quick.value.potOpenings],
        ['habit: batch by batch', hours(planned.value.habits.batchByBatch), ''],
        ['habit: stage by stage over everything, all in hand', hours(planned.value.habits.stageByStage), ''],
      ],
    )}\n`,
  )
}

/** How the models of a larger studio are shared over its units. */
const shares = [0.4, 0.3, 0.2, 0.1]

/** The same work by a studio of eight, and how it may turn out. */
function benchStudio(
  given: ReturnType<typeof project>,
  now: ReturnType<typeof addSeconds>,
  unit1: number,
): void {
  const [you] = plainPlanning.painters
  if (!you) throw new Error('nobody paints')
  const painters = Array.from({ length: 8 }, (_, index) => ({
    ...you,
    id: `p${index}` as typeof you.id,
    name: `Painter ${index + 1}`,
    pace: 0.8 + 0.06 * index,
  }))
  const studio = { ...given, batchesInHand: 8, planning: { ...plainPlanning, painters } }
  const estimate = estimateLine({ project: given, shelf: new Map(), now })
  const solved = solveLine({ ...toPlan(given), now, times: timesOf(estimate), spare: true })
  if (!solved.ok) throw new Error(solved.error.kind)
  const planned = planLine({ ...toPlan(studio), now })
  if (!planned.ok) throw new Error(planned.error.kind)
  const before = planned.value
  const futures = () => forecastFinish({ solved: solved.value, estimate, futures: 1000 })
  const began = performance.now()
  let longest = 0
  let last = began
  forecastFinish({
    solved: solved.value,

    estimate,
    futures: 1000,
    stop: () => {
      longest = Math.max(longest, performance.now() - last)
      last = performance.now()
      return false
    },
  })
  const rows: [string, number][] = [
    ['eight painters, full search', medianMilliseconds(3, () => planLine({ ...toPlan(studio), now }))],
    [
      'eight painters, re-plan after a tick',
      medianMilliseconds(5, () => planLine({ ...toPlan(studio), now, effort: 150_000, before })),
    ],
    ['1,000 futures, one painter', medianMilliseconds(3, futures)],
    ['between two looks whether to stop, at most', longest],
    ...[200, 400].map((models): [string, number] => {
      const larger = { ...studio, units: shares.map((share, at) => unit('abcd'.charAt(at), share * models)) }
      const splits = distinctSplits(larger)
      const all = () => splits.map((split) => trySplit({ ...toPlan(larger), now, effort: 300_000 }, split))
      return [`eight painters, ${models} models: ${splits.length} batch sizes`, medianMilliseconds(1, all)]
    }),
  ]
  process.stdout.write('\nA studio, and futures:\n\n')
  process.stdout.write(
    `${table(
      ['what', 'ms', '÷ yardstick'],
      rows.map(([name, time]) => [name, time.toFixed(1), (time / unit1).toFixed(1)]),
    )}\n`,
  )
}
