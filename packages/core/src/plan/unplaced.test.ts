import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { figuresOf } from '../testing/figures-of.ts'
import { drying, noon, project, stage, unit } from '../testing/builders.ts'
import { rounds } from '../testing/rounds.ts'
import { deskOf, plainPainter, plainPlanning, type Project } from '../trade/project.ts'
import type { LocalDate } from '../units/local-date.ts'
import type { BatchId, PainterId, StageId, UnitId } from '../units/ids.ts'
import { addSeconds } from '../units/instant.ts'
import { minutes } from '../units/seconds.ts'
import { planDesk } from '../forecasting/plan-desk.ts'
import { forecastFigures } from '../forecasting/offers.ts'
import { layLine, solveLine } from './plan-line.ts'
import { planNoteText, unplannedUnits } from './plan-notes.ts'
import { planningOf } from './to-plan.ts'

const words = { day: String, date: String }
const sprayed = { technique: 'spray', ...drying(10) } as const

function planned(given: Project, now = noon) {
  const laid = layLine({ ...planningOf(figuresOf(given)), now, effort: 0 })
  if (!laid.ok) throw new Error(laid.error.kind)
  return laid.value
}

const said = (given: Project) => planned(given).notes.map((note) => planNoteText(note, words))

describe('what finds no place stands apart, and the rest is planned', () => {
  const line = [
    stage('prime', drying(10)),
    stage('giant work', { handsOnSecondsPerModel: minutes(400), notNeededBy: ['pikes' as UnitId] }),
    stage('edge'),
  ]
  const long = project([unit('pikes', 4), unit('giant', 1)], line)

  it('a stage that is longer than any session, with what comes after it', () => {
    const { stretches } = planned(long)
    const of = (name: string) => stretches.filter(({ batchId }) => batchId.startsWith(name))
    expect(of('pikes').map(({ stageId }) => stageId)).toEqual(['prime', 'edge'])
    expect(of('giant').map(({ stageId }) => stageId)).toEqual(['prime'])
    expect(said(long)).toEqual([
      'Not planned: “giant work” for giant, and what comes after it. “giant work” needs 400 min for its set-up and one model, but the longest session it may take has 150 min. Make the evenings longer or split the stage.',
    ])
  })

  it('promises no day for it, alone or at a desk with others', () => {
    expect(forecastFigures(figuresOf(long), { effort: 1000, futures: 100 })).toBeNull()
    const other = { ...project([unit('others', 3)], line.slice(2)), id: 'other' as Project['id'] }
    const desk = planDesk({
      desk: planningOf(figuresOf(long)).desk,
      jobs: [figuresOf(long), figuresOf(other)],
      effort: 20_000,
    })
    if (!desk.ok) throw new Error(desk.error.kind)
    expect(desk.value.jobs.map(({ doneBy }) => doneBy !== null)).toEqual([false, true])
  })

  it('what would be followed too late is not begun either', () => {
    const oil = [
      stage('coat'),
      stage('oil', { nextWithinSeconds: minutes(30) }),
      stage('wipe', { handsOnSecondsPerModel: minutes(200) }),
    ]
    const given = project([unit('pikes', 2)], oil)
    expect(planned(given).stretches.map(({ stageId }) => stageId)).toEqual(['coat'])
  })

  it('and neither is what the piece is joined to', () => {
    const rider = { ...unit('rider', 1), joinedAt: { unitId: 'mount' as UnitId, stageId: 'join' as StageId } }
    const own = [
      stage('rider coat', {
        handsOnSecondsPerModel: minutes(400),
        notNeededBy: ['mount' as UnitId],
      }),
      stage('mount coat', { notNeededBy: ['rider' as UnitId] }),
      stage('join', { notNeededBy: ['rider' as UnitId] }),
    ]
    const given = project([rider, unit('mount', 1)], own)
    expect(planned(given).stretches.map(({ stageId }) => stageId)).toEqual(['mount coat'])
  })
})

it('a batch that is larger than the drying rack is divided, unless it is kept together', () => {
  const given = project(
    [unit('pikes', 9)],
    [stage('prime', { ...sprayed, touch: { kind: 'whole' } }), stage('coat')],
    { batchSize: 20, planning: { ...plainPlanning, rackPlaces: 6 } },
  )
  expect(planned(given).batches.map((batch) => batch.models.length)).toEqual([4, 5])
  const models = given.units[0]?.models.map(({ id }) => id) ?? []
  const kept = [{ id: 'kept' as BatchId, unitId: 'pikes' as UnitId, modelIds: models, pilot: false }]
  const whole = layLine({
    ...planningOf(figuresOf({ ...given, planning: { ...given.planning, batches: kept } })),
    now: noon,
  })
  expect(whole).toMatchObject({ ok: false, error: { kind: 'batch-over-rack', models: 9, places: 6 } })
})

const painter = (name: string, cannot: readonly string[]) => ({
  ...plainPainter,
  id: name as PainterId,
  name,
  cannot: cannot as never,
})
const drawnStage = fc.record({
  hands: fc.constantFrom(1, 2, 5, 15, 40),
  setUp: fc.constantFrom(0, 2, 8),
  dry: fc.constantFrom(0, 10, 60),
  within: fc.constantFrom(null, null, null, 15, 40, 90),
  isSprayed: fc.boolean(),
})
const drawn = fc.record({
  stages: fc.array(drawnStage, { minLength: 2, maxLength: 6 }),
  units: fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 1, maxLength: 4 }),
  length: fc.constantFrom(30, 60, 150),
  rack: fc.constantFrom(null, null, 2, 5),
  sprayHours: fc.constantFrom(
    null,
    null,
    { from: '19:00', until: '20:00' },
    { from: '10:00', until: '12:00' },
  ),
  people: fc.integer({ min: 1, max: 3 }),
  at: fc.integer({ min: 0, max: 6 * 86_400 }),
  together: fc.constantFrom(2, 6, 20),
})

type Drawn = typeof drawn extends fc.Arbitrary<infer Value> ? Value : never

function drawnProject({ stages, units, length, rack, sprayHours, people, together }: Drawn): Project {
  const line = stages.map(({ hands, setUp, dry, within, isSprayed }, index) =>
    stage(`stage ${String(index)}`, {
      handsOnSecondsPerModel: minutes(hands),
      setUpSeconds: minutes(setUp),
      nextWithinSeconds: within === null ? null : minutes(within),
      ...(isSprayed ? { ...sprayed, ...drying(dry) } : drying(dry)),
    }),
  )
  return project(
    units.map((count, index) => unit(`unit ${String(index)}`, count)),
    line,
    {
      batchSize: together,
      evenings: {
        weekdays: [2, 4, 6],
        startsAt: '19:30',
        lengthSeconds: minutes(length),
        also: [],
        timeZone: 'UTC',
      },
      planning: {
        ...plainPlanning,
        rackPlaces: rack,
        sprayHours,
        painters: Array.from({ length: people }, (_, index) =>
          painter(`painter ${String(index)}`, index === 1 ? ['spray'] : []),
        ),
      },
    },
  )
}

it('there is always a plan: all of the rest, whatever is drawn and at whatever moment', () => {
  fc.assert(
    fc.property(drawn, (how) => {
      const given = drawnProject(how)
      const now = addSeconds(noon, how.at)
      const lay = (own: Project) => layLine({ ...planningOf(figuresOf(own)), now, effort: 0 })
      const laid = lay(given)
      // Of a line that cannot be begun at all, the reason is said.
      if (!laid.ok) return laid.error.kind !== 'cannot-all-hold' && laid.error.kind !== 'too-far-away'
      const { stretches } = laid.value
      const done = new Set(stretches.flatMap((each) => each.modelIds.map((id) => `${id} ${each.stageId}`)))
      const isAll = given.units.every((each) =>
        each.models.every(({ id }) => given.line.every((own) => done.has(`${id} ${own.id}`))),
      )
      const missing = unplannedUnits(laid.value)
      if (isAll !== (missing.size === 0)) return false
      // What finds no place beside the others finds none by itself either.
      return given.units
        .filter((each) => missing.has(each.id))
        .every((each) => {
          const alone = lay({ ...given, units: [each] })
          return !alone.ok || unplannedUnits(alone.value).has(each.id)
        })
    }),
    { numRuns: rounds(150) },
  )
})

it('a plan that is kept is laid again when a unit is gone, or somebody is ill', () => {
  const isLaid = (result: ReturnType<typeof solveLine>) =>
    result.ok
      ? result.value.plan.stretches.every(({ dryAt }) => Number.isFinite(dryAt))
      : result.error.kind !== 'cannot-all-hold'
  fc.assert(
    fc.property(drawn, (how) => {
      const given = drawnProject(how)
      const now = addSeconds(noon, how.at)
      const input = { ...planningOf(figuresOf(given)), now, effort: 2000 }
      const before = solveLine(input)
      if (!before.ok) return true
      const kept = { ...input, before: before.value.plan }
      const [first, ...others] = given.units
      const [ill, ...well] = given.planning.painters
      const off = [{ from: '2026-11-20' as LocalDate, until: '2026-12-20' as LocalDate }]
      const planning = { ...given.planning, painters: ill ? [{ ...ill, off }, ...well] : [] }
      return (
        first !== undefined &&
        (others.length === 0 || isLaid(solveLine({ ...kept, work: { ...kept.work, units: others } }))) &&
        isLaid(solveLine({ ...kept, desk: deskOf({ ...given, planning }) }))
      )
    }),
    { numRuns: rounds(40) },
  )
})
