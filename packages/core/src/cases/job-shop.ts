import { seededRandom } from '../units/index.ts'
import type { SearchBudget } from '../schedule/index.ts'
import type { Shop } from './shop.ts'

/**
 * A row of jobs (the k-th mention is its k-th operation) with a small makespan. Tabu search over the orders on the
 * machines: neighbours swap two operations at the edge of a critical block (Nowicki & Smutnicki 1996), are judged by
 * Taillard's (1994) estimate, and the walk goes back to its best with a kick when it stalls.
 */
export function solveJobShop(
  shop: Shop,
  budget: SearchBudget,
  start: readonly number[] = mostWorkFirst(shop),
): readonly number[] {
  return new JobShop(shop, budget.seed, start).search(budget)
}

class JobShop {
  private readonly random: () => number
  private readonly count: number
  private readonly job: Int32Array
  private readonly length: Int32Array
  private readonly lag: Int32Array
  private readonly machine: Int32Array
  private readonly jobBefore: Int32Array
  private readonly jobAfter: Int32Array
  private readonly before: Int32Array
  private readonly after: Int32Array
  private readonly head: Int32Array
  private readonly tail: Int32Array
  private readonly sequence: Int32Array
  private readonly degree: Int32Array
  /** Until which step an operation may not be put before another. */
  private readonly tabu: Int32Array

  constructor(shop: Shop, seed: number, start: readonly number[]) {
    this.random = seededRandom(seed)
    const operations = shop.jobs.flatMap((job, index) =>
      job.map((each, at) => ({ ...each, index, at, of: job.length })),
    )
    this.count = operations.length
    const column = (value: (each: (typeof operations)[number], at: number) => number) =>
      Int32Array.from(operations, value)
    this.job = column((each) => each.index)
    this.length = column((each) => each.length)
    this.lag = column((each) => each.lag)
    this.machine = column((each) => each.machine)
    this.jobBefore = column((each, at) => (each.at > 0 ? at - 1 : -1))
    this.jobAfter = column((each, at) => (each.at + 1 < each.of ? at + 1 : -1))
    this.before = new Int32Array(this.count).fill(-1)
    this.after = new Int32Array(this.count).fill(-1)
    this.head = new Int32Array(this.count)
    this.tail = new Int32Array(this.count)
    this.sequence = new Int32Array(this.count)
    this.degree = new Int32Array(this.count)
    this.tabu = new Int32Array(this.count * this.count)
    this.begin(shop, start)
  }

  /** The orders on the machines as a row has them. */
  private begin(shop: Shop, row: readonly number[]): void {
    const next = shop.jobs.map(() => 0)
    const last = new Int32Array(shop.machines).fill(-1)
    const first: number[] = []
    let operations = 0
    for (const job of shop.jobs) {
      first.push(operations)
      operations += job.length
    }
    for (const job of row) {
      const own = (first[job] ?? 0) + (next[job] ?? 0)
      const machine = this.machine[own] ?? 0
      const previous = last[machine] ?? -1
      this.before[own] = previous
      if (previous >= 0) this.after[previous] = own
      last[machine] = own
      next[job] = (next[job] ?? 0) + 1
    }
  }

  /** Heads, tails and makespan of the orders as they are. */
  private evaluate(): number {
    const { count, jobBefore, jobAfter, before, after, head, tail, length, lag, sequence, degree } = this
    let filled = 0
    for (let at = 0; at < count; at++) {
      const waits = ((jobBefore[at] ?? -1) >= 0 ? 1 : 0) + ((before[at] ?? -1) >= 0 ? 1 : 0)
      degree[at] = waits
      head[at] = 0
      if (waits === 0) sequence[filled++] = at
    }
    let makespan = 0
    for (let index = 0; index < filled; index++) {
      const at = sequence[index] ?? 0
      const end = (head[at] ?? 0) + (length[at] ?? 0)
      const dry = end + (lag[at] ?? 0)
      if (dry > makespan) makespan = dry
      const inJob = jobAfter[at] ?? -1
      if (inJob >= 0) {
        if (dry > (head[inJob] ?? 0)) head[inJob] = dry
        degree[inJob] = (degree[inJob] ?? 0) - 1
        if (degree[inJob] === 0) sequence[filled++] = inJob
      }
      const onMachine = after[at] ?? -1
      if (onMachine >= 0) {
        if (end > (head[onMachine] ?? 0)) head[onMachine] = end
        degree[onMachine] = (degree[onMachine] ?? 0) - 1
        if (degree[onMachine] === 0) sequence[filled++] = onMachine
      }
    }
    for (let index = filled - 1; index >= 0; index--) {
      const at = sequence[index] ?? 0
      const inJob = jobAfter[at] ?? -1
      const onMachine = after[at] ?? -1
      const byJob = (lag[at] ?? 0) + (inJob >= 0 ? (length[inJob] ?? 0) + (tail[inJob] ?? 0) : 0)
      const byMachine = onMachine >= 0 ? (length[onMachine] ?? 0) + (tail[onMachine] ?? 0) : 0
      tail[at] = Math.max(byJob, byMachine)
    }
    return makespan
  }

  /** Puts `second`, which follows `first` on its machine, before it. */
  private swap(first: number, second: number): void {
    const { before, after } = this
    const left = before[first] ?? -1
    const right = after[second] ?? -1
    if (left >= 0) after[left] = second
    if (right >= 0) before[right] = first
    before[second] = left
    after[second] = first
    before[first] = second
    after[first] = right
  }

  /** Taillard's estimate of the longest path through either after the swap. */
  private estimate(first: number, second: number): number {
    const { before, after, jobBefore, jobAfter, head, tail, length, lag } = this
    const end = (at: number) => (at >= 0 ? (head[at] ?? 0) + (length[at] ?? 0) : 0)
    const dry = (at: number) => (at >= 0 ? end(at) + (lag[at] ?? 0) : 0)
    const rest = (at: number) => (at >= 0 ? (length[at] ?? 0) + (tail[at] ?? 0) : 0)
    const lengthFirst = length[first] ?? 0
    const lengthSecond = length[second] ?? 0
    const headSecond = Math.max(dry(jobBefore[second] ?? -1), end(before[first] ?? -1))
    const headFirst = Math.max(dry(jobBefore[first] ?? -1), headSecond + lengthSecond)
    const tailFirst = Math.max((lag[first] ?? 0) + rest(jobAfter[first] ?? -1), rest(after[second] ?? -1))
    const tailSecond = Math.max((lag[second] ?? 0) + rest(jobAfter[second] ?? -1), lengthFirst + tailFirst)
    return Math.max(headSecond + lengthSecond + tailSecond, headFirst + lengthFirst + tailFirst)
  }

  /** Swaps at the edges of the blocks of one critical path; of all its pairs when `all`. */
  private pairs(makespan: number, all: boolean): (readonly [number, number])[] {
    const { head, length, lag, tail, before, jobBefore, machine } = this
    const critical = (at: number) => (head[at] ?? 0) + (length[at] ?? 0) + (tail[at] ?? 0) === makespan
    let at = -1
    let ties = 0
    for (let each = 0; each < this.count; each++) {
      if (critical(each) && (tail[each] ?? 0) === (lag[each] ?? 0) && this.random() * ++ties < 1) at = each
    }
    const path: number[] = []
    while (at >= 0) {
      path.push(at)
      const start = head[at] ?? 0
      const onMachine = before[at] ?? -1
      const inJob = jobBefore[at] ?? -1
      const byMachine = onMachine >= 0 && (head[onMachine] ?? 0) + (length[onMachine] ?? 0) === start
      const byJob = inJob >= 0 && (head[inJob] ?? 0) + (length[inJob] ?? 0) + (lag[inJob] ?? 0) === start
      if (start === 0) at = -1
      else if (byMachine && byJob) at = this.random() < 0.5 ? onMachine : inJob
      else at = byMachine ? onMachine : inJob
    }
    path.reverse()
    const found: (readonly [number, number])[] = []
    for (let from = 0; from < path.length;) {
      let to = from
      // A block: neighbours on one machine that follow each other there.
      while (
        to + 1 < path.length &&
        machine[path[to + 1] ?? 0] === machine[path[from] ?? 0] &&
        before[path[to + 1] ?? 0] === path[to]
      )
        to += 1
      const pair = (left: number) => [path[left] ?? 0, path[left + 1] ?? 0] as const
      for (let left = from; left < to; left++) {
        const opens = left === from && (from > 0 || all)
        const closes = left === to - 1 && (to < path.length - 1 || all)
        if (all || opens || closes) found.push(pair(left))
      }
      from = to + 1
    }
    return found
  }

  search(budget: SearchBudget): readonly number[] {
    let makespan = this.evaluate()
    let least = makespan
    let best = this.after.slice()
    let bestBefore = this.before.slice()
    let stalled = 0
    const patience = 1500
    const rounds = budget.evaluations * 20
    for (let round = 1; round <= rounds; round++) {
      if (round % 256 === 0 && (budget.spent?.() ?? 0) >= 1) break
      if (stalled > patience) {
        this.after.set(best)
        this.before.set(bestBefore)
        this.tabu.fill(0)
        makespan = this.evaluate()
        for (let kick = 0; kick < 3 + Math.floor(this.random() * 6); kick++) {
          const pairs = this.pairs(makespan, true)
          const pair = pairs[Math.floor(this.random() * pairs.length)]
          if (!pair) break
          this.swap(pair[0], pair[1])
          makespan = this.evaluate()
        }
        stalled = 0
      }
      const pair = this.pickPair(makespan, least, round)
      // No block is left to change: the makespan is the length of one job or one machine, and so the least.
      if (!pair) {
        if (makespan <= least) break
        stalled = patience + 1
        continue
      }
      const [first, second] = pair
      this.tabu[first * this.count + second] = round + 8 + Math.floor(this.random() * 8)
      this.swap(first, second)
      makespan = this.evaluate()
      stalled += 1
      if (makespan < least) {
        least = makespan
        best = this.after.slice()
        bestBefore = this.before.slice()
        stalled = 0
      }
    }
    this.after.set(best)
    this.before.set(bestBefore)
    this.evaluate()
    return this.row()
  }

  private pickPair(makespan: number, least: number, round: number): readonly [number, number] | undefined {
    const pairs = this.pairs(makespan, false)
    let chosen: readonly [number, number] | undefined
    let chosenAt = Number.POSITIVE_INFINITY
    for (const pair of pairs) {
      const estimate = this.estimate(pair[0], pair[1])
      // Putting the second before the first is what a later step may have forbidden.
      const forbidden = (this.tabu[pair[1] * this.count + pair[0]] ?? 0) > round
      if (forbidden && estimate >= least) continue
      if (estimate < chosenAt || (estimate === chosenAt && this.random() < 0.5)) {
        chosen = pair
        chosenAt = estimate
      }
    }
    return chosen ?? pairs[Math.floor(this.random() * pairs.length)]
  }

  /** Jobs in the order their operations begin. */
  private row(): readonly number[] {
    return Array.from(this.sequence)
      .map((at, place) => ({ at, place }))
      .sort((a, b) => (this.head[a.at] ?? 0) - (this.head[b.at] ?? 0) || a.place - b.place)
      .map(({ at }) => this.job[at] ?? 0)
  }
}

/** The operation that can begin first goes first; of several, that of the job with most work left. */
function mostWorkFirst(shop: Shop): readonly number[] {
  const next = shop.jobs.map(() => 0)
  const jobFree = shop.jobs.map(() => 0)
  const machineFree = Array.from({ length: shop.machines }, () => 0)
  const workLeft = shop.jobs.map((job) => job.reduce((sum, each) => sum + each.length, 0))
  const row: number[] = []
  for (;;) {
    let best = -1
    let bestStart = 0
    shop.jobs.forEach((job, index) => {
      const operation = job[next[index] ?? 0]
      if (!operation) return
      const start = Math.max(jobFree[index] ?? 0, machineFree[operation.machine] ?? 0)
      const isLonger = (workLeft[index] ?? 0) > (workLeft[best] ?? 0)
      if (best >= 0 && (start > bestStart || (start === bestStart && !isLonger))) return
      best = index
      bestStart = start
    })
    const operation = shop.jobs[best]?.[next[best] ?? 0]
    if (!operation) return row
    row.push(best)
    machineFree[operation.machine] = bestStart + operation.length
    jobFree[best] = bestStart + operation.length + operation.lag
    workLeft[best] = (workLeft[best] ?? 0) - operation.length
    next[best] = (next[best] ?? 0) + 1
  }
}
