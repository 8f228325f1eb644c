import { distinctSplits, trySplit } from '../src/planning/compare-batch-sizes.ts'
import { planLine } from '../src/planning/plan-line.ts'
import { foldProgress } from '../src/progress/fold-progress.ts'
import type { ProgressEvent } from '../src/progress/event.ts'
import type { Stage } from '../src/line/stage.ts'
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

  const rows: [string, number][] = [
    [
      'built rows only (no search)',
      medianMilliseconds(5, () => planLine({ project: given, now, effort: 0 })),
    ],
    ['plan, as the plan page', medianMilliseconds(5, () => planLine({ project: given, now }))],
    ['plan, any number in hand', medianMilliseconds(5, () => planLine({ project: unbounded, now }))],
    [
      're-plan half-way, as the bench after a punch',
      medianMilliseconds(5, () => planLine({ project: given, progress, now, effort: 400_000 })),
    ],
    ['fold 1,200 punches into progress', medianMilliseconds(20, () => foldProgress(half))],
    [
      `what-if over ${splits.length} ways to split`,
      medianMilliseconds(1, () =>
        splits.map((split) => trySplit({ project: given, now, effort: 600_000 }, split)),
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

  const planned = planLine({ project: given, now })
  const quick = planLine({ project: given, now, effort: 0 })
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
