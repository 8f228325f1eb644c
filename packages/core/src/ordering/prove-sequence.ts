import { changeSeconds, type Links } from './sequence.ts'

interface Node {
  /** Members done: the first 31, and the rest. */
  readonly low: number
  readonly high: number
  readonly last: number
  readonly spent: number
  /** Spent and at least still to spend. */
  readonly total: number
  /** What pairs of members to come cost either way. */
  readonly pairs: number
  readonly parent: Node | null
}

/** Sets of so many members and a last one still make a whole number a double holds. */
export const mostProvable = 46

/**
 * Best-first search over the sets of what is done (A*). The bound of what is to come: every pot opened as
 * often as the stacks force it, every tool taken up once, every pair of regrets at its cheaper side. Proves
 * the optimum, or stops after `expansions` with the best bound reached. `upper` is the cost of a row already
 * known; `null` comes back as order when nothing beats it.
 */
export function proveSequence(
  links: Links,
  upper: number,
  expansions: number,
): { readonly order: readonly number[] | null; readonly bound: number; readonly done: boolean } {
  const { problem } = links
  const { size, key } = problem
  const full = { low: maskBelow(Math.min(31, size)), high: maskBelow(Math.max(0, size - 31)) }
  const predecessorMasks = links.predecessors.map((list) => list.reduce(withMember, { low: 0, high: 0 }))
  const toCome = boundOf(links)
  const floors = pairFloors(links)
  const cheapest = new Map<number, number>()
  const heap = new Heap()
  const nameOf = (low: number, high: number, last: number) => (high * 2 ** 31 + low) * 64 + last + 1

  const push = (
    low: number,
    high: number,
    last: number,
    spent: number,
    pairs: number,
    parent: Node | null,
  ) => {
    const total = spent + pairs + toCome(low, high, last)
    if (total >= upper - 1e-6) return
    const name = nameOf(low, high, last)
    const known = cheapest.get(name)
    if (known !== undefined && known <= spent + 1e-9) return
    cheapest.set(name, spent)
    heap.push({ low, high, last, spent, total, pairs, parent })
  }
  const allPairs =
    floors.reduce((sum, list) => sum + list.reduce((each, [, floor]) => each + floor, 0), 0) / 2
  push(0, 0, -1, 0, allPairs, null)
  let used = 0
  for (let node = heap.pop(); node; node = heap.pop()) {
    const { low, high, last } = node
    if (low === full.low && high === full.high) return { order: rowOf(node), bound: node.spent, done: true }
    if ((cheapest.get(nameOf(low, high, last)) ?? 0) < node.spent - 1e-9) continue
    if (used++ >= expansions) return { order: null, bound: node.total, done: false }
    const openKey = last < 0 ? -1 : key[last]
    const free: number[] = []
    const regrets: number[] = []
    let same = -1
    for (let m = 0; m < size && same < 0; m++) {
      const mask = predecessorMasks[m]
      if (!mask || has(low, high, m) || (mask.low & ~low) !== 0 || (mask.high & ~high) !== 0) continue
      const regret = toComeOf(links.regretsOf[m], low, high)
      // With the pot open and nothing to regret, going on with it is never worse: pots and tools only cost to change to.
      if (key[m] === openKey && regret === 0) same = m
      free.push(m)
      regrets.push(regret)
    }
    free.forEach((m, index) => {
      if (same >= 0 && m !== same) return
      const next = withMember({ low, high }, m)
      const spent = node.spent + changeSeconds(problem, last, m) + (regrets[index] ?? 0)
      push(next.low, next.high, m, spent, node.pairs - toComeOf(floors[m], low, high), node)
    })
  }
  return { order: null, bound: upper, done: true }
}

/** By member: the others it has a regret with both ways, with the cheaper of the two. */
function pairFloors(links: Links): readonly (readonly (readonly [number, number])[])[] {
  const table = links.regretsOf.map((list) => {
    const sums = new Map<number, number>()
    for (const [b, seconds] of list) sums.set(b, (sums.get(b) ?? 0) + seconds)
    return sums
  })
  return table.map((sums, a) =>
    [...sums].flatMap(([b, seconds]): (readonly [number, number])[] => {
      const back = table[b]?.get(a) ?? 0
      return back > 0 ? [[b, Math.min(seconds, back)]] : []
    }),
  )
}

function toComeOf(
  list: readonly (readonly [number, number])[] | undefined,
  low: number,
  high: number,
): number {
  let seconds = 0
  for (const [b, cost] of list ?? []) if (!has(low, high, b)) seconds += cost
  return seconds
}

function withMember(mask: { readonly low: number; readonly high: number }, m: number) {
  return m < 31
    ? { low: mask.low | (1 << m), high: mask.high }
    : { low: mask.low, high: mask.high | (1 << (m - 31)) }
}

function maskBelow(bits: number): number {
  return bits >= 31 ? 0x7fffffff : (1 << bits) - 1
}

function has(low: number, high: number, m: number): boolean {
  return m < 31 ? (low & (1 << m)) !== 0 : (high & (1 << (m - 31))) !== 0
}

/** Pots and tools that what is left needs at least. */
function boundOf(links: Links): (low: number, high: number, last: number) => number {
  const { problem, openingsFrom } = links
  const openings = new Int32Array(problem.openSeconds.length)
  const tools = new Uint8Array(problem.toolSeconds.length)
  return (low, high, last) => {
    openings.fill(0)
    tools.fill(0)
    for (let m = 0; m < problem.size; m++) {
      if (has(low, high, m)) continue
      const key = problem.key[m] ?? 0
      const forced = openingsFrom[m] ?? 1
      if (forced > (openings[key] ?? 0)) openings[key] = forced
      tools[problem.tool[m] ?? 0] = 1
    }
    if (last >= 0) {
      const key = problem.key[last] ?? 0
      if ((openings[key] ?? 0) > 0) openings[key] = (openings[key] ?? 0) - 1
      tools[problem.tool[last] ?? 0] = 0
    }
    let seconds = 0
    for (let key = 0; key < openings.length; key++) {
      seconds += (openings[key] ?? 0) * (problem.openSeconds[key] ?? 0)
    }
    for (let tool = 0; tool < tools.length; tool++) {
      seconds += (tools[tool] ?? 0) * (problem.toolSeconds[tool] ?? 0)
    }
    return seconds
  }
}

/** No row costs less, from the very start. For any size. */
export function leastCost(links: Links): number {
  const { problem, openingsFrom } = links
  const openings = new Map<number, number>()
  problem.key.forEach((key, m) => openings.set(key, Math.max(openings.get(key) ?? 0, openingsFrom[m] ?? 1)))
  const pots = [...openings].reduce((sum, [key, count]) => sum + count * (problem.openSeconds[key] ?? 0), 0)
  const tools = [...new Set(problem.tool)].reduce((sum, tool) => sum + (problem.toolSeconds[tool] ?? 0), 0)
  const pairs = pairFloors(links).reduce(
    (sum, list) => sum + list.reduce((each, [, floor]) => each + floor, 0),
    0,
  )
  return pots + tools + pairs / 2
}

function rowOf(node: Node): readonly number[] {
  const row: number[] = []
  for (let at: Node | null = node; at && at.last >= 0; at = at.parent) row.push(at.last)
  return row.reverse()
}

/** Smallest total first; of equals the one with more spent, for it is nearer to its end. */
class Heap {
  private readonly nodes: Node[] = []

  push(node: Node): void {
    const { nodes } = this
    let at = nodes.push(node) - 1
    while (at > 0) {
      const up = (at - 1) >> 1
      if (!before(node, nodes[up])) break
      nodes[at] = nodes[up] as Node
      at = up
    }
    nodes[at] = node
  }

  pop(): Node | null {
    const { nodes } = this
    const top = nodes[0]
    const moving = nodes.pop()
    if (!top || !moving) return null
    if (nodes.length === 0) return top
    let at = 0
    for (;;) {
      let down = 2 * at + 1
      if (down >= nodes.length) break
      if (down + 1 < nodes.length && before(nodes[down + 1], nodes[down])) down += 1
      if (!before(nodes[down], moving)) break
      nodes[at] = nodes[down] as Node
      at = down
    }
    nodes[at] = moving
    return top
  }
}

function before(a: Node | undefined, b: Node | undefined): boolean {
  if (!a || !b) return false
  return a.total !== b.total ? a.total < b.total : a.spent > b.spent
}
