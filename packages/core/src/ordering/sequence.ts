/**
 * Things to put in a row. Changing from one key to another opens a pot, from one tool to another changes
 * the tool; `before` must be kept; a regret is paid when `a` stands before `b`.
 */
export interface SequenceProblem {
  readonly size: number
  readonly key: readonly number[]
  /** By key. */
  readonly openSeconds: readonly number[]
  readonly tool: readonly number[]
  /** By tool. */
  readonly toolSeconds: readonly number[]
  readonly before: readonly (readonly [a: number, b: number])[]
  /** Never between two that `before` decides. */
  readonly regrets: readonly (readonly [a: number, b: number, seconds: number])[]
}

export interface FoundSequence {
  readonly order: readonly number[]
  readonly cost: number
  /** No order costs less. */
  readonly bound: number
  /** The bound is reached: nothing is cheaper. */
  readonly proven: boolean
}

/** The problem with its lists by member, made once for a search. */
export interface Links {
  readonly problem: SequenceProblem
  readonly predecessors: readonly (readonly number[])[]
  readonly successors: readonly (readonly number[])[]
  /** By `a`: what is paid for every `b` that is still to come. */
  readonly regretsOf: readonly (readonly (readonly [b: number, seconds: number])[])[]
  /** How many openings of its own pot are forced from here on, counting this one's. */
  readonly openingsFrom: readonly number[]
}

export function linksOf(problem: SequenceProblem): Links {
  const { size, key } = problem
  const lists = () => Array.from({ length: size }, (): number[] => [])
  const [predecessors, successors] = [lists(), lists()]
  for (const [a, b] of problem.before) {
    successors[a]?.push(b)
    predecessors[b]?.push(a)
  }
  const regretsOf = Array.from({ length: size }, (): (readonly [number, number])[] => [])
  for (const [a, b, seconds] of problem.regrets) regretsOf[a]?.push([b, seconds])
  return { problem, predecessors, successors, regretsOf, openingsFrom: forcedOpenings(size, key, successors) }
}

/**
 * Along a chain a, x, b with a and b of one key and x of another, the pot of a is opened again for b. Counts
 * the most such openings on any chain from a member on.
 */
function forcedOpenings(
  size: number,
  key: readonly number[],
  successors: readonly (readonly number[])[],
): readonly number[] {
  // best[m][k]: most openings of k from m on, given that m itself is of another key, or starts one.
  const best = Array.from({ length: size }, () => new Map<number, number>())
  const own = new Array<number>(size).fill(1)
  const seen = new Uint8Array(size)
  const visit = (m: number): void => {
    if (seen[m]) return
    seen[m] = 1
    const table = best[m] ?? new Map<number, number>()
    let mine = 1
    for (const next of successors[m] ?? []) {
      visit(next)
      const nextKey = key[next] ?? -1
      for (const [k, count] of best[next] ?? []) table.set(k, Math.max(table.get(k) ?? 0, count))
      table.set(nextKey, Math.max(table.get(nextKey) ?? 0, own[next] ?? 1))
      if (nextKey === key[m]) mine = Math.max(mine, own[next] ?? 1)
      else mine = Math.max(mine, 1 + (best[next]?.get(key[m] ?? -1) ?? 0))
    }
    own[m] = mine
    table.set(key[m] ?? -1, mine)
  }
  for (let m = 0; m < size; m++) visit(m)
  return own
}

/** What the step from `last` (−1 at the start) to `next` costs: pot and tool. */
export function changeSeconds(problem: SequenceProblem, last: number, next: number): number {
  const nextKey = problem.key[next] ?? 0
  const nextTool = problem.tool[next] ?? 0
  const open = last >= 0 && problem.key[last] === nextKey ? 0 : (problem.openSeconds[nextKey] ?? 0)
  const change = last >= 0 && problem.tool[last] === nextTool ? 0 : (problem.toolSeconds[nextTool] ?? 0)
  return open + change
}

/** @returns Infinity for a row that breaks `before`. */
export function sequenceCost(problem: SequenceProblem, order: readonly number[]): number {
  const place = new Int32Array(problem.size).fill(-1)
  order.forEach((member, index) => (place[member] = index))
  const { broken, seconds } = rowCost(problem, order, place)
  return broken > 0 ? Number.POSITIVE_INFINITY : seconds
}

/**
 * What a row costs, and how often it breaks `before`. `place` by member: the lower comes first, members of one
 * place are done together, one below 0 is not in the row.
 */
export function rowCost(
  problem: SequenceProblem,
  row: readonly number[],
  place: ArrayLike<number>,
): { readonly broken: number; readonly seconds: number } {
  // Thousands of pairs, looked at on every edit.
  const isBefore = (a: number, b: number) => {
    const first = place[a] ?? -1
    return first >= 0 && first < (place[b] ?? -1)
  }
  let seconds = 0
  let broken = 0
  row.forEach((member, index) => (seconds += changeSeconds(problem, row[index - 1] ?? -1, member)))
  for (const [a, b, regret] of problem.regrets) if (isBefore(a, b)) seconds += regret
  for (const pair of problem.before) if (isBefore(pair[1], pair[0])) broken += 1
  return { broken, seconds }
}
