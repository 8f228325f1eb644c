import { changeSeconds, type Links } from './sequence.ts'

/**
 * Moves runs of one pot, and single members, past their neighbours or to another run of their pot, with what
 * stands in the way if need be, as long as that is legal and cheaper. In the end no swap of two neighbours is both.
 */
export function improveSequence(links: Links, start: readonly number[]): readonly number[] {
  const rules = matrices(links)
  let row = start
  for (;;) {
    const runs = runsOf(links, row)
    const singles = row.map((member) => [member])
    const moved =
      moveRun(links, rules, runs) ?? moveRun(links, rules, singles) ?? joinWithBlockers(links, rules, runs)
    if (!moved) return row
    row = moved
  }
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

type Runs = readonly (readonly number[])[]

function runsOf({ problem }: Links, row: readonly number[]): Runs {
  const runs: number[][] = []
  for (const member of row) {
    const run = runs.at(-1)
    if (run && problem.key[run[0] ?? 0] === problem.key[member]) run.push(member)
    else runs.push([member])
  }
  return runs
}

/** The first move of one run past others, to wherever it is legal and cheaper. */
function moveRun(
  { problem }: Links,
  { size, before, regret }: Matrices,
  runs: Runs,
): readonly number[] | null {
  const change = (from: number | undefined, to: number | undefined) =>
    to === undefined ? 0 : changeSeconds(problem, from ?? -1, to)
  for (let from = 0; from < runs.length; from++) {
    const run = runs[from] ?? []
    const [ahead, after] = [runs[from - 1]?.at(-1), runs[from + 1]?.[0]]
    const leaving = change(ahead, run[0]) + change(run.at(-1), after) - change(ahead, after)
    for (const step of [-1, 1]) {
      let passing = 0
      for (let to = from + step; to >= 0 && to < runs.length; to += step) {
        for (const member of run) {
          for (const other of runs[to] ?? []) {
            const [a, b] = step > 0 ? [member, other] : [other, member]
            if (before[a * size + b]) passing = Number.NEGATIVE_INFINITY
            passing += (regret[a * size + b] ?? 0) - (regret[b * size + a] ?? 0)
          }
        }
        if (passing === Number.NEGATIVE_INFINITY) break
        const [left, right] = step > 0 ? [runs[to], runs[to + 1]] : [runs[to - 1], runs[to]]
        const arriving =
          change(left?.at(-1), run[0]) + change(run.at(-1), right?.[0]) - change(left?.at(-1), right?.[0])
        if (passing + leaving - arriving <= 1e-6) continue
        const rest = runs.filter((_, index) => index !== from)
        return rest.toSpliced(to, 0, run).flat()
      }
    }
  }
  return null
}

/**
 * The first move of two runs of a pot to each other that takes along what keeps them apart: either what has to
 * come before the second goes before the first, or what has to come after the first goes after the second.
 */
function joinWithBlockers(links: Links, rules: Matrices, runs: Runs): readonly number[] | null {
  const { problem } = links
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
