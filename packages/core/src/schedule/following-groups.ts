import type { PlanTask } from './instance.ts'

/**
 * Where a stage has to be followed soon, a batch may be too long for it: when the last models are through the
 * first, the first ones are past their time. Such stages are taken in groups of models, each group through both
 * before the next, as large as the maximum wait and a session allow. Tasks nobody can keep stay as they are.
 */
export function followingGroups(
  tasks: readonly PlanTask[],
  longestSession: number,
  pace: number,
): readonly PlanTask[] {
  const out: PlanTask[] = []
  for (let from = 0; from < tasks.length;) {
    let to = from
    while (to + 1 < tasks.length && tasks[to]?.maxWait !== null) to += 1
    const chain = tasks.slice(from, to + 1)
    out.push(...(chain.length === 1 ? chain : grouped(chain, longestSession, pace)))
    from = to + 1
  }
  // Nothing follows the last one, so nothing has to follow soon.
  return out.map((task, index) => (index === out.length - 1 ? { ...task, maxWait: null } : task))
}

/** How many models go through the chain together at most; one where not even that keeps the waits. */
export function groupSize(chain: readonly PlanTask[], longestSession: number, pace: number): number {
  let size = new Set(chain.flatMap((task) => task.models)).size
  while (size > 1 && !keeps(chain, size, longestSession, pace)) size -= 1
  return size
}

/** How many of so many are in a group, where the groups are as few and as even as can be. @param size of a group at most. */
export function evenGroup(models: number, size: number): number {
  return Math.ceil(models / Math.ceil(models / size))
}

function grouped(chain: readonly PlanTask[], longestSession: number, pace: number): readonly PlanTask[] {
  const models = [...new Set(chain.flatMap((task) => task.models))].sort((a, b) => a - b)
  const size = groupSize(chain, longestSession, pace)
  const groups = Math.ceil(models.length / size)
  return Array.from({ length: groups }, (_, group) => {
    const own = new Set(
      models.slice(
        Math.floor((group * models.length) / groups),
        Math.floor(((group + 1) * models.length) / groups),
      ),
    )
    const parts = chain
      .map((task) => ({ ...task, models: task.models.filter((model) => own.has(model)) }))
      .filter((task) => task.models.length > 0)
    // A group is through with its last: the next one begins when it will.
    return parts.map((task, at) => (at === parts.length - 1 ? { ...task, maxWait: null } : task))
  }).flat()
}

/** Whether so many models can go through the chain together, each stage right after the one before. */
function keeps(chain: readonly PlanTask[], size: number, longestSession: number, pace: number): boolean {
  let length = 0
  for (let at = 0; at < chain.length; at++) {
    const task = chain[at]
    const after = chain[at + 1]
    if (!task) continue
    const hands = Math.round(task.perModel * pace)
    length += (at === 0 ? task.setUp : 0) + size * hands
    if (!after) break
    const start = nextStart(task, after, size, pace)
    if (!isInTime(task, after, size, pace)) return false
    length += start - size * hands
  }
  return length <= longestSession
}

/** When the hands begin on the first model of the second, from when they began on that of the first. */
function nextStart(task: PlanTask, after: PlanTask, size: number, pace: number): number {
  const hands = Math.round(task.perModel * pace)
  const nextHands = Math.round(after.perModel * pace)
  let start = size * hands + (after.family === task.family ? 0 : after.setUp)
  for (let model = 1; model <= size; model++) {
    start = Math.max(start, model * hands + task.wait - (model - 1) * nextHands)
  }
  return start
}

function isInTime(task: PlanTask, after: PlanTask, size: number, pace: number): boolean {
  const hands = Math.round(task.perModel * pace)
  const nextHands = Math.round(after.perModel * pace)
  const start = nextStart(task, after, size, pace)
  for (let model = 1; model <= size; model++) {
    if (start + (model - 1) * nextHands > model * hands + (task.maxWait ?? 0)) return false
  }
  return true
}

/** The first pair of which not even one model can be in time; `null` when all can be kept. */
export function impossiblePair(
  tasks: readonly PlanTask[],
  pace: number,
): { readonly task: PlanTask; readonly after: PlanTask } | null {
  for (let at = 0; at + 1 < tasks.length; at++) {
    const [task, after] = [tasks[at], tasks[at + 1]]
    if (!task || !after || task.maxWait === null) continue
    if (task.models.some((model) => after.models.includes(model)) && !isInTime(task, after, 1, pace))
      return { task, after }
  }
  return null
}
