import { toPlan } from './to-plan.ts'
import { describe, expect, it } from 'vitest'
import { foldProgress } from '../progress/fold-progress.ts'
import { drying, eventId, noon, project, stage, unit } from '../testing/builders.ts'
import type { Stage } from '../trade/stage.ts'
import type { BatchId, ModelId, StageId } from '../units/ids.ts'
import { addSeconds, type Instant } from '../units/instant.ts'
import { minutes } from '../units/seconds.ts'
import { planLine } from './plan-line.ts'

/** From the moment the desk opens. */
const opening = addSeconds(noon, 1800)
const later = (count: number) => addSeconds(opening, count * 60)

const base = stage('base', { handsOnSecondsPerModel: minutes(6), ...drying(0) })
const wash = stage('wash', { ...drying(0), nextWithinSeconds: minutes(20) })
const wipe = stage('wipe', drying(0))
const line = [base, wash, wipe]
const units = [unit('pikes', 4), unit('horns', 4)]

/** The pikes are to be finished before anything else. */
const inPikesFirst = (stages: readonly Stage[]) => {
  const plain = project(units, stages)
  const pikesFirst = ['pikes-1..pikes-4' as BatchId]
  return { ...plain, planning: { ...plain.planning, first: pikesFirst } }
}

/** By model, when it is wiped, in minutes from the opening. */
function wiped(events: readonly Punch[], now: Instant, given = inPikesFirst(line)) {
  const planned = planLine({ ...toPlan(given), progress: told(events), now })
  if (!planned.ok) throw new Error(planned.error.kind)
  return new Map(
    planned.value.stretches
      .filter(({ stageId }) => stageId === wipe.id)
      .flatMap(({ modelIds, startsAt, setUpSeconds }) =>
        modelIds.map((id, place): [string, number] => [
          id,
          (addSeconds(startsAt, setUpSeconds + place * 60) - opening) / 60_000,
        ]),
      ),
  )
}

type Punch = ReturnType<typeof punched>
const told = (events: readonly Punch[]) =>
  foldProgress(events.map((event, index) => ({ ...event, id: eventId(index) })))

const idsOf = (each: (typeof units)[number]) => each.models.map(({ id }) => id)

const punched = (stageId: StageId, at: Instant, modelIds: readonly ModelId[]) =>
  ({ kind: 'punched', stageId, at, modelIds }) as const

describe('what was put on before the plan and has to be followed soon', () => {
  const [pikes, horns] = [idsOf(units[0]!), idsOf(units[1]!)]
  const ready = [
    punched(base.id, addSeconds(opening, -7200), horns),
    punched(wash.id, later(-1), horns.slice(0, 2)),
    punched(wash.id, later(0), horns.slice(2, 3)),
  ]

  it('comes first, and each model by its own time; the rest of the batch is washed when it is its turn', () => {
    const at = wiped(ready, later(1))
    expect(at.get(horns[0]!)).toBeLessThanOrEqual(19)
    expect(at.get(horns[1]!)).toBeLessThanOrEqual(19)
    expect(at.get(horns[2]!)).toBeLessThanOrEqual(20)
    expect([...at.keys()]).toHaveLength(8)
  })

  it('comes after the coat on the rest of its group while there is time for that', () => {
    const oneOf = (limit: number, now: Instant) => {
      const given = inPikesFirst([base, { ...wash, nextWithinSeconds: minutes(limit) }, wipe])
      const planned = planLine({ ...toPlan(given), progress: told(ready.slice(0, 2)), now })
      if (!planned.ok) throw new Error(planned.error.kind)
      return planned.value.stretches
        .slice(0, 2)
        .map(({ stageId, modelIds }) => [stageId, modelIds.map((id) => horns.indexOf(id))])
    }
    expect(oneOf(20, later(1))).toEqual([
      [wash.id, [2, 3]],
      [wipe.id, [0, 1, 2, 3]],
    ])
    // A minute a model: there is time for one more, then for none.
    expect(oneOf(4, later(1))[0]).toEqual([wash.id, [2]])
    expect(oneOf(3, later(1))[0]).toEqual([wipe.id, [0, 1]])
  })

  it('comes before any other model where its group is as large as the batch’s groups are', () => {
    // Seven go through both in time, so that twelve are two groups of six.
    const slow = { ...wash, handsOnSecondsPerModel: minutes(2), nextWithinSeconds: minutes(15) }
    const dozen = unit('spears', 12)
    const spears = idsOf(dozen)
    const stretchesWhere = (done: number) => {
      const stained = spears
        .slice(0, done)
        .map((model, place) => punched(wash.id, later(2 * (place + 1 - done)), [model]))
      const given = project([dozen], [base, slow, wipe], { batchSize: 12 })
      const progress = told([punched(base.id, addSeconds(opening, -7200), spears), ...stained])
      const planned = planLine({ ...toPlan(given), progress, now: opening })
      if (!planned.ok) throw new Error(planned.error.kind)
      return planned.value.stretches.map(({ stageId, modelIds }) => [stageId, modelIds.length])
    }
    const turns = (...groups: readonly number[]) =>
      groups.flatMap((size) => [
        [wash.id, size],
        [wipe.id, size],
      ])
    expect(stretchesWhere(0)).toEqual(turns(6, 6))
    expect(stretchesWhere(6)).toEqual([[wipe.id, 6], ...turns(6)])
    expect(stretchesWhere(4)).toEqual([[wash.id, 2], [wipe.id, 6], ...turns(6)])
  })

  it('is done at once where it is past its time', () => {
    const at = wiped(ready, later(40))
    for (const id of horns.slice(0, 3)) expect(at.get(id)).toBeLessThanOrEqual(40 + 5 + 6)
  })

  it('comes with the next session where nobody is there in time', () => {
    const late = punched(wash.id, later(179), horns.slice(0, 2))
    const at = wiped([ready[0]!, late], later(181))
    expect(at.size).toBe(8)
    expect(at.get(horns[0]!)).toBeGreaterThan(180)
  })

  it('keeps the more pressing of two batches that cannot both be in time', () => {
    const slow = { ...wipe, handsOnSecondsPerModel: minutes(4) }
    const both = [
      punched(base.id, addSeconds(opening, -7200), [...horns, ...pikes]),
      punched(wash.id, later(-6), horns),
      punched(wash.id, later(-2), pikes),
    ]
    const planned = planLine({
      ...toPlan(inPikesFirst([base, wash, slow])),
      progress: told(both),
      now: opening,
    })
    if (!planned.ok) throw new Error(planned.error.kind)
    const [first] = planned.value.stretches
    expect(first?.modelIds).toEqual(horns)
    expect(planned.value.stretches.flatMap(({ modelIds }) => modelIds)).toHaveLength(8)
  })
})
