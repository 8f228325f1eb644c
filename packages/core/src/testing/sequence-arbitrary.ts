import { seededRandom } from '../units/random.ts'
import type { SequenceProblem } from '../ordering/sequence.ts'

/** A random problem of our kind: a few pots, stacks as chains with cross links, regrets where nothing is forced. */
export function randomSequence(seed: number, size: number, keys: number): SequenceProblem {
  const random = seededRandom(seed)
  const whole = (below: number) => Math.floor(random() * below)
  const tools = 3
  const key = Array.from({ length: size }, () => whole(keys))
  const toolOfKey = Array.from({ length: keys }, () => whole(tools))
  const before: [number, number][] = []
  // Members in a hidden order, so that no number hints at the row.
  const hidden = Array.from({ length: size }, (_, index) => index)
    .map((member) => ({ member, at: random() }))
    .sort((a, b) => a.at - b.at)
    .map(({ member }) => member)
  const reach = Array.from({ length: size }, () => new Set<number>())
  hidden.forEach((b, to) => {
    hidden.slice(0, to).forEach((a) => {
      if (random() < 1.6 / size) {
        before.push([a, b])
        for (const each of [a, ...(reach[a] ?? [])]) reach[b]?.add(each)
      }
    })
  })
  const decided = (a: number, b: number) => (reach[a]?.has(b) ?? false) || (reach[b]?.has(a) ?? false)
  const regrets: [number, number, number][] = []
  for (let a = 0; a < size; a++) {
    for (let b = 0; b < size; b++) {
      if (a !== b && !decided(a, b) && random() < 0.2) regrets.push([a, b, whole(80)])
    }
  }
  return {
    size,
    key,
    openSeconds: Array.from({ length: keys }, () => 30 + whole(200)),
    tool: key.map((each) => toolOfKey[each] ?? 0),
    toolSeconds: Array.from({ length: tools }, () => whole(120)),
    before,
    regrets,
  }
}

/** The cheapest of all legal rows, by trying them all: shares no code with the search. */
export function cheapestByForce(problem: SequenceProblem): number {
  let best = Number.POSITIVE_INFINITY
  const row: number[] = []
  const placed = new Set<number>()
  const go = (spent: number): void => {
    if (spent >= best) return
    if (row.length === problem.size) {
      best = spent
      return
    }
    for (let member = 0; member < problem.size; member++) {
      if (placed.has(member)) continue
      if (problem.before.some(([a, b]) => b === member && !placed.has(a))) continue
      const last = row.at(-1)
      let cost = 0
      if (last === undefined || problem.key[last] !== problem.key[member]) {
        cost += problem.openSeconds[problem.key[member]!]!
      }
      if (last === undefined || problem.tool[last] !== problem.tool[member]) {
        cost += problem.toolSeconds[problem.tool[member]!]!
      }
      for (const [a, b, seconds] of problem.regrets) if (a === member && !placed.has(b)) cost += seconds
      row.push(member)
      placed.add(member)
      go(spent + cost)
      row.pop()
      placed.delete(member)
    }
  }
  go(0)
  return best
}
