import { readFileSync } from 'node:fs'
import { batchByBatch, stageByStage } from '../src/schedule/habits.ts'
import { createScheduleBuilder } from '../src/schedule/schedule-builder.ts'
import { earliestFinish, lowerBound } from '../src/schedule/bounds.ts'
import type { PlanInstance } from '../src/schedule/instance.ts'
import { buildSchedule, type TaskSequence } from '../src/schedule/task-sequence.ts'
import {
  freeCaseNames,
  mixedCases,
  provedCaseNames,
  readFreeCase,
  readProvedCase,
} from '../src/testing/proved-cases.ts'
import { readJobShop } from '../src/cases/read-shop.ts'
import { searchCase } from '../src/cases/solve-case.ts'
import { taillard20x5, taillardFlowShop } from '../src/testing/shops.ts'
import { table } from './measure.ts'

const seeds = [1, 2, 3, 4, 5]
const limitMilliseconds = 1000

/** Published job shops; optima: Fisher & Thompson (1963) 55 and 930, Lawrence (1984) 666. */
const jobShops = [
  ['ft06', 55],
  ['la01', 666],
  ['ft10', 930],
] as const

const head = [
  'case',
  'finish, mean of 5',
  'best known',
  'gap',
  'set-ups / fewest',
  'bound',
  'batch by batch',
  'stage by stage',
  's',
]

/**
 * The planner against what is proved or published, a second of one core for each of five seeds: generated cases of our
 * kind, job shops, and Taillard's (1993) flow shops, whose best known makespans are of permutation schedules.
 */
export function benchProvedCases(): void {
  const ours = provedCaseNames.map((name) => {
    const { instance, reference } = readProvedCase(name)
    return run(name, instance, reference.makespan, reference.setUps)
  })
  const free = freeCaseNames.map((name) => {
    const { instance, optimum } = readFreeCase(name)
    return run(name, instance, optimum.makespanMinutes, optimum.setUps)
  })
  const shops = jobShops.map(([name, best]) => {
    const text = readFileSync(new URL(`../cases/${name}.txt`, import.meta.url), 'utf8')
    return run(name, readJobShop(text), best, null)
  })
  const flows = taillard20x5.map(([seed, best], index) =>
    run(`20×5 no. ${String(index + 1)}`, taillardFlowShop(seed, 20, 5), best, null),
  )
  const drawn = mixedCases.map(({ name, instance, best }) => run(name, instance, best, null))
  const gap = (rows: readonly Row5[]) => rows.reduce((sum, row) => sum + row.gap, 0) / rows.length
  process.stdout.write(
    `${table(
      head,
      [...ours, ...free, ...drawn, ...shops, ...flows].map((row) => row.cells),
    )}\n`,
  )
  process.stdout.write(
    `\nMean gap: ours ${percent(gap(ours))}, in any order ${percent(gap(free))}, with windows and a rack ${percent(gap(drawn))}, job shops ${percent(gap(shops))}, flow shops ${percent(gap(flows))}.\n`,
  )
}

interface Row5 {
  readonly gap: number
  readonly cells: readonly (string | number)[]
}

function run(name: string, instance: PlanInstance, best: number, setUps: number | null): Row5 {
  const found = seeds.map((seed) => {
    const began = performance.now()
    const passed = () => (performance.now() - began) / limitMilliseconds
    const { cost } = searchCase(instance, { seed, evaluations: 1e9, spent: passed })
    return { cost, ended: performance.now() - began }
  })
  const mean = (value: (each: (typeof found)[number]) => number) =>
    found.reduce((sum, each) => sum + value(each), 0) / found.length
  const finish = mean(({ cost }) => cost.finish)
  const most = Math.max(...found.map(({ cost }) => cost.potOpenings))
  const builder = createScheduleBuilder(instance)
  const habit = (sequence: TaskSequence) => buildSchedule(builder, sequence, 'whole').finish
  return {
    gap: finish / best - 1,
    cells: [
      name,
      finish,
      best,
      percent(finish / best - 1),
      setUps === null ? '' : `${String(most)} / ${String(setUps)}`,
      earliestFinish(lowerBound(instance)),
      habit(batchByBatch(builder)),
      habit(stageByStage(builder)),
      (mean(({ ended }) => ended) / 1000).toFixed(2),
    ],
  }
}

const percent = (share: number) => `${(share * 100).toFixed(2)} %`
