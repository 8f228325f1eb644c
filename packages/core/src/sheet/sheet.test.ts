import { toPlan } from '../plan/to-plan.ts'
import { describe, expect, it } from 'vitest'
import type { ProgressEvent } from '../progress/event.ts'
import { foldProgress } from '../progress/fold-progress.ts'
import { planLine } from '../plan/plan-line.ts'
import { splitIntoBatches } from '../trade/batches.ts'
import { drying, eventId, noon, project, stage, unit } from '../testing/builders.ts'
import { addSeconds, type Instant } from '../units/instant.ts'
import type { ModelId } from '../units/ids.ts'
import { minutes, seconds } from '../units/seconds.ts'
import { burnUp } from './burn-up.ts'
import { groupSheet, pointsOf } from './group-sheet.ts'
import { inspectionChecklist } from './inspection.ts'
import { lateModels } from './late-models.ts'
import { laterOnPurpose } from './later-on-purpose.ts'
import { lastSitting } from './last-sitting.ts'
import { createStandings } from './model-standing.ts'
import { touchUpRound } from './touch-up-round.ts'

const pikes = unit('pikes', 3)
const eels = {
  ...unit('eels', 2),
  models: unit('eels', 2).models.map((model, index) => ({
    ...model,
    role: index === 0 ? 'leader' : 'trooper',
    variants: index === 0 ? ['horn'] : [],
    points: 10,
  })),
}
const line = [
  stage('coat', {
    material: 'moss',
    handsOnSecondsPerModel: minutes(5),
    setUpSeconds: minutes(1),
    ...drying(30),
  }),
  stage('shade', { material: 'Moss', handsOnSecondsPerModel: minutes(2), tableReady: true }),
  stage('edge', { material: 'bone', handsOnSecondsPerModel: minutes(10), notNeededBy: [eels.id] }),
]
const given = project([pikes, eels], line, { batchSize: 2 })
const [coat, shade, edge] = line.map((each) => each.id)

let number = 0
const event = (
  at: Instant,
  kind: string,
  stageId: unknown,
  models: readonly { id: unknown }[],
  note?: string,
) =>
  ({
    id: eventId((number += 1)),
    at,
    kind,
    stageId,
    modelIds: models.map((model) => model.id),
    ...(note === undefined ? {} : { note }),
  }) as ProgressEvent
const later = (seconds: number) => addSeconds(noon, seconds)

const nobody: ReadonlySet<ModelId> = new Set()

const standingsOf = (events: readonly ProgressEvent[], now = noon) =>
  createStandings()(given, foldProgress(events), now)

describe('a model’s standing', () => {
  it('counts the stages it takes and is table-ready at the stop line', () => {
    const [pike, , , eel] = standingsOf(
      [
        event(noon, 'punched', coat, [...pikes.models, ...eels.models]),
        event(noon, 'punched', shade, [eels.models[0]!]),
      ],
      later(60),
    )
    expect(pike).toMatchObject({ of: 3, done: 1, dries: true, isTableReady: false, isFinished: false })
    expect(pike!.holes.map((hole) => hole.kind)).toEqual(['drying', 'to-do', 'to-do'])
    expect(eel).toMatchObject({ of: 2, done: 2, isTableReady: true, isFinished: true })
    expect(eel!.holes[2]).toEqual({ kind: 'not-needed' })
  })

  it('is the same object while nothing about the model changed, and another once something did', () => {
    const make = createStandings()
    const punch = event(noon, 'punched', shade, [pikes.models[0]!])
    const before = make(given, foldProgress([]), noon)
    const after = make(given, foldProgress([punch]), later(10))
    expect(after[0]).not.toBe(before[0])
    expect(after.slice(1).every((each, index) => each === before[index + 1])).toBe(true)
    // What dries changes with time until it is dry.
    const wet = foldProgress([event(noon, 'punched', coat, [pikes.models[1]!])])
    const drying = make(given, wet, later(10))
    expect(make(given, wet, later(20))[1]).not.toBe(drying[1])
    expect(make(given, wet, later(4000))[1]).toMatchObject({ dries: false, done: 1 })
    expect(make({ ...given, line: [...line].reverse() }, wet, later(4000))[1]!.holes[2]).toEqual({
      kind: 'done',
    })
  })
})

describe('the sheet in groups', () => {
  const standings = standingsOf(
    [
      event(noon, 'punched', coat, [...pikes.models, ...eels.models]),
      event(noon, 'punched', shade, eels.models),
      event(later(5), 'touch-up', coat, [pikes.models[2]!], 'drip'),
    ],
    later(4000),
  )
  const batches = splitIntoBatches(given, given)
  const late = new Set([pikes.models[1]!.id])
  const names = (wish: Partial<Parameters<typeof groupSheet>[2]>) =>
    groupSheet(standings, batches, { by: 'unit', show: 'all', find: '', ...wish }, late).map(
      ({ name, members }) => `${name}: ${members.map((each) => each.model.name).join(', ')}`,
    )

  it('stands by unit, role or batch', () => {
    expect(names({})).toEqual(['pikes: pikes 1, pikes 2, pikes 3', 'eels: eels 1, eels 2'])
    expect(names({ by: 'role' })).toEqual(['trooper: pikes 1, pikes 2, pikes 3, eels 2', 'leader: eels 1'])
    expect(names({ by: 'batch' })).toHaveLength(batches.length)
    expect(groupSheet(standings, [], { by: 'batch', show: 'all', find: '' }, nobody)[0]!.name).toBe(
      'no batch',
    )
  })

  it('shows what was asked for, by every word that was typed', () => {
    expect(names({ show: 'table-ready' })).toEqual(['eels: eels 1, eels 2'])
    expect(names({ show: 'to do' })).toEqual(['pikes: pikes 1, pikes 2, pikes 3'])
    expect(names({ show: 'touch-up' })).toEqual(['pikes: pikes 3'])
    expect(names({ show: 'drying' })).toEqual([])
    expect(names({ show: 'late' })).toEqual(['pikes: pikes 2'])
    expect(names({ find: ' Horn  EELS ' })).toEqual(['eels: eels 1'])
    expect(names({ find: 'horn pikes' })).toEqual([])
  })

  it('counts points, and those on the table', () => {
    const [first, second] = groupSheet(standings, batches, { by: 'unit', show: 'all', find: '' }, nobody)
    expect(first).toMatchObject({ points: 3, pointsOnTable: 0 })
    expect(second).toMatchObject({ points: 20, pointsOnTable: 20 })
    expect(pointsOf(standings)).toBe(23)
  })
})

describe('the last sitting', () => {
  it('is none while nothing is marked', () => {
    expect(lastSitting(given, foldProgress([]))).toBeNull()
  })

  it('begins after the last pause of more than two hours, and counts what stands of it', () => {
    const day = 24 * 3600
    const events = [
      event(noon, 'punched', coat, pikes.models),
      event(later(day), 'punched', shade, pikes.models.slice(0, 2)),
      event(later(day + 5400), 'punched', edge, pikes.models.slice(0, 2)),
      event(later(day + 5500), 'cleared', edge, pikes.models.slice(1, 2)),
      event(later(day + 5600), 'touch-up', coat, pikes.models.slice(2), 'drip'),
    ]
    expect(lastSitting(given, foldProgress(events))).toEqual({
      from: later(day),
      to: later(day + 5600),
      workSeconds: 2 * 120 + 600,
      tableReady: 2,
      touchUps: 1,
    })
  })
})

describe('the burn-up', () => {
  it('grows by day to what is done, of all there is', () => {
    const day = 24 * 3600
    const progress = foldProgress([
      event(noon, 'punched', coat, pikes.models),
      event(later(600), 'punched', shade, pikes.models.slice(0, 1)),
      event(later(day), 'punched', edge, pikes.models.slice(0, 1)),
      event(later(day + 60), 'punched', edge, pikes.models.slice(1, 2)),
      event(later(day + 90), 'cleared', edge, pikes.models.slice(1, 2)),
    ])
    const { days, scopeSeconds } = burnUp(given, progress)
    expect(scopeSeconds).toBe(3 * (300 + 120 + 600) + 2 * (300 + 120))
    expect(days).toEqual([
      { at: later(600), doneSeconds: 3 * 300 + 120, scopeSeconds },
      { at: later(day), doneSeconds: 3 * 300 + 120 + 600, scopeSeconds },
    ])
    expect(burnUp(given, foldProgress([])).days).toEqual([])
  })

  it('has all there is grow on the days on which models came', () => {
    const day = 24 * 3600
    const idOf = (at: Instant, each: number) => {
      const time = at.toString(16).padStart(12, '0')
      return `${time.slice(0, 8)}-${time.slice(8)}-7000-8000-00000000000${String(each)}` as ModelId
    }
    const came = (name: string, count: number, at: Instant) => ({
      ...unit(name, count),
      models: unit(name, count).models.map((model, index) => ({ ...model, id: idOf(at, index) })),
    })
    const units = [came('early', 2, noon), came('late', 3, later(2 * day))]
    const progress = foldProgress([
      event(later(60), 'punched', coat, units[0]!.models),
      event(later(3 * day), 'punched', coat, units[1]!.models.slice(0, 1)),
    ])
    const each = 300 + 120 + 600
    expect(burnUp({ ...given, units }, progress).days).toEqual([
      { at: later(60), doneSeconds: 600, scopeSeconds: 2 * each },
      { at: later(2 * day), doneSeconds: 600, scopeSeconds: 5 * each },
      { at: later(3 * day), doneSeconds: 900, scopeSeconds: 5 * each },
    ])
  })
})

describe('an inspection', () => {
  const through = [
    event(noon, 'punched', coat, pikes.models),
    event(noon, 'punched', shade, pikes.models),
    event(noon, 'punched', edge, pikes.models),
  ]
  const inspected = (at: Instant, models: readonly { id: unknown }[], verdict = 'passed', note = '') =>
    ({
      id: eventId((number += 1)),
      at,
      kind: 'inspected',
      modelIds: models.map((model) => model.id),
      verdict,
      note,
    }) as ProgressEvent
  const shown = (events: readonly ProgressEvent[], show: 'to inspect' | 'inspected') =>
    groupSheet(standingsOf(events, later(8000)), [], { by: 'unit', show, find: '' }, nobody).flatMap(
      (group) => group.members.map((each) => each.model.name),
    )

  it('waits for what is table-ready, dry and without a touch-up', () => {
    expect(shown(through, 'to inspect')).toEqual(['pikes 1', 'pikes 2', 'pikes 3'])
    const slip = event(later(10), 'touch-up', coat, [pikes.models[1]!], 'missed')
    expect(shown([...through, slip], 'to inspect')).toEqual(['pikes 1', 'pikes 3'])
  })

  it('stands until something is painted, opened again or noted after it', () => {
    const look = inspected(later(100), pikes.models)
    expect(shown([...through, look], 'inspected')).toHaveLength(3)
    expect(shown([...through, look], 'to inspect')).toEqual([])
    const [one, two] = pikes.models
    const after = [
      event(later(200), 'punched', edge, [one!]),
      event(later(200), 'touch-up', coat, [two!], 'missed'),
      event(later(300), 'punched', coat, [two!]),
    ]
    expect(shown([...through, look, ...after], 'inspected')).toEqual(['pikes 3'])
    expect(shown([...through, look, ...after], 'to inspect')).toEqual(['pikes 1', 'pikes 2'])
    const again = inspected(later(400), [two!], 'left', 'thin inside the cloak')
    const standing = standingsOf([...through, look, ...after, again], later(8000))[1]!
    expect(standing.inspection).toMatchObject({ verdict: 'left', note: 'thin inside the cloak' })
    const undone = {
      id: eventId((number += 1)),
      at: later(500),
      kind: 'undone',
      targetId: look.id,
    } as ProgressEvent
    expect(shown([...through, look, undone], 'inspected')).toEqual([])
  })

  it('asks what fits the standard and what was painted', () => {
    const washed = {
      ...given,
      line: [
        stage('wash', { technique: 'wash' }),
        stage('grit', { technique: 'sprinkle', notNeededBy: [eels.id] }),
      ],
    }
    const pike = inspectionChecklist(washed, pikes)
    expect(pike.metre).toContain('no pools, no tide marks')
    expect(pike.hand).toContain('no grit and no flock on the model')
    const eel = inspectionChecklist(washed, {
      ...eels,
      standard: 'three-colour',
      pilot: [eels.models[0]!.id],
    })
    expect(eel.metre).toContain('the tones are those of the pilot')
    expect(eel.hand).not.toContain('no grit and no flock on the model')
    expect(eel.hand).not.toContain('no mould lines')
    expect(eel.metre.length).toBeLessThan(pike.metre.length + 1)
  })
})

describe('what was left on purpose', () => {
  it('has what it would take, in hand and in pots', () => {
    const [one, two] = pikes.models
    const left = {
      id: eventId((number += 1)),
      at: later(100),
      kind: 'inspected',
      modelIds: [one!.id],
      verdict: 'left',
      note: 'good from a metre',
    } as ProgressEvent
    const standings = standingsOf(
      [event(noon, 'punched', coat, [one!, two!]), event(noon, 'punched', shade, [one!, two!]), left],
      later(4000),
    )
    const taken = laterOnPurpose(given, standings)
    expect(
      taken.map(({ model, note, stages }) => [model.name, note, stages.map(({ name }) => name)]),
    ).toEqual([['pikes 1', 'good from a metre', ['edge']]])
    expect(taken[0]).toMatchObject({ seconds: minutes(10), pots: ['bone'] })
  })
})

describe('late models', () => {
  it('are those whose last coat the plan has dry only after the date', () => {
    const plan = (dueOn: typeof given.dueOn) => {
      const dated = { ...given, dueOn }
      const planned = planLine({ ...toPlan(dated), now: noon })
      return planned.ok ? lateModels(dated, planned.value) : null
    }
    expect(plan(null)).toEqual(new Set())
    expect(plan('2031-01-01' as never)).toEqual(new Set())
    expect(plan('2020-01-01' as never)?.size).toBe(5)
    expect(lateModels({ ...given, dueOn: '2020-01-01' as never }, null)).toEqual(new Set())
  })
})

describe('the touch-up round', () => {
  it('opens each pot once, in the line’s order, whatever the case of its name', () => {
    const progress = foldProgress([
      event(noon, 'punched', coat, [...pikes.models, ...eels.models]),
      event(noon, 'punched', shade, pikes.models),
      event(noon, 'punched', edge, pikes.models),
      event(later(9), 'touch-up', edge, [pikes.models[0]!], 'slip'),
      event(later(10), 'touch-up', coat, [pikes.models[1]!, eels.models[0]!], 'bare back'),
      event(later(11), 'touch-up', shade, [pikes.models[0]!], ''),
    ])
    const round = touchUpRound(given, progress)
    expect(round.map((pot) => [pot.name, pot.items.map((item) => item.model.name)])).toEqual([
      ['moss', ['pikes 2', 'eels 1', 'pikes 1']],
      ['bone', ['pikes 1']],
    ])
    expect(round[0]!.items[0]).toMatchObject({ note: 'bare back', groundSeconds: null })
    expect(round[0]!.dabSeconds).toBeGreaterThan(round[1]!.dabSeconds)
    const time = { dabSeconds: seconds(40), setUpSeconds: seconds(60), undercoat: null }
    const ground = { dabSeconds: seconds(50), setUpSeconds: seconds(70), drySeconds: minutes(20) }
    const own = (touchUp: object) => ({ secondsPerModel: 1, setUpSeconds: 0, touchUp, others: [] })
    const times = new Map([
      [coat, new Map([[pikes.id, own({ ...time, undercoat: ground })]])],
    ]) as unknown as Parameters<typeof touchUpRound>[2]
    const [moss] = touchUpRound(given, progress, times)
    expect(moss!.items[0]!.groundSeconds).toBe(1200)
    expect(moss!.setUpSeconds).toBeGreaterThanOrEqual(130)
    expect(touchUpRound(given, foldProgress([]))).toEqual([])
  })
})
