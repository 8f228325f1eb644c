import { isChain, waysOf, type PlanInstance, type PlanTask } from './instance.ts'
import { openTime, slotsOf, type OpenTime, type TimeSlots } from './time-slots.ts'

/**
 * An instance as flat arrays, which is what laying thousands of sequences a second takes. Tasks are numbered through all
 * batches in the order of their lists, models likewise, and ways through all tasks.
 */
export interface CompiledInstance {
  readonly instance: PlanInstance
  readonly tasks: readonly PlanTask[]
  readonly people: number
  readonly families: number
  /** By batch its first task; one more, so that the next entry ends it. */
  readonly taskAt: Int32Array
  readonly modelAt: Int32Array
  /** By task. */
  readonly batchOf: Int32Array
  /** By task: where its models, regions and ways begin; one more. */
  readonly modelsFrom: Int32Array
  readonly models: Int32Array
  readonly whole: Uint8Array
  readonly regionsFrom: Int32Array
  readonly regions: Int32Array
  readonly wayFrom: Int32Array
  /** Infinity where nothing has to follow soon. */
  readonly maxWait: Float64Array
  /** The tasks that have to be laid before, what is joined among them. */
  readonly before: readonly (readonly number[])[]
  /** By way. */
  readonly family: Int32Array
  readonly setUp: Float64Array
  readonly again: Float64Array
  readonly wait: Float64Array
  /** −1 where the desk will do. */
  readonly station: Int32Array
  /** Among `slots` of a painter: the windows it keeps to, the last for any time. */
  readonly windows: Int32Array
  readonly onRack: Uint8Array
  /** By way and painter, seconds a model; −1 where the painter may not. */
  readonly hands: Float64Array
  /** By painter and windows. */
  readonly slots: readonly TimeSlots[]
  /** By painter: when each session begins. */
  readonly opens: readonly Float64Array[]
  /** By painter: when the first session ends. */
  readonly closes: Float64Array
  readonly atDesk: readonly OpenTime[]
  /** Batches that others wait for: they do not count as in hand. */
  readonly helps: Uint8Array
  /** Reads seconds of work, set-ups and waits anew from the instance. */
  readonly refresh: () => void
}

export function compileInstance(instance: PlanInstance): CompiledInstance {
  const { batches, painters } = instance
  const people = painters.length
  const tasks = batches.flatMap((batch) => batch.tasks)
  const batchOf = Int32Array.from(batches.flatMap((batch, index) => batch.tasks.map(() => index)))
  const taskAt = offsets(batches.map((batch) => batch.tasks.length))
  const modelAt = offsets(batches.map((batch) => batch.models))
  const ways = tasks.flatMap(waysOf)
  const anyTime = instance.windows.length
  const hands = new Float64Array(ways.length * people)
  const setUp = new Float64Array(ways.length)
  const again = new Float64Array(ways.length)
  const wait = new Float64Array(ways.length)

  function refresh(): void {
    let at = 0
    for (const task of tasks) {
      for (let index = 0; index <= task.others.length; index++) {
        const way = index === 0 ? task : (task.others[index - 1] ?? task)
        setUp[at] = way.setUp
        again[at] = way.again
        wait[at] = way.wait
        for (let painter = 0; painter < people; painter++)
          hands[at * people + painter] =
            way.painters === null || way.painters.includes(painter)
              ? Math.round(way.perModel * (painters[painter]?.pace ?? 1))
              : -1
        at += 1
      }
    }
  }
  refresh()

  const joined = new Set(tasks.flatMap((task) => task.joins))
  const all = (batch: number) =>
    Array.from({ length: batches[batch]?.tasks.length ?? 0 }, (_, index) => (taskAt[batch] ?? 0) + index)
  const before = batches.flatMap((batch, at) =>
    batch.tasks.map((task, index) => {
      const own = isChain(batch) ? (index === 0 ? [] : [index - 1]) : (batch.comesAfter?.[index] ?? [])
      return [...own.map((each) => (taskAt[at] ?? 0) + each), ...task.joins.flatMap(all)]
    }),
  )
  const regionsOf = tasks.map((task) => (task.regions === 'whole' ? [] : task.regions))
  const slots = painters.flatMap((_, painter) =>
    Array.from({ length: anyTime + 1 }, (__, at) => slotsOf(instance, painter, at === anyTime ? null : at)),
  )
  const wholeSessions = painters.map((_, painter) => slotsOf(instance, painter, null))
  return {
    instance,
    tasks,
    people,
    families: ways.reduce((most, way) => Math.max(most, way.family), instance.openFamily ?? -1) + 1,
    taskAt,
    modelAt,
    batchOf,
    modelsFrom: offsets(tasks.map((task) => task.models.length)),
    models: Int32Array.from(
      tasks.flatMap((task, index) => task.models.map((model) => (modelAt[batchOf[index] ?? 0] ?? 0) + model)),
    ),
    whole: Uint8Array.from(tasks, (task) => (task.regions === 'whole' ? 1 : 0)),
    regionsFrom: offsets(regionsOf.map((each) => each.length)),
    regions: Int32Array.from(regionsOf.flat()),
    wayFrom: offsets(tasks.map((task) => 1 + task.others.length)),
    maxWait: Float64Array.from(tasks, (task) => task.maxWait ?? Number.POSITIVE_INFINITY),
    before,
    family: Int32Array.from(ways, (way) => way.family),
    setUp,
    again,
    wait,
    station: Int32Array.from(ways, (way) => way.station ?? -1),
    windows: Int32Array.from(ways, (way) => way.windows ?? anyTime),
    onRack: Uint8Array.from(ways, (way) => (way.onRack ? 1 : 0)),
    hands,
    slots,
    opens: wholeSessions.map((each) => each.start),
    closes: Float64Array.from(wholeSessions, (each) => each.end[0] ?? 0),
    atDesk: wholeSessions.map(openTime),
    helps: Uint8Array.from(batches, (_, index) => (joined.has(index) ? 1 : 0)),
    refresh,
  }
}

/** Where each of several stretches of so many begins, and where the last ends. */
function offsets(lengths: readonly number[]): Int32Array {
  const from = new Int32Array(lengths.length + 1)
  lengths.forEach((length, index) => (from[index + 1] = (from[index] ?? 0) + length))
  return from
}

/** By task the hands-on seconds it takes at the least, whoever does it. */
export function leastWork({ tasks, wayFrom, hands, people }: CompiledInstance): Float64Array {
  return Float64Array.from(tasks, (task, index) => {
    let least = Number.POSITIVE_INFINITY
    for (let at = (wayFrom[index] ?? 0) * people; at < (wayFrom[index + 1] ?? 0) * people; at++) {
      const seconds = hands[at] ?? -1
      if (seconds >= 0 && seconds < least) least = seconds
    }
    return Number.isFinite(least) ? least * task.models.length : 0
  })
}
