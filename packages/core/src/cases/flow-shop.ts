import { seededRandom } from '../units/index.ts'
import type { SearchBudget } from '../schedule/index.ts'
import type { Shop } from './shop.ts'

/**
 * An order of the jobs, the same on every machine, with a small makespan: the insertion heuristic of Nawaz, Enscore
 * & Ham (1983), then iterated greedy (Ruiz & Stützle 2007) with Taillard's (1990) evaluation of all insertions.
 */
export function solveFlowShop(shop: Shop, budget: SearchBudget): readonly number[] {
  const times = shop.jobs.map((job) => job.map((each) => each.length))
  const jobs = times.length
  const machines = times[0]?.length ?? 0
  const random = seededRandom(budget.seed)
  const insert = inserter(times, machines)
  const total = (job: number) => (times[job] ?? []).reduce((sum, each) => sum + each, 0)
  const byLength = times.map((_, job) => job).sort((a, b) => total(b) - total(a) || a - b)
  let current: number[] = []
  let makespan = 0
  for (const job of byLength) makespan = insert(current, job)
  let best = [...current]
  let least = makespan
  const mean = times.reduce((sum, _, job) => sum + total(job), 0) / Math.max(1, jobs * machines)
  const temperature = 0.04 * mean
  const taken = Math.min(4, jobs - 1)
  const rounds = budget.evaluations * 4
  for (let round = 0; round < rounds; round++) {
    if (round % 64 === 0 && (budget.spent?.() ?? 0) >= 1) break
    const tried = [...current]
    const out: number[] = []
    for (let index = 0; index < taken; index++) {
      out.push(...tried.splice(Math.floor(random() * tried.length), 1))
    }
    let reached = 0
    for (const job of out) reached = insert(tried, job)
    // Every job once more where it is best, until none moves.
    reached = settle(tried, reached, insert, random)
    if (reached < makespan || random() < Math.exp((makespan - reached) / temperature)) {
      current = tried
      makespan = reached
      if (reached < least) {
        least = reached
        best = [...tried]
      }
    }
  }
  return best
}

function settle(
  row: number[],
  makespan: number,
  insert: (row: number[], job: number) => number,
  random: () => number,
): number {
  let reached = makespan
  for (let improved = true; improved;) {
    improved = false
    const from = Math.floor(random() * row.length)
    for (let step = 0; step < row.length; step++) {
      const at = (from + step) % row.length
      const [job = 0] = row.splice(at, 1)
      const now = insert(row, job)
      if (now < reached) {
        reached = now
        improved = true
      }
    }
  }
  return reached
}

/** Puts a job where the makespan stays least, into `row` itself; gives back that makespan. Ties: the first place. */
function inserter(times: readonly (readonly number[])[], machines: number) {
  const jobs = times.length
  const flat = new Int32Array(jobs * machines)
  times.forEach((job, index) => job.forEach((time, machine) => (flat[index * machines + machine] = time)))
  const heads = new Int32Array((jobs + 1) * machines)
  const tails = new Int32Array((jobs + 2) * machines)
  return (row: number[], job: number): number => {
    const count = row.length
    for (let at = 0; at < count; at++) {
      let before = 0
      const own = (row[at] ?? 0) * machines
      for (let machine = 0; machine < machines; machine++) {
        const above = at > 0 ? (heads[(at - 1) * machines + machine] ?? 0) : 0
        before = Math.max(before, above) + (flat[own + machine] ?? 0)
        heads[at * machines + machine] = before
      }
    }
    for (let machine = 0; machine < machines; machine++) tails[count * machines + machine] = 0
    for (let at = count - 1; at >= 0; at--) {
      let after = 0
      const own = (row[at] ?? 0) * machines
      for (let machine = machines - 1; machine >= 0; machine--) {
        after = Math.max(after, tails[(at + 1) * machines + machine] ?? 0) + (flat[own + machine] ?? 0)
        tails[at * machines + machine] = after
      }
    }
    let place = 0
    let least = Number.POSITIVE_INFINITY
    for (let at = 0; at <= count; at++) {
      let clock = 0
      let span = 0
      for (let machine = 0; machine < machines; machine++) {
        const above = at > 0 ? (heads[(at - 1) * machines + machine] ?? 0) : 0
        clock = Math.max(clock, above) + (flat[job * machines + machine] ?? 0)
        span = Math.max(span, clock + (tails[at * machines + machine] ?? 0))
      }
      if (span < least) {
        least = span
        place = at
      }
    }
    row.splice(place, 0, job)
    return least
  }
}

/** The jobs in that order on the first machine, then on the second … */
export function permutationRow(order: readonly number[], machines: number): readonly number[] {
  return Array.from({ length: machines }, () => order).flat()
}
