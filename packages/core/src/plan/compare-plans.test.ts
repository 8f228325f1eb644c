import { toPlan } from './to-plan.ts'
import { describe, expect, it } from 'vitest'
import { foldProgress } from '../progress/fold-progress.ts'
import { drying, eventId, noon, project, stage, unit } from '../testing/builders.ts'
import { addSeconds, type Instant } from '../units/instant.ts'
import { minutes } from '../units/seconds.ts'
import { comparePlans, keepPlan } from './compare-plans.ts'
import { planLine } from './plan-line.ts'
import { whyThen } from './why-then.ts'

const line = [
  stage('prime', { handsOnSecondsPerModel: minutes(10), ...drying(30) }),
  stage('coat', { handsOnSecondsPerModel: minutes(10) }),
  stage('edge', { handsOnSecondsPerModel: minutes(10) }),
]
const given = project([unit('a', 8)], line, { batchSize: 8 })

function planAt(now: Instant, done: readonly string[] = []) {
  const progress = foldProgress(
    done.map((name, index) => ({
      kind: 'punched' as const,
      id: eventId(index),
      at: addSeconds(noon, 1800),
      stageId: line.find((each) => each.name === name)!.id,
      modelIds: given.units[0]!.models.map((model) => model.id),
    })),
  )
  const planned = planLine({ ...toPlan(given), progress, now })
  if (!planned.ok) throw new Error(planned.error.kind)
  return { plan: planned.value, progress }
}

describe('comparePlans', () => {
  const before = keepPlan(planAt(noon).plan, noon)
  const tomorrow = addSeconds(noon, 22 * 3600)
  const changes = (now: Instant, done: readonly string[]) => {
    const { plan, progress } = planAt(now, done)
    return comparePlans(before, plan, given, progress, now)
  }

  it('has nothing to say when nothing happened', () => {
    expect(changes(noon, [])).toEqual([])
  })

  it('names an evening lost, what slipped by it, and the new finish', () => {
    const found = changes(tomorrow, [])
    expect(found.map((change) => change.kind)).toEqual([
      'finish',
      'done',
      'session-lost',
      'slipped',
      'slipped',
      'slipped',
    ])
    expect(found[1]).toEqual({ kind: 'done', works: 0, ofPlanned: 2 })
    expect(found[2]).toEqual({ kind: 'session-lost', startsAt: addSeconds(noon, 1800) })
  })

  it('counts what was done, and what was done ahead of the plan', () => {
    const found = changes(tomorrow, ['prime', 'coat'])
    expect(found.find((change) => change.kind === 'done')).toMatchObject({ works: 2, ofPlanned: 2 })
    expect(found.find((change) => change.kind === 'ahead')).toMatchObject({ works: 1 })
    expect(found.some((change) => change.kind === 'session-lost')).toBe(false)
  })

  it('counts work that is new and work that is gone', () => {
    const other = project([unit('a', 8), unit('b', 2)], [line[0]!, line[2]!])
    const planned = planLine({ ...toPlan(other), now: noon })
    if (!planned.ok) throw new Error(planned.error.kind)
    const found = comparePlans(before, planned.value, other, foldProgress([]), noon)
    expect(found).toContainEqual({ kind: 'new-work', works: 2 })
    expect(found).toContainEqual({ kind: 'gone', works: 2 })
  })
})

describe('whyThen', () => {
  const short = project(
    [unit('a', 1)],
    [stage('wash', drying(20)), stage('look'), stage('edge', { touch: { kind: 'base' } })],
  )
  it('tells what a stretch waited for', () => {
    const planned = planLine({ ...toPlan(short), now: addSeconds(noon, 1800) })
    if (!planned.ok) throw new Error(planned.error.kind)
    const kinds = planned.value.stretches.map((stretch) => whyThen(planned.value, short, stretch).kind)
    expect(kinds).toEqual(['opens-session', 'wet', 'hands'])
  })

  it('tells what is pinned', () => {
    const pin = {
      batchId: 'a-1..a-1' as never,
      stageId: 'wash' as never,
      on: '2026-11-25' as never,
      at: '19:30',
    }
    const pinned = { ...short, planning: { ...short.planning, pins: [pin] } }
    const planned = planLine({ ...toPlan(pinned), now: noon })
    if (!planned.ok) throw new Error(planned.error.kind)
    const [first] = planned.value.stretches
    expect(first!.startsAt).toBe(addSeconds(noon, 24 * 3600 + 1800))
    expect(whyThen(planned.value, pinned, first!)).toEqual({ kind: 'pinned' })
    const left = { ...first!, putOff: true }
    expect(whyThen(planned.value, short, left)).toEqual({ kind: 'put-off' })
  })
})
