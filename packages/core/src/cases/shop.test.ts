import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { taillard20x5, taillardFlowShop } from '../testing/shops.ts'
import type { PlanInstance } from '../schedule/instance.ts'
import { validatePlan } from '../schedule/validate-plan.ts'
import { laidOut } from '../testing/laid-out.ts'
import { readJobShop, shopInstance } from './read-shop.ts'
import { searchCase } from './solve-case.ts'

const jobShop = (name: string) =>
  readJobShop(readFileSync(new URL(`../../cases/${name}.txt`, import.meta.url), 'utf8'))

function makespan(instance: PlanInstance, evaluations: number): number {
  const found = searchCase(instance, { seed: 1, evaluations })
  expect(validatePlan(instance, laidOut(instance, found).segments)).toEqual([])
  return found.cost.finish
}

describe('published shops', () => {
  // Fisher & Thompson (1963), Lawrence (1984).
  it.each([
    ['ft06', 55],
    ['la01', 666],
  ])('%s is solved to its optimum', (name, optimum) => {
    expect(makespan(jobShop(name), 2000)).toBe(optimum)
  })

  it('ft10 comes within 2.5 % of its optimum', () => {
    expect(makespan(jobShop('ft10'), 3000)).toBeLessThanOrEqual(930 * 1.025)
  })

  it('the flow shop generator gives the published times', () => {
    const first = taillardFlowShop(taillard20x5[0]![0], 20, 5)
    // Taillard (1993), from memory.
    expect(first.batches.slice(0, 5).map((batch) => batch.tasks[0]!.perModel)).toEqual([54, 83, 15, 71, 77])
  })

  it('flow shops of 20 × 5 come within 1 % of the best known permutation, on average', () => {
    const gaps = taillard20x5.map(([seed, best]) => makespan(taillardFlowShop(seed, 20, 5), 150) / best - 1)
    expect(gaps.reduce((sum, gap) => sum + gap, 0) / gaps.length).toBeLessThanOrEqual(0.01)
  })

  it('a shop of one job, or with a machine nobody needs, is planned as well', () => {
    expect(
      makespan(
        shopInstance(
          [
            [
              [0, 3],
              [1, 4],
            ],
          ],
          3,
        ),
        50,
      ),
    ).toBe(7)
    expect(makespan(shopInstance([[], [[1, 4]]], 2), 50)).toBe(4)
  })
})
