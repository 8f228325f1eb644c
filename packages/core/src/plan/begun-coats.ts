import { evenGroup, type FirstBy, groupSize, type PlanTask } from '../schedule/index.ts'

/** What was put on before the plan begins and has to be followed soon. */
export interface BegunCoat {
  /** Index in the line of the stage that has to follow. */
  readonly stage: number
  /** By position in the batch, seconds until a model has to be taken up at the latest; less than none: it is overdue. */
  readonly byModel: ReadonlyMap<number, number>
}

interface Desk {
  readonly longestSession: number
  readonly slowestPace: number
  /** The pot that is open. */
  readonly openFamily: number | null
}

interface BegunFirst {
  /** These tasks come before all others of the batch. */
  readonly first: readonly PlanTask[]
  readonly firstBy: readonly FirstBy[]
  readonly rest: readonly PlanTask[]
}

/** A coat that is past its time is taken up as soon as somebody is there, within so many seconds. */
const atOnce = 300

/**
 * The tasks with those models by themselves that have to be taken up soon, and through all that follows soon after that. Where
 * there is still time more models are given the coat before, until its group is as large as the others of the batch.
 * @param tasks in the order of the line.
 */
export function begunFirst(tasks: readonly PlanTask[], coat: BegunCoat, desk: Desk): BegunFirst {
  const from = tasks.findIndex((task) => task.stage === coat.stage && task.touchUp === null)
  const follower = tasks[from]
  if (!follower) return { first: [], firstBy: [], rest: tasks }
  let to = from
  while (to + 1 < tasks.length && tasks[to]?.maxWait !== null) to += 1
  const before = tasks[from - 1]
  const again =
    before && before.maxWait !== null ? onMore(before, tasks.slice(from - 1, to + 1), coat, desk) : null
  const more = again?.task.models ?? []
  const wet = [...coat.byModel.keys()].filter((model) => follower.models.includes(model))
  const first = [...wet, ...more]
  const chain = tasks.slice(from, to + 1)
  const through = chain.flatMap((task) => some(task, (model) => first.includes(model)))
  const rest = tasks.flatMap((task, at) => {
    if (at === from - 1) return some(task, (model) => !more.includes(model))
    return at < from || at > to ? [task] : some(task, (model) => !first.includes(model))
  })
  if (again) return { first: [again.task, ...through], firstBy: again.firstBy, rest }
  const hands = follower.perModel * desk.slowestPace
  const firstBy = wet.map((model, place) => ({
    model,
    by: Math.max(coat.byModel.get(model) ?? 0, atOnce + follower.setUp + Math.ceil(place * hands)),
  }))
  return { first: through, firstBy, rest }

  /** Those that are wet first. */
  function some(task: PlanTask, isMeant: (model: number) => boolean): readonly PlanTask[] {
    const models = [...first, ...task.models.filter((model) => !first.includes(model))].filter(
      (model) => task.models.includes(model) && isMeant(model),
    )
    return models.length > 0 ? [{ ...task, models }] : []
  }
}

/** The coat on as many more models as leave time to take up the first; `null` when there is none. */
function onMore(
  before: PlanTask,
  chain: readonly PlanTask[],
  { byModel }: BegunCoat,
  desk: Desk,
): { readonly task: PlanTask; readonly firstBy: readonly FirstBy[] } | null {
  const [, follower] = chain
  if (!follower) return null
  const hands = Math.round(before.perModel * desk.slowestPace)
  const nextHands = Math.round(follower.perModel * desk.slowestPace)
  const setUp = follower.family === before.family ? 0 : follower.setUp
  const wet = [...byModel.values()]
  const latest = Math.min(...wet.map((by, place) => by - place * nextHands))
  const opens = desk.openFamily === before.family ? 0 : before.setUp
  const largest = groupSize(chain, desk.longestSession, desk.slowestPace)
  const fits = evenGroup(wet.length + before.models.length, largest) - wet.length
  for (let count = Math.min(fits, before.models.length); count > 0; count--) {
    const places = Array.from({ length: count }, (_, place) => place)
    const begins = Math.max(
      count * hands + setUp,
      ...places.map((place) => (place + 1) * hands + before.wait - (wet.length + place) * nextHands),
    )
    if (latest - begins < opens) continue
    const models = before.models.slice(0, count)
    // Right after it, so that those that were wet before are still in time.
    const maxWait = Math.max(
      ...places.map((place) => begins + (wet.length + place) * nextHands - (place + 1) * hands),
    )
    return {
      task: { ...before, models, maxWait: Math.min(before.maxWait ?? maxWait, maxWait) },
      firstBy: models.map((model, place) => ({ model, by: latest - begins + place * hands })),
    }
  }
  return null
}
