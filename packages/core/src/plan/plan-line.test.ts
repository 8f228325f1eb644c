import { toPlan } from './to-plan.ts'
import { describe, expect, it } from 'vitest'
import { foldProgress } from '../progress/fold-progress.ts'
import { drying, log, models, noon, project, stage, stageId, unit } from '../testing/builders.ts'
import { localDateAt } from '../calendar/sessions.ts'
import { schoolJob, solved } from '../testing/school-jobs.ts'
import type { Fuss } from '../trade/desk.ts'
import { deskOf } from '../trade/project.ts'
import type { ClientId } from '../units/ids.ts'
import { addSeconds } from '../units/instant.ts'
import { addDays, type LocalDate } from '../units/local-date.ts'
import { minutes, seconds } from '../units/seconds.ts'
import type { LinePlan } from './line-plan.ts'
import { planTogether } from './plan-together.ts'
import { planLine } from './plan-line.ts'
import type { PlanningInput } from './planning-input.ts'

/** From the moment the desk opens. */
const opening = addSeconds(noon, 1800)

function plan(input: Omit<PlanningInput, 'now'> & Partial<Pick<PlanningInput, 'now'>>): LinePlan {
  const planned = planLine({ now: opening, ...input })
  if (!planned.ok) throw new Error(planned.error.kind)
  return planned.value
}

const wash = stage('wash', { handsOnSecondsPerModel: minutes(3), ...drying(30) })

describe('drying is per model', () => {
  it('a wash that dries 30 min on 12 models at 3 min is hidden before a next stage of 3 min a model', () => {
    const next = stage('next', { handsOnSecondsPerModel: minutes(3) })
    const result = plan({ ...toPlan(project([unit('a', 12)], [wash, next])) })
    expect(result.exposedSeconds).toBe(0)
    expect(result.hiddenSeconds).toBe(1800)
  })

  it('but before a next stage of 1 min a model 19 min are exposed: the last model rules', () => {
    const next = stage('next', { handsOnSecondsPerModel: minutes(1) })
    const result = plan({ ...toPlan(project([unit('a', 12)], [wash, next])) })
    expect(result.exposedSeconds).toBe(19 * 60)
  })

  it('6 models at 1 min hide 5 min before an equal stage (common practice)', () => {
    const line = (wait: number) => [stage('first', drying(wait)), stage('second')]
    expect(plan({ ...toPlan(project([unit('a', 6)], line(5))) }).exposedSeconds).toBe(0)
    expect(plan({ ...toPlan(project([unit('a', 6)], line(6))) }).exposedSeconds).toBe(60)
  })

  it('the set-up of the next stage overlaps the drying', () => {
    const line = [stage('first', drying(8)), stage('second', { setUpSeconds: minutes(3) })]
    expect(plan({ ...toPlan(project([unit('a', 6)], line)) }).exposedSeconds).toBe(0)
  })
})

describe('a wait binds regions', () => {
  const skin = stage('skin', { touch: { kind: 'regions', regions: ['Skin '] }, ...drying(30) })
  const exposedBefore = (next: Parameters<typeof stage>[1]) =>
    plan({ ...toPlan(project([unit('a', 2)], [skin, stage('next', next)])) }).exposedSeconds

  it('the base can be gritted while the skin dries', () => {
    expect(exposedBefore({ touch: { kind: 'base' } })).toBe(0)
  })

  it('another region can be painted meanwhile', () => {
    expect(exposedBefore({ touch: { kind: 'regions', regions: ['boots'] } })).toBe(0)
  })

  it('the same region waits, however it is written', () => {
    expect(exposedBefore({ touch: { kind: 'regions', regions: ['boots', 'skin'] } })).toBe(29 * 60)
  })

  it('the whole model waits', () => {
    expect(exposedBefore({ touch: { kind: 'whole' } })).toBe(29 * 60)
  })

  it('a region waits for a whole-model coat two stages below', () => {
    const line = [stage('prime', drying(60)), stage('x', { notNeededBy: [unit('a', 1).id] }), skin]
    expect(plan({ ...toPlan(project([unit('a', 1)], line)) }).exposedSeconds).toBe(3600)
  })
})

describe('sessions', () => {
  it('hands-on stays inside them and drying goes on outside', () => {
    const overnight = [
      stage('varnish', { handsOnSecondsPerModel: minutes(70), ...drying(600) }),
      stage('base'),
    ]
    const result = plan({ ...toPlan(project([unit('a', 2)], overnight)) })
    expect(result.exposedSeconds).toBe(0)
    expect(result.stretches.map((stretch) => stretch.session)).toEqual([0, 1])
    for (const stretch of result.stretches) {
      const session = result.sessions[stretch.session]!
      expect(stretch.startsAt).toBeGreaterThanOrEqual(session.startsAt)
      expect(stretch.endsAt).toBeLessThanOrEqual(session.endsAt)
    }
  })

  it('a stage longer than an evening is split between models, and its pot is opened again', () => {
    const long = [stage('coat', { handsOnSecondsPerModel: minutes(60), setUpSeconds: minutes(10) })]
    const result = plan({ ...toPlan(project([unit('a', 3)], long)) })
    expect(result.stretches.map((stretch) => stretch.modelIds.length)).toEqual([2, 1])
    expect(result.potOpenings).toBe(2)
    expect(result.setUpSeconds).toBe(1200)
  })

  it('counts work, set-ups and finish', () => {
    const line = [
      stage('prime', { setUpSeconds: minutes(5) }),
      stage('coat', { setUpSeconds: minutes(2), ...drying(4) }),
    ]
    const result = plan({ ...toPlan(project([unit('a', 10)], line)) })
    expect(result.handsOnSeconds).toBe((10 + 10 + 7) * 60)
    expect(result.finishesAt).toBe(addSeconds(opening, (27 + 4) * 60))
    expect(result.gap).toBe(0)
  })
})

describe('batches in hand', () => {
  const line = [
    stage('one', { setUpSeconds: minutes(5), ...drying(10) }),
    stage('two', { setUpSeconds: minutes(5) }),
  ]
  const sized = (batchesInHand: number | null) =>
    plan({ ...toPlan(project([unit('a', 12)], line, { batchSize: 4, batchesInHand })) })

  it('with one in hand every batch opens every pot', () => {
    expect(sized(1).potOpenings).toBe(6)
  })

  it('with all in hand each pot is opened once', () => {
    expect(sized(null).potOpenings).toBe(2)
  })

  it('fewer in hand finish the first batch sooner', () => {
    expect(sized(1).firstBatchAt).toBeLessThan(sized(null).firstBatchAt)
  })
})

describe('planning what is left', () => {
  const line = [stage('one', drying(30)), stage('two')]
  const given = project([unit('a', 4)], line)

  it('leaves out what is punched and keeps its drying', () => {
    const progress = foldProgress(
      log({ kind: 'punched', stageId: stageId('one'), modelIds: models('a-1', 'a-2', 'a-3', 'a-4') }),
    )
    const result = plan({ ...toPlan(given), progress, now: opening })
    expect(result.stretches.map((stretch) => stretch.stageId)).toEqual(['two'])
    // Punched at 19:00, dry at 19:30: nothing to wait for.
    expect(result.exposedSeconds).toBe(0)
    const sooner = plan({
      ...toPlan({ ...given, evenings: { ...given.evenings, startsAt: '19:00' } }),
      progress,
      now: noon,
    })
    expect(sooner.exposedSeconds).toBe(1800)
  })

  it('plans only the models that are left of a half-done stage', () => {
    const progress = foldProgress(
      log({ kind: 'punched', stageId: stageId('one'), modelIds: models('a-2', 'a-3') }),
    )
    const first = plan({ ...toPlan(given), progress }).stretches[0]!
    expect(first.modelIds).toEqual(['a-1', 'a-4'])
  })

  it('needs no set-up for the pot that is open', () => {
    const pots = [stage('one', { setUpSeconds: minutes(5) })]
    const progress = foldProgress(
      log({ kind: 'clock-started', stageId: stageId('one'), modelIds: models('a-1') }),
    )
    const result = plan({ ...toPlan(project([unit('a', 1)], pots)), progress })
    expect(result.setUpSeconds).toBe(0)
  })

  it('is the same whenever it is asked the same', () => {
    const many = project([unit('a', 7), unit('b', 5)], line, { batchSize: 3, batchesInHand: 2 })
    expect(plan({ ...toPlan(many) })).toEqual(plan({ ...toPlan(many) }))
  })
})

describe('when there is no plan, the reason is named', () => {
  const problem = (given: Parameters<typeof planLine>[0]) => {
    const planned = planLine(given)
    return planned.ok ? null : planned.error
  }

  it('no models, no stages, all done', () => {
    expect(problem({ ...toPlan(project([], [stage('one')])), now: noon })?.kind).toBe('no-models')
    expect(problem({ ...toPlan(project([unit('a', 1)], [])), now: noon })?.kind).toBe('no-stages')
    const progress = foldProgress(log({ kind: 'punched', stageId: stageId('one'), modelIds: models('a-1') }))
    expect(problem({ ...toPlan(project([unit('a', 1)], [stage('one')])), progress, now: noon })?.kind).toBe(
      'all-done',
    )
  })

  it('a stage longer than any evening', () => {
    const endless = stage('wing', { handsOnSecondsPerModel: minutes(200), setUpSeconds: minutes(5) })
    expect(problem({ ...toPlan(project([unit('a', 1)], [endless])), now: noon })).toEqual({
      kind: 'stage-never-fits',
      stageName: 'wing',
      neededSeconds: minutes(205),
      sessionSeconds: minutes(150),
    })
  })

  it('more evenings than anybody has', () => {
    const slow = stage('slow', { handsOnSecondsPerModel: minutes(140) })
    const many = project([unit('a', 11_000)], [slow])
    expect(problem({ ...toPlan(many), now: noon, effort: 0 })?.kind).toBe('too-far-away')
  })

  it('never divides by nothing', () => {
    const idle = stage('look', { handsOnSecondsPerModel: seconds(0) })
    const result = plan({ ...toPlan(project([unit('a', 1)], [idle])) })
    expect(result.gap).toBe(0)
    expect(result.finishesAt).toBe(opening)
  })
})

describe('models that have not come yet', () => {
  const job = project([unit('a', 3)], [stage('coat', { handsOnSecondsPerModel: minutes(3) })])
  const arriving = (arrivesOn: LocalDate | null) => ({
    ...job,
    commission: {
      clientId: 'client' as ClientId,
      arrivesOn,
      received: '',
      testModel: null,
      deliveredOn: null,
    },
  })
  const begins = (given: typeof job) => plan({ ...toPlan(given) }).stretches[0]!.startsAt

  it('are not planned before their day', () => {
    const today = localDateAt(opening, job.evenings.timeZone)
    expect(begins(arriving(addDays(today, 3)))).toBe(addSeconds(begins(job), 3 * 86_400))
    expect(begins(arriving(today))).toBe(begins(job))
    expect(begins(arriving(addDays(today, -9)))).toBe(begins(job))
    expect(begins(arriving(null))).toBe(begins(job))
  })

  it('do not hold up those of another job at the same desk', () => {
    const later = arriving(addDays(localDateAt(opening, job.evenings.timeZone), 3))
    const own = project([unit('b', 3)], [stage('b coat')])
    const together = plan(
      planTogether(deskOf(job), [
        { ...toPlan(later), now: opening },
        { ...toPlan(own), now: opening },
      ]),
    )
    const startOf = (name: string) =>
      together.stretches.find((each) => each.batchId.startsWith(`${name}-`))!.startsAt
    expect(startOf('b')).toBe(begins(job))
    expect(startOf('a')).toBe(addSeconds(begins(job), 3 * 86_400))
  })
})

describe('a plan before', () => {
  it('that was of nothing is nothing to keep to', () => {
    const each = { handsOnSecondsPerModel: minutes(5) }
    const line = [stage('prime', { ...each, ...drying(4) }), stage('coat', each)]
    const given = toPlan(project([unit('a', 1), unit('b', 60)], line, { batchSize: 60 }))
    expect(plan({ ...given, before: { stretches: [] } })).toEqual(plan(given))
  })
})

describe('a plan before that keeps to what it promised', () => {
  const line = [
    stage('prime', { setUpSeconds: minutes(2), handsOnSecondsPerModel: minutes(1), ...drying(15) }),
    stage('coat', { handsOnSecondsPerModel: minutes(4), ...drying(10) }),
    { ...wash, setUpSeconds: minutes(1) },
    stage('edge', { setUpSeconds: minutes(1), handsOnSecondsPerModel: minutes(3) }),
  ]
  const given = toPlan(project([unit('a', 12), unit('b', 12)], line, { batchSize: 4, batchesInHand: 3 }))
  // Found in a hurry: a longer search would find another.
  const before = plan({ ...given, effort: 0 })
  const [first] = before.stretches
  const after = (late: number, known: NonNullable<PlanningInput['before']>) => {
    const now = addSeconds(first!.endsAt, late)
    const [punched] = log({ kind: 'punched', stageId: first!.stageId, modelIds: first!.modelIds })
    const progress = foldProgress([{ ...punched!, at: first!.endsAt }])
    return plan({ ...given, progress, now, before: known })
  }
  const rowOf = (stretches: LinePlan['stretches']) => [
    ...new Set(stretches.map(({ batchId, stageId }) => `${batchId} ${stageId}`)),
  ]

  it('is followed without a search: what was done as planned changes nothing of the rest', () => {
    const next = after(0, before)
    expect(rowOf(next.stretches)).toEqual(rowOf(before.stretches.slice(1)))
    expect(next.asFound).toEqual(before.asFound)
    // Without the promise it is searched for, and makes one of its own.
    const searched = after(0, { stretches: before.stretches })
    expect(searched.asFound.finishesAt).toBe(searched.finishesAt)
    expect(searched.asFound).not.toEqual(before.asFound)
  })

  it('is followed as well where its date was not to be met, and searched for where it gets later still', () => {
    const dueOn = localDateAt(opening, given.desk.evenings.timeZone)
    const late = { ...given, wishes: { ...given.wishes, dueOn } }
    const known = plan({ ...late, effort: 0 })
    expect(known.asFound.lateSeconds).toBeGreaterThan(0)
    expect(plan({ ...late, before: known }).asFound).toEqual(known.asFound)
    const promised = { ...known.asFound, lateSeconds: seconds(0) }
    expect(plan({ ...late, before: { ...known, asFound: promised } }).asFound).not.toEqual(promised)
  })

  it('is held to what was promised when it was searched for, not to its last delay', () => {
    const delayed = after(540, before)
    expect(delayed.asFound).toEqual(before.asFound)
    const later = after(2400, delayed)
    expect(later.asFound).toMatchObject({
      finishesAt: later.finishesAt,
      exposedSeconds: later.exposedSeconds,
    })
  })
})

describe('how much an evening’s changes are minded', () => {
  const opened = (fuss: Fuss) => {
    const given = schoolJob('opaque-wash-rehighlight', 'foot', 3)
    const { potOpenings, finishesAt } = solved({ ...given, planning: { ...given.planning, fuss } }).plan
    return { potOpenings, finishesAt }
  }

  it('takes fewer pots to hand where they are minded much, and never ends sooner for it', () => {
    const [little, much] = [opened('little'), opened('much')]
    expect(much.potOpenings).toBeLessThan(little.potOpenings)
    expect(much.finishesAt).toBeGreaterThanOrEqual(little.finishesAt)
  })
})
