import fc from 'fast-check'
import type { PlanBatch, PlanInstance, PlanTask, PlanWay, Span } from '../schedule/instance.ts'

interface Limits {
  readonly batches: number
  readonly stages: number
  readonly models: number
  readonly sessions: boolean
  /** Beyond one painter alone at a desk: painters, stations, windows, rack, maximum waits, ways, joins, dates. */
  readonly everything?: boolean
}

const regionCount = 3

/** Any instance of our kind, small enough to check by hand or by force. */
export function anyInstance(limits: Limits): fc.Arbitrary<PlanInstance> {
  const everything = limits.everything === true
  return fc
    .record({
      batches: fc.array(anyBatch(limits), { minLength: 1, maxLength: limits.batches }),
      painters: fc.array(
        fc.record({
          sessions: limits.sessions ? fc.option(anySessions(), { nil: null }) : fc.constant(null),
          pace: everything ? fc.constantFrom(1, 0.7, 1.5) : fc.constant(1),
        }),
        { minLength: 1, maxLength: everything ? 3 : 1 },
      ),
      rack: everything
        ? fc.option(fc.integer({ min: limits.models, max: 12 }), { nil: null })
        : fc.constant(null),
      potsCloseBetweenSessions: fc.boolean(),
      maySplit: everything ? fc.boolean() : fc.constant(true),
      inHandAtMost: fc.option(fc.integer({ min: 1, max: 3 }), { nil: null }),
      openFamily: fc.option(fc.integer({ min: 0, max: 3 }), { nil: null }),
      joinFirst: everything ? fc.boolean() : fc.constant(false),
    })
    .map(({ joinFirst, ...parts }) => ({
      ...parts,
      regionCount,
      stations: [1, 2],
      windows: [dayWindows],
      bores: { stage: 1800, kind: 5400 },
      batches: joinFirst ? joined(parts.batches) : parts.batches,
    }))
    .map((instance) => ({ ...instance, batches: instance.batches.map((batch) => onlyHere(batch, instance)) }))
}

/** Long windows every day, so that every stage that keeps to them finds one. */
const dayWindows: readonly Span[] = Array.from({ length: 800 }, (_, day) => ({
  start: day * 400 + 50,
  end: day * 400 + 330,
}))

/** The last batch joins the first at its last stage. */
function joined(batches: readonly PlanBatch[]): readonly PlanBatch[] {
  if (batches.length < 2) return batches
  return batches.map((batch, index) =>
    index < batches.length - 1
      ? batch
      : {
          ...batch,
          tasks: batch.tasks.map((task, at) =>
            at === batch.tasks.length - 1 ? { ...task, joins: [0] } : task,
          ),
        },
  )
}

/** Who is not there cannot be asked for; and nobody is where nobody else is. */
function onlyHere(batch: PlanBatch, instance: PlanInstance): PlanBatch {
  const people = instance.painters.length
  const here = <T extends PlanWay>(way: T): T => {
    const painters = way.painters?.filter((painter) => painter < people) ?? null
    return { ...way, painters: painters?.length === 0 ? null : painters }
  }
  return { ...batch, tasks: batch.tasks.map((task) => ({ ...here(task), others: task.others.map(here) })) }
}

/** Sessions of at least an hour, enough of them for any instance here. */
function anySessions() {
  return fc
    .tuple(
      fc.integer({ min: 0, max: 40 }),
      fc.integer({ min: 60, max: 150 }),
      fc.integer({ min: 0, max: 300 }),
    )
    .map(([first, length, pause]) =>
      Array.from({ length: 400 }, (_, index) => {
        const start = first + index * (length + pause)
        return { start, end: start + length }
      }),
    )
}

function anyBatch(limits: Limits): fc.Arbitrary<PlanBatch> {
  const everything = limits.everything === true
  const sometimes = <T>(arbitrary: fc.Arbitrary<T>): fc.Arbitrary<T | null> =>
    everything ? fc.option(arbitrary, { nil: null, freq: 3 }) : fc.constant(null)
  return fc.integer({ min: 1, max: limits.models }).chain((models) => {
    const regions: fc.Arbitrary<PlanTask['regions']> = fc.oneof(
      fc.constant('whole' as const),
      fc.uniqueArray(fc.integer({ min: 0, max: regionCount - 1 }), { minLength: 1, maxLength: 2 }),
    )
    const way: fc.Arbitrary<PlanWay> = fc.record({
      family: fc.integer({ min: 0, max: 3 }),
      setUp: fc.integer({ min: 2, max: 5 }),
      again: fc.integer({ min: 0, max: 2 }),
      perModel: fc.integer({ min: 1, max: 6 }),
      wait: fc.oneof(fc.constant(0), fc.integer({ min: 1, max: 40 })),
      station: sometimes(fc.integer({ min: 0, max: 1 })),
      windows: sometimes(fc.constant(0)),
      painters: sometimes(fc.uniqueArray(fc.integer({ min: 0, max: 2 }), { minLength: 1, maxLength: 3 })),
      onRack: everything ? fc.boolean() : fc.constant(false),
    })
    const task = fc
      .record({
        way,
        regions,
        models: fc.subarray(
          Array.from({ length: models }, (_, index) => index),
          { minLength: 1 },
        ),
        others: fc.array(way, { maxLength: everything ? 1 : 0 }),
        /** Beyond the least: so that it can be kept. */
        slack: sometimes(fc.integer({ min: 60, max: 120 })),
      })
      .map(({ way: own, slack, ...parts }) => ({
        ...own,
        ...parts,
        joins: [],
        touchUp: null,
        maxWait:
          slack === null ? null : Math.max(own.wait, ...parts.others.map((other) => other.wait)) + slack,
      }))
    return fc
      .record({
        tasks: fc.array(task, { minLength: 1, maxLength: limits.stages }),
        begun: fc.boolean(),
        drying: fc.array(
          fc.record({
            model: fc.integer({ min: 0, max: models - 1 }),
            regions,
            readyAt: fc.integer({ min: 1, max: 50 }),
          }),
          { maxLength: 2 },
        ),
        kind: fc.integer({ min: 0, max: 2 }),
        due: sometimes(fc.integer({ min: 10, max: 400 })),
        priority: everything ? fc.integer({ min: 0, max: 2 }) : fc.constant(0),
      })
      .map(({ tasks, begun, drying, ...parts }) => ({
        ...parts,
        models,
        begun,
        comesAfter: null,
        drying: begun ? drying : [],
        tasks: tasks.map((each, stage) => ({ ...each, stage })),
      }))
  })
}

/** Batches that are begun have to be gone on with by a moment, in which nobody may be there. */
export const withFirstBy = (instances: fc.Arbitrary<PlanInstance>): fc.Arbitrary<PlanInstance> =>
  fc
    .tuple(instances, fc.array(fc.integer({ min: 0, max: 60 }), { minLength: 40, maxLength: 40 }))
    .map(([instance, moments]) => ({
      ...instance,
      batches: instance.batches.map((batch, at) => {
        if (!batch.begun) return batch
        const [first] = batch.tasks
        const firstBy = (first?.models ?? []).map((model) => ({ model, by: moments[at * 8 + model] ?? 60 }))
        const { comesAfter } = batch
        if (!comesAfter) return { ...batch, firstBy }
        const afterFirst = comesAfter.map((own, task) => (task === 0 ? own : [...new Set([0, ...own])]))
        return { ...batch, firstBy, comesAfter: afterFirst }
      }),
    }))

/** Random instances whose tasks are bound where they share a region, and here and there beside. */
export const anyFreeInstance = (limits: Parameters<typeof anyInstance>[0]) =>
  anyInstance(limits).chain((instance) =>
    fc.array(fc.boolean(), { minLength: 200, maxLength: 200 }).map((extra): PlanInstance => {
      let at = 0
      return {
        ...instance,
        batches: instance.batches.map((batch) => ({
          ...batch,
          comesAfter: batch.tasks.map((later, place) =>
            batch.tasks.flatMap((earlier, index) => {
              if (index >= place) return []
              const meets =
                later.regions === 'whole' ||
                earlier.regions === 'whole' ||
                later.regions.some((region) => (earlier.regions as readonly number[]).includes(region))
              return meets || (extra[at++ % 200] && extra[at++ % 200]) ? [index] : []
            }),
          ),
        })),
      }
    }),
  )
