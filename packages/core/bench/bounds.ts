import fc from 'fast-check'
import { earliestFinish, lowerBound } from '../src/schedule/bounds.ts'
import { searchPlan } from '../src/schedule/search.ts'
import { anyFreeInstance, anyInstance } from '../src/testing/plan-arbitrary.ts'
import { medianMilliseconds, table } from './measure.ts'

const limits = { batches: 6, stages: 8, models: 4, sessions: true, everything: true }
const drawn = 30
const limitMilliseconds = 1000

/**
 * How far plans are over the bound where everything binds: 30 drawn instances each of chains and of free orders, with
 * painters, stations, windows, racks, maximum waits, ways and joins; without dates, so that the finish comes first.
 */
export function benchBounds(): void {
  const rows = [
    ['chains', anyInstance(limits)] as const,
    ['free orders', anyFreeInstance(limits)] as const,
  ].flatMap(([name, arbitrary]) => [1, 2].map((seed) => run(name, arbitrary, seed)))
  process.stdout.write(
    `${table(['drawn', 'seed', 'over the bound, mean', 'median', 'most', 'none', 'bound, ms'], rows)}\n`,
  )
}

function run(name: string, arbitrary: ReturnType<typeof anyInstance>, seed: number): (string | number)[] {
  const gaps: number[] = []
  let boundMilliseconds = 0
  for (const given of fc.sample(arbitrary, { seed, numRuns: drawn })) {
    const batches = given.batches.map((batch) => ({ ...batch, due: null, priority: 0 }))
    const instance = { ...given, batches }
    const began = performance.now()
    const { cost } = searchPlan(
      instance,
      { seed: 1, evaluations: 20_000, spent: () => (performance.now() - began) / limitMilliseconds },
      ['date'],
    )
    const bound = earliestFinish(lowerBound(instance))
    boundMilliseconds += medianMilliseconds(1, () => lowerBound(instance))
    if (Number.isFinite(cost.finish)) gaps.push(cost.finish / bound - 1)
  }
  gaps.sort((a, b) => a - b)
  const percent = (gap: number | undefined) => `${((gap ?? 0) * 100).toFixed(1)} %`
  return [
    name,
    seed,
    percent(gaps.reduce((sum, gap) => sum + gap, 0) / gaps.length),
    percent(gaps[Math.floor(gaps.length / 2)]),
    percent(gaps.at(-1)),
    drawn - gaps.length,
    (boundMilliseconds / drawn).toFixed(1),
  ]
}
