import { changeSeconds, type Links } from './sequence.ts'

/**
 * Moves runs of one pot, and single members, past their neighbours or to another run of their pot, with what
 * stands in the way if need be, as long as that is legal and cheaper. In the end no swap of two neighbours is both.
 */
export function improveSequence(links: Links, start: readonly number[]): readonly number[] {
  let row = [...start]
  const rules = matrices(links)
  for (let better = true; better;) {
    better = false
    for (const runs of [runsOf(links, row), row.map((member) => [member])]) {
      const order = runs.map((run) => [...run])
      for (let at = 0; at + 1 < order.length; at++) {
        const [left, right] = [order[at] ?? [], order[at + 1] ?? []]
        if (swapGain(links, rules, order, at) <= 1e-6) continue
        order.splice(at, 2, right, left)
        better = true
        at = Math.max(-1, at - 2)
      }
      if (better) {
        row = order.flat()
        break
      }
    }
    if (better) continue
    const moved = joinRuns(links, rules, row) ?? joinWithBlockers(links, rules, row)
    if (moved) {
      row = moved
      better = true
    }
  }
  return row
}

interface Matrices {
  readonly size: number
  readonly before: Uint8Array
  readonly regret: Float64Array
}

function matrices({ problem }: Links): Matrices {
  const { size } = problem
  const before = new Uint8Array(size * size)
  const regret = new Float64Array(size * size)
  for (const [a, b] of problem.before) before[a * size + b] = 1
  for (const [a, b, seconds] of problem.regrets) {
    regret[a * size + b] = (regret[a * size + b] ?? 0) + seconds
  }
  return { size, before, regret }
}

function runsOf({ problem }: Links, row: readonly number[]): readonly (readonly number[])[] {
  const runs: number[][] = []
  for (const member of row) {
    const run = runs.at(-1)
    if (run && problem.key[run[0] ?? 0] === problem.key[member]) run.push(member)
    else runs.push([member])
  }
  return runs
}

/** Seconds saved by swapping the blocks at `at` and `at + 1`; −Infinity when that is not legal. */
function swapGain(
  { problem }: Links,
  { size, before, regret }: Matrices,
  order: readonly (readonly number[])[],
  at: number,
): number {
  const [left, right] = [order[at] ?? [], order[at + 1] ?? []]
  let gain = 0
  for (const a of left) {
    for (const b of right) {
      if (before[a * size + b]) return Number.NEGATIVE_INFINITY
      gain += (regret[a * size + b] ?? 0) - (regret[b * size + a] ?? 0)
    }
  }
  const ahead = order[at - 1]?.at(-1) ?? -1
  const after = order[at + 2]?.[0]
  const change = (from: number, to: number | undefined) =>
    to === undefined ? 0 : changeSeconds(problem, from, to)
  const end = (block: readonly number[]) => block.at(-1) ?? -1
  const old = change(ahead, left[0]) + change(end(left), right[0]) + change(end(right), after)
  const swapped = change(ahead, right[0]) + change(end(right), left[0]) + change(end(left), after)
  return gain + old - swapped
}

/** The first single move of a run or a part of it to another run of its pot that is legal and cheaper. */
function joinRuns(links: Links, rules: Matrices, row: readonly number[]): number[] | null {
  const { problem } = links
  const { size, before, regret } = rules
  const runs = runsOf(links, row)
  const starts = runs.map((_, index) => runs.slice(0, index).reduce((sum, run) => sum + run.length, 0))
  for (let from = 0; from < runs.length; from++) {
    const run = runs[from] ?? []
    for (let to = 0; to < runs.length; to++) {
      if (Math.abs(from - to) < 2 || problem.key[runs[to]?.[0] ?? 0] !== problem.key[run[0] ?? 0]) continue
      const passed = from < to ? runs.slice(from + 1, to).flat() : runs.slice(to + 1, from).flat()
      let gain = 0
      for (const member of run) {
        for (const other of passed) {
          const [a, b] = from < to ? [member, other] : [other, member]
          if (before[a * size + b]) gain = Number.NEGATIVE_INFINITY
          gain += (regret[a * size + b] ?? 0) - (regret[b * size + a] ?? 0)
        }
      }
      const ahead = runs[from - 1]?.at(-1) ?? -1
      const after = runs[from + 1]?.[0]
      gain += changeSeconds(problem, ahead, run[0] ?? 0)
      if (after !== undefined) {
        gain += changeSeconds(problem, run.at(-1) ?? -1, after) - changeSeconds(problem, ahead, after)
      }
      if (gain <= 1e-6) continue
      const start = starts[from] ?? 0
      const rest = [...row.slice(0, start), ...row.slice(start + run.length)]
      const anchor = runs[to]?.at(-1) ?? 0
      const place = rest.indexOf(anchor) + 1
      return [...rest.slice(0, place), ...run, ...rest.slice(place)]
    }
  }
  return null
}

/**
 * The first move of two runs of a pot to each other that takes along what keeps them apart: either what has to
 * come before the second goes before the first, or what has to come after the first goes after the second.
 */
function joinWithBlockers(links: Links, rules: Matrices, row: readonly number[]): number[] | null {
  const { problem } = links
  const runs = runsOf(links, row)
  for (let low = 0; low < runs.length; low++) {
    for (let high = low + 2; high < runs.length; high++) {
      const [first, second] = [runs[low] ?? [], runs[high] ?? []]
      if (problem.key[first[0] ?? 0] !== problem.key[second[0] ?? 0]) continue
      const between = runs.slice(low + 1, high).flat()
      const [head, tail] = [runs.slice(0, low).flat(), runs.slice(high + 1).flat()]
      const old = [...first, ...between, ...second]
      for (const moved of withBlockers(rules, first, between, second)) {
        if (segmentGain(links, rules, head.at(-1) ?? -1, old, moved, tail[0]) > 1e-6) {
          return [...head, ...moved, ...tail]
        }
      }
    }
  }
  return null
}

/** Both ways of joining the runs, as far as they are legal. */
function withBlockers(
  { size, before }: Matrices,
  first: readonly number[],
  between: readonly number[],
  second: readonly number[],
): readonly (readonly number[])[] {
  const precedes = (a: number, list: readonly number[]) => list.some((b) => before[a * size + b])
  const follows = (b: number, list: readonly number[]) => list.some((a) => before[a * size + b])
  const early: number[] = []
  for (const member of between.toReversed()) {
    if (precedes(member, [...early, ...second])) early.unshift(member)
  }
  const late: number[] = []
  for (const member of between) if (follows(member, [...first, ...late])) late.push(member)
  const rest = (gone: readonly number[]) => between.filter((member) => !gone.includes(member))
  return [
    ...(early.some((member) => follows(member, first))
      ? []
      : [[...early, ...first, ...second, ...rest(early)]]),
    ...(late.some((member) => precedes(member, second))
      ? []
      : [[...rest(late), ...first, ...second, ...late]]),
  ]
}

/** Seconds saved by writing a stretch of the row in another order. */
function segmentGain(
  { problem }: Links,
  { size, regret }: Matrices,
  ahead: number,
  old: readonly number[],
  moved: readonly number[],
  after: number | undefined,
): number {
  const changes = (members: readonly number[]) =>
    [...members, ...(after === undefined ? [] : [after])].reduce(
      (sum, member, index, all) => sum + changeSeconds(problem, all[index - 1] ?? ahead, member),
      0,
    )
  const place = new Int32Array(size)
  moved.forEach((member, index) => (place[member] = index))
  let gain = changes(old) - changes(moved)
  for (let index = 0; index < old.length; index++) {
    const a = old[index] ?? 0
    const own = place[a] ?? 0
    for (let at = index + 1; at < old.length; at++) {
      const b = old[at] ?? 0
      if (own > (place[b] ?? 0)) gain += (regret[a * size + b] ?? 0) - (regret[b * size + a] ?? 0)
    }
  }
  return gain
}
