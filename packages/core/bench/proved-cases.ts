import { createDesk, layRow } from '../src/planning/desk.ts'
import { batchByBatch, stageByStage } from '../src/planning/habits.ts'
import { earliestFinish, lowerBound } from '../src/planning/bounds.ts'
import { searchRow } from '../src/planning/search.ts'
import { provedCaseNames, readProvedCase } from '../src/testing/proved-cases.ts'
import { medianMilliseconds, table } from './measure.ts'

const seeds = [1, 2, 3, 4, 5]

/** Invented one-painter instances whose optimum is proved. */
export function benchProvedCases(): void {
  const rows = provedCaseNames.map((name) => {
    const { instance, reference } = readProvedCase(name)
    const desk = createDesk(instance)
    const found = seeds.map((seed) => searchRow(instance, { seed, evaluations: 5000 }).cost)
    const mean = found.reduce((sum, cost) => sum + cost.finish, 0) / seeds.length
    return [
      name,
      mean,
      reference.makespan,
      `${((mean / reference.makespan - 1) * 100).toFixed(1)} %`,
      `${Math.max(...found.map((cost) => cost.potOpenings))} / ${reference.setUps}`,
      earliestFinish(lowerBound(instance)),
      layRow(desk, batchByBatch(instance), 'fill').finish,
      layRow(desk, stageByStage(instance), 'fill').finish,
      medianMilliseconds(3, () => searchRow(instance, { seed: 1, evaluations: 5000 })).toFixed(0),
    ]
  })
  const head = [
    'case',
    'finish, mean of 5 seeds',
    'proved',
    'gap',
    'set-ups / proved',
    'bound',
    'batch by batch',
    'stage by stage',
    'ms',
  ]
  process.stdout.write(`${table(head, rows)}\n`)
}
