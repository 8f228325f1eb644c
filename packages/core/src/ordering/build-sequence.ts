import { changeSeconds, type Links } from './sequence.ts'

interface State {
  readonly row: readonly number[]
  readonly taken: Uint8Array
  /** Predecessors not taken yet, by member. */
  readonly waiting: Int16Array
  readonly spent: number
  readonly total: number
}

/**
 * A good row by building it pot by pot, keeping the `width` best beginnings: always a legal one, for any
 * size. Ties go to the lower member, so the same problem gives the same row.
 */
export function buildSequence(links: Links, width: number): readonly number[] {
  const { size } = links.problem
  let beam: readonly State[] = [
    {
      row: [],
      taken: new Uint8Array(size),
      waiting: Int16Array.from(links.predecessors.map((list) => list.length)),
      spent: 0,
      total: 0,
    },
  ]
  for (;;) {
    const [first] = beam
    if (!first || first.row.length === size) return first?.row ?? []
    const next = beam.flatMap((state) => (state.row.length === size ? [state] : expand(links, state)))
    beam = distinct(next.sort((a, b) => a.total - b.total || compareRows(a.row, b.row))).slice(0, width)
    if (beam.every((state) => state.row.length === size)) return beam[0]?.row ?? []
  }
}

/** Every pot that may be opened next, worked through as far as it goes: all it can do, or only what is not regretted. */
function expand(links: Links, state: State): readonly State[] {
  const { problem } = links
  const keys = new Set<number>()
  for (let m = 0; m < problem.size; m++) if (isFree(state, m)) keys.add(problem.key[m] ?? 0)
  return [...keys].flatMap((key) => {
    const eager = workThrough(links, state, key, true)
    const patient = workThrough(links, state, key, false)
    return patient.row.length === state.row.length || patient.row.length === eager.row.length
      ? [eager]
      : [eager, patient]
  })
}

function isFree(state: State, m: number): boolean {
  return state.taken[m] === 0 && state.waiting[m] === 0
}

function workThrough(links: Links, from: State, key: number, eager: boolean): State {
  const { problem } = links
  const row = [...from.row]
  const taken = Uint8Array.from(from.taken)
  const waiting = Int16Array.from(from.waiting)
  const state = { ...from, row, taken, waiting }
  let { spent } = from
  for (let found = true; found;) {
    found = false
    for (let m = 0; m < problem.size; m++) {
      if (problem.key[m] !== key || !isFree(state, m)) continue
      let regret = 0
      for (const [b, seconds] of links.regretsOf[m] ?? []) if (taken[b] === 0) regret += seconds
      if (!eager && regret > 0) continue
      spent += changeSeconds(problem, row.at(-1) ?? -1, m) + regret
      row.push(m)
      taken[m] = 1
      for (const next of links.successors[m] ?? []) waiting[next] = (waiting[next] ?? 0) - 1
      found = true
    }
  }
  return { row, taken, waiting, spent, total: spent + stillToOpen(links, taken, key) }
}

function stillToOpen(links: Links, taken: Uint8Array, lastKey: number): number {
  const { problem } = links
  const openings = new Int32Array(problem.openSeconds.length)
  for (let m = 0; m < problem.size; m++) {
    if (taken[m]) continue
    const key = problem.key[m] ?? 0
    openings[key] = Math.max(openings[key] ?? 0, links.openingsFrom[m] ?? 1)
  }
  let seconds = 0
  openings.forEach((count, key) => {
    seconds += Math.max(0, count - (key === lastKey ? 1 : 0)) * (problem.openSeconds[key] ?? 0)
  })
  return seconds
}

/** The same set done and the same pot open: the cheaper one stands for all. Expects the cheapest first. */
function distinct(states: readonly State[]): readonly State[] {
  const seen = new Set<string>()
  return states.filter((state) => {
    const name = `${String.fromCharCode(...state.taken.map((each) => each + 48))}${String(state.row.at(-1) ?? -1)}`
    if (seen.has(name)) return false
    seen.add(name)
    return true
  })
}

function compareRows(a: readonly number[], b: readonly number[]): number {
  for (let index = 0; index < Math.min(a.length, b.length); index++) {
    const difference = (a[index] ?? 0) - (b[index] ?? 0)
    if (difference !== 0) return difference
  }
  return a.length - b.length
}
