import { toPlan } from './to-plan.ts'
import { describe, expect, it } from 'vitest'
import { drying, eventId, noon, project, stage, unit } from '../testing/builders.ts'
import { foldProgress } from '../progress/fold-progress.ts'
import { addSeconds } from '../units/instant.ts'
import { minutes } from '../units/seconds.ts'
import { planLine } from './plan-line.ts'
import { runSheets } from './run-sheet.ts'

function sheetsOf(given: ReturnType<typeof project>) {
  const planned = planLine({ ...toPlan(given), now: addSeconds(noon, 1800) })
  if (!planned.ok) throw new Error(planned.error.kind)
  return { plan: planned.value, sheets: runSheets(planned.value, given) }
}

describe('runSheets', () => {
  it('tells a wait, how long, and what it is for', () => {
    const { sheets } = sheetsOf(project([unit('a', 1)], [stage('wash', drying(20)), stage('edge')]))
    const [first, wait, last] = sheets[0]!.entries
    expect(first).toMatchObject({ kind: 'work', stage: { name: 'wash' } })
    expect(wait).toMatchObject({ kind: 'wait', for: { stage: { name: 'wash' }, batch: { unitName: 'a' } } })
    expect(last).toMatchObject({ kind: 'work', stage: { name: 'edge' } })
    if (wait?.kind === 'wait') expect(wait.endsAt - wait.startsAt).toBe(20 * 60_000)
  })

  it('names a wait for what was wet before the plan began', () => {
    const line = [stage('wash', drying(20)), stage('edge')]
    const given = project([unit('a', 1)], line)
    const at = addSeconds(noon, 1800)
    const progress = foldProgress([
      {
        kind: 'punched',
        id: eventId(1),
        at,
        stageId: line[0]!.id,
        modelIds: [given.units[0]!.models[0]!.id],
      },
    ])
    const planned = planLine({ ...toPlan(given), progress, now: addSeconds(at, 60) })
    if (!planned.ok) throw new Error(planned.error.kind)
    expect(runSheets(planned.value, given)[0]!.entries[0]).toMatchObject({
      kind: 'wait',
      endsAt: addSeconds(at, 20 * 60),
      for: { stage: { name: 'wash' }, batch: { unitName: 'a' } },
    })
  })

  it('names the drying that other work fills', () => {
    const line = [stage('wash', { handsOnSecondsPerModel: minutes(10), ...drying(15) }), stage('edge')]
    const { sheets, plan } = sheetsOf(project([unit('a', 1), unit('b', 1)], line))
    expect(plan.exposedSeconds).toBeLessThan(15 * 60)
    const filling = sheets[0]!.entries.filter((entry) => entry.kind === 'work' && entry.fills.length > 0)
    expect(filling[0]).toMatchObject({
      batch: { unitName: 'b' },
      fills: [{ stage: { name: 'wash' }, batch: { unitName: 'a' } }],
    })
  })

  it('covers every stretch once, in time order, evening by evening', () => {
    const line = [
      stage('one', { handsOnSecondsPerModel: minutes(20), ...drying(30) }),
      stage('two', { handsOnSecondsPerModel: minutes(9) }),
    ]
    const { sheets, plan } = sheetsOf(project([unit('a', 7), unit('b', 6)], line, { batchSize: 3 }))
    const work = sheets.flatMap((sheet) =>
      sheet.entries.flatMap((entry) => (entry.kind === 'work' ? [entry.stretch] : [])),
    )
    expect(work).toEqual(plan.stretches)
    for (const { session, entries, freeSeconds } of sheets) {
      const ends = entries.map((entry) => (entry.kind === 'work' ? entry.stretch.endsAt : entry.endsAt))
      expect(ends).toEqual(ends.toSorted((a, b) => a - b))
      expect(ends.at(-1)! + freeSeconds * 1000).toBe(session.endsAt)
    }
  })

  it('shows exactly the waiting the plan counts', () => {
    const line = [stage('one', drying(25)), stage('two', drying(25)), stage('three')]
    const { sheets, plan } = sheetsOf(project([unit('a', 4)], line))
    const waits = sheets.flatMap((sheet) =>
      sheet.entries.flatMap((entry) =>
        entry.kind === 'wait' ? [(entry.endsAt - entry.startsAt) / 1000] : [],
      ),
    )
    expect(waits.reduce((sum, wait) => sum + wait, 0)).toBe(plan.exposedSeconds)
  })
})
