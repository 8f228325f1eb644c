import { toPlan } from './to-plan.ts'
import { describe, expect, it } from 'vitest'
import type { Painter } from '../trade/desk.ts'
import type { Unit } from '../trade/job.ts'
import { deskOf, plainPlanning, type Planning, type Project } from '../trade/project.ts'
import { keepBatches, splitIntoBatches } from '../trade/batches.ts'
import { drying, noon, project, stage, unit } from '../testing/builders.ts'
import type { BatchId, PainterId, StageId, UnitId } from '../units/ids.ts'
import { addSeconds } from '../units/instant.ts'
import type { LocalDate } from '../units/local-date.ts'
import { minutes } from '../units/seconds.ts'
import { planLine } from './plan-line.ts'
import { planTogether } from './plan-together.ts'
import { planNoteText, planProblemText, type PlanNote } from './plan-notes.ts'
import { provingCases, rounds } from '../testing/rounds.ts'

const opening = addSeconds(noon, 1800)
const you = plainPlanning.painters[0]!
const painter = (name: string, some: Partial<Painter> = {}): Painter => ({
  ...you,
  id: name as PainterId,
  name,
  ...some,
})
const planning = (some: Partial<Planning>): Planning => ({ ...plainPlanning, ...some })
const two = planning({ painters: [painter('Marn'), painter('Tiss')] })

const line = [
  stage('prime', { technique: 'spray', setUpSeconds: minutes(2), ...drying(15) }),
  stage('coat', {
    technique: 'base coat',
    handsOnSecondsPerModel: minutes(3),
    setUpSeconds: minutes(1),
    ...drying(5),
  }),
  stage('edge', { technique: 'edge', handsOnSecondsPerModel: minutes(4), setUpSeconds: minutes(1) }),
]
/** What these plans are asked for is found long before the search would end. */
const effort = 200_000

const job = (some: Partial<Project> = {}) => project([unit('a', 12)], line, { batchSize: 4, ...some })

/** Its batches as they are split, each kept together. */
function keptTogether(given: Project): Project {
  const batches = keepBatches([], splitIntoBatches(given, given), () => true)
  return { ...given, planning: { ...given.planning, batches } }
}

function plan(given: Project) {
  const planned = planLine({ ...toPlan(given), now: opening, effort })
  if (!planned.ok) throw new Error(planned.error.kind)
  return planned.value
}
function problem(given: Project) {
  const planned = planLine({ ...toPlan(given), now: opening, effort })
  return planned.ok ? null : planned.error
}

describe('several painters', () => {
  it('are done sooner than one, and the faster one takes more', () => {
    const alone = plan(job())
    const both = plan(job({ planning: two }))
    expect(both.finishesAt).toBeLessThan(alone.finishesAt)
    const uneven = plan(
      job({
        planning: planning({ painters: [painter('Marn', { pace: 0.5 }), painter('Tiss', { pace: 2 })] }),
      }),
    )
    const worked = uneven.stretches.map((stretch) => [stretch.painter, stretch.modelIds.length] as const)
    const models = (of: number) =>
      worked.filter(([who]) => who === of).reduce((sum, [, count]) => sum + count, 0)
    expect(models(0)).toBeGreaterThan(models(1))
  })

  it('twenty models at 4½ min by two painters are 45 min (common practice)', () => {
    const group = project([unit('horde', 20)], [stage('wash', { handsOnSecondsPerModel: minutes(4.5) })], {
      batchSize: 10,
      planning: two,
    })
    expect(plan(group).finishesAt).toBe(addSeconds(opening, 45 * 60))
  })

  it('by station a stage is one painter’s, and each a batch a batch is', () => {
    const owners = (teamwork: Planning['teamwork'], key: 'stageId' | 'batchId') => {
      const { stretches } = plan(job({ planning: { ...two, teamwork } }))
      const seen = new Map<string, Set<number>>()
      for (const stretch of stretches)
        seen.set(stretch[key], (seen.get(stretch[key]) ?? new Set()).add(stretch.painter))
      return [...seen.values()].map((each) => each.size)
    }
    expect(owners('by-stage', 'stageId')).toEqual([1, 1, 1])
    expect(owners('by-batch', 'batchId')).toEqual([1, 1, 1])
  })

  it('nobody does what they are set not to', () => {
    const skilled = planning({
      painters: [painter('Marn', { cannot: ['edge'] }), painter('Tiss', { cannot: ['spray'] })],
    })
    for (const { stageId, painter: who } of plan(job({ planning: skilled })).stretches) {
      if (stageId === 'prime') expect(who).toBe(0)
      if (stageId === 'edge') expect(who).toBe(1)
    }
  })

  describe('with a batch in the hands of one', () => {
    const batches = splitIntoBatches(job(), job())
    const [first] = batches.map((batch) => batch.id)
    const held = (by: string, some: Partial<Planning> = {}) =>
      plan(job({ planning: { ...two, holders: [{ id: first!, painterId: by as PainterId }], ...some } }))
        .stretches
    const whoAt = (
      stretches: ReturnType<typeof held>,
      at: (stretch: (typeof stretches)[number]) => boolean,
    ) => [...new Set(stretches.filter(at).map((stretch) => stretch.painter))]

    it('all of it is that one’s, and the others go to whoever is free', () => {
      const stretches = held('Tiss')
      expect(whoAt(stretches, ({ batchId }) => batchId === first)).toEqual([1])
      expect(whoAt(stretches, ({ batchId }) => batchId !== first).toSorted()).toEqual([0, 1])
    })

    it('what that one is not asked to do is another’s', () => {
      const painters = [painter('Marn'), painter('Tiss', { cannot: ['edge'] })]
      const stretches = held('Tiss', { painters })
      const own = (stageId: string) =>
        whoAt(stretches, (stretch) => stretch.batchId === first && stretch.stageId === stageId)
      expect([own('prime'), own('coat'), own('edge')]).toEqual([[1], [1], [0]])
    })

    it('keeps to it where each has a batch of their own', () => {
      const stretches = held('Tiss', { teamwork: 'by-batch' })
      expect(whoAt(stretches, ({ batchId }) => batchId === first)).toEqual([1])
    })

    it('who has left the desk holds nothing', () => {
      expect(whoAt(held('Bram'), () => true).toSorted()).toEqual([0, 1])
    })

    it('keeps to it at a desk with another job', () => {
      const given = job({ planning: { ...two, holders: [{ id: first!, painterId: 'Tiss' as PainterId }] } })
      const other = project([unit('b', 4)], [stage('base')], { batchSize: 4, planning: two })
      const together = planTogether(deskOf(given), [
        { ...toPlan(given), now: opening },
        { ...toPlan(other), now: opening },
      ])
      const planned = planLine(together)
      if (!planned.ok) throw new Error(planned.error.kind)
      expect(whoAt(planned.value.stretches, ({ batchId }) => batchId === first)).toEqual([1])
    })
  })

  it('keep to sessions of their own', () => {
    const weekend = painter('Tiss', {
      rules: [
        { weekdays: [6], startsAt: '10:00', lengthSeconds: minutes(240), everyWeeks: 1, countedFrom: null },
      ],
    })
    const result = plan(job({ planning: planning({ painters: [painter('Marn'), weekend] }), batchSize: 2 }))
    for (const stretch of result.stretches) {
      const session = result.sessions[stretch.session]!
      expect(session.painter).toBe(stretch.painter)
      expect(stretch.startsAt).toBeGreaterThanOrEqual(session.startsAt)
      expect(stretch.endsAt).toBeLessThanOrEqual(session.endsAt)
    }
  })
})

describe('what the plan keeps to', () => {
  it('cans are used in the spray hours alone', () => {
    const byDay = planning({
      painters: [
        painter('Marn', {
          rules: [
            {
              weekdays: [1, 2, 3, 4, 5, 6, 7],
              startsAt: '14:00',
              lengthSeconds: minutes(240),
              everyWeeks: 1,
              countedFrom: null,
            },
          ],
        }),
      ],
      sprayHours: { from: '10:00', until: '16:00' },
    })
    for (const { stageId, startsAt, endsAt } of plan(job({ planning: byDay })).stretches) {
      if (stageId !== 'prime') continue
      const hour = (moment: number) => new Date(moment).getUTCHours() + new Date(moment).getUTCMinutes() / 60
      expect(hour(startsAt)).toBeGreaterThanOrEqual(10)
      expect(hour(endsAt)).toBeLessThanOrEqual(16)
    }
  })

  it('cans are not used while the air is known to be unfit', () => {
    const noSpray = [{ from: opening, until: addSeconds(opening, 2 * 3600) }]
    const planned = planLine({ ...toPlan(job()), now: opening, noSpray })
    if (!planned.ok) throw new Error(planned.error.kind)
    for (const { stageId, startsAt } of planned.value.stretches) {
      if (stageId === 'prime') expect(startsAt).toBeGreaterThanOrEqual(addSeconds(opening, 2 * 3600))
    }
  })

  it('what has to be followed soon is, in groups where the batch is too long for it', () => {
    const dip = [
      stage('dip', { handsOnSecondsPerModel: minutes(1), nextWithinSeconds: minutes(5) }),
      stage('mop', { handsOnSecondsPerModel: minutes(2) }),
    ]
    const { stretches } = plan(project([unit('a', 10)], dip))
    const dipped = new Map<string, number>()
    for (const { stageId, startsAt, setUpSeconds, modelIds } of stretches) {
      modelIds.forEach((model, index) => {
        const each = stageId === 'dip' ? 60_000 : 120_000
        const begins = startsAt + setUpSeconds * 1000 + index * each
        if (stageId === 'dip') dipped.set(model, begins + each)
        else expect(begins - dipped.get(model)!).toBeLessThanOrEqual(5 * 60_000)
      })
    }
    expect(stretches.length).toBeGreaterThan(2)
  })

  it('a shared base is through and dry before it is joined', () => {
    const joined: Unit = {
      ...unit('base', 1),
      joinedAt: { unitId: 'a' as UnitId, stageId: 'edge' as StageId },
    }
    const units = [unit('a', 4), joined]
    const scenic = stage('scenery', {
      handsOnSecondsPerModel: minutes(30),
      notNeededBy: ['a' as UnitId],
      ...drying(60),
    })
    const own = line.map((each) => ({ ...each, notNeededBy: ['base' as UnitId] }))
    const { stretches } = plan(project(units, [...own, scenic]))
    const edge = stretches.find((stretch) => stretch.stageId === 'edge')!
    const scenery = stretches.find((stretch) => stretch.stageId === 'scenery')!
    // The pot may be opened meanwhile.
    expect(edge.startsAt + edge.setUpSeconds * 1000).toBeGreaterThanOrEqual(scenery.dryAt)
  })

  it('a batch put first is finished before all others', () => {
    const dryAt = (first: readonly BatchId[]) => {
      const { stretches } = plan(job({ planning: planning({ first }) }))
      const own = stretches.filter((stretch) => stretch.batchId === 'a-9..a-12')
      return Math.max(...own.map((stretch) => stretch.dryAt))
    }
    expect(dryAt(['a-9..a-12' as BatchId])).toBeLessThan(dryAt(['a-1..a-4' as BatchId]))
  })

  it('a rack holds no more than its places', () => {
    const small = planning({ rackPlaces: 4 })
    const { stretches } = plan(job({ planning: small }))
    const primed = stretches.filter((stretch) => stretch.stageId === 'prime')
    for (const [index, one] of primed.entries()) {
      for (const other of primed.slice(index + 1)) {
        const begins = other.startsAt + other.setUpSeconds * 1000
        expect(begins).toBeGreaterThanOrEqual(one.dryAt)
      }
    }
  })

  it('variety wanted first breaks long runs of one stage', () => {
    const many = (aims: Planning['aims']) =>
      plan(
        project([unit('a', 24), unit('b', 12)], line.slice(1), {
          batchSize: 6,
          planning: planning({ aims }),
        }),
      ).samenessSeconds
    expect(many(['variety', 'date'])).toBeLessThan(many(['pots', 'date']))
  })
})

describe('several projects at one desk', () => {
  it('are planned as one, each with its own batches and date, and pots are shared by name', () => {
    const own = line.map((each) => ({ ...each, id: `other ${each.id}` as StageId }))
    const other = project([unit('b', 9)], own, { batchSize: 3, dueOn: '2026-11-24' as LocalDate })
    const first = job({ dueOn: '2026-12-24' as LocalDate })
    const together = planTogether(deskOf(first), [
      { ...toPlan(first), now: opening },
      { ...toPlan(other), now: opening },
    ])
    const planned = planLine(together)
    if (!planned.ok) throw new Error(planned.error.kind)
    const { batches, stretches, potOpenings } = planned.value
    expect(batches.map((batch) => batch.models.length)).toEqual([4, 4, 4, 3, 3, 3])
    const work = (of: Project, unitId: string) =>
      stretches
        .filter((each) => each.batchId.startsWith(unitId))
        .reduce((sum, each) => sum + each.modelIds.length, 0) / of.line.length
    expect([work(first, 'a'), work(other, 'b')]).toEqual([12, 9])
    // What is due first is finished first.
    const dry = (unitId: string) =>
      Math.max(...stretches.filter((each) => each.batchId.startsWith(unitId)).map((each) => each.dryAt))
    expect(dry('b')).toBeLessThan(dry('a'))
    const apart = plan(first).potOpenings + plan({ ...other, dueOn: null }).potOpenings
    expect(potOpenings).toBeLessThanOrEqual(apart)
  })
})

describe('bad input is named with the way out', () => {
  const words = {
    day: (moment: number) => new Date(moment).toISOString().slice(0, 10),
    date: (date: LocalDate) => date,
  }
  const notes = (given: Project) => plan(given).notes.map((note: PlanNote) => planNoteText(note, words))

  it.each([
    [
      'a stage nobody may do',
      job({ line: line.slice(2), planning: planning({ painters: [painter('Marn', { cannot: ['edge'] })] }) }),
      'Nobody may do “edge”: every painter is set not to edge. Let one of them do it, or change the stage.',
    ],
    [
      'no session at all',
      job({
        planning: planning({
          painters: [
            painter('Marn', { off: [{ from: '2020-01-01' as LocalDate, until: '2099-01-01' as LocalDate }] }),
          ],
        }),
      }),
      'Nobody has a session ahead. Give a painter evenings, or take a day off back.',
    ],
    [
      'a maximum wait shorter than the minimum',
      project(
        [unit('a', 2)],
        [stage('oil', { ...drying(30), nextWithinSeconds: minutes(10) }), stage('wipe')],
      ),
      '“wipe” has to begin within 10 min after “oil”, but drying and set-up take 30 min. Allow more time between them.',
    ],
    [
      'a batch larger than the rack that is kept together',
      keptTogether(job({ planning: planning({ rackPlaces: 3 }) })),
      'A batch of 4 models does not fit on the drying rack with 3 places. Make the batches smaller or the rack larger.',
    ],
    [
      'spray hours in which nobody paints',
      job({ planning: planning({ sprayHours: { from: '10:00', until: '16:00' } }) }),
      '“prime” is sprayed, and no session lies in the spray hours 10:00–16:00. Widen them, or plan a session by day.',
    ],
    [
      'units joined in a circle',
      project(
        [
          { ...unit('a', 1), joinedAt: { unitId: 'b' as UnitId, stageId: 'coat' as StageId } },
          { ...unit('b', 1), joinedAt: { unitId: 'a' as UnitId, stageId: 'coat' as StageId } },
        ],
        line,
      ),
      'a would have to be through before itself: what is joined to what goes in a circle. Undo one of the joins on the roster.',
    ],
  ])('%s', (_, given, text) => {
    expect(planProblemText(problem(given)!)).toBe(text)
  })

  it('a date in the past, and one before the first session', () => {
    expect(notes(job({ dueOn: '2026-11-20' as LocalDate }))).toEqual([
      'The date, 2026-11-20, is past. Give a new one for the odds to mean something.',
    ])
    const sundays = { ...job().evenings, weekdays: [7] }
    expect(notes(job({ dueOn: '2026-11-25' as LocalDate, evenings: sundays }))).toEqual([
      'No session lies before the date, 2026-11-25: the first is on 2026-11-29. Add a session, or move the date.',
    ])
  })

  it('sessions that overlap', () => {
    const extra = [{ on: '2026-11-25' as LocalDate, at: '20:00', lengthSeconds: minutes(60) }]
    expect(notes(job({ planning: planning({ painters: [painter('Marn', { extra })] }) }))).toEqual([
      'Sessions of Marn overlap on 2026-11-25: they are taken as one. Move or drop one of them.',
    ])
  })

  it('a pin that cannot be kept is left out, and those that can are kept', () => {
    const pins = [
      {
        batchId: 'a-1..a-4' as BatchId,
        stageId: 'edge' as StageId,
        on: '2026-11-24' as LocalDate,
        at: '05:00',
      },
      {
        batchId: 'a-1..a-4' as BatchId,
        stageId: 'coat' as StageId,
        on: '2026-11-26' as LocalDate,
        at: '19:30',
      },
    ]
    const result = plan(job({ planning: planning({ pins }) }))
    expect(result.notes.map((note) => note.kind)).toEqual(['pin-not-kept'])
    const coat = result.stretches.find(
      (stretch) => stretch.batchId === 'a-1..a-4' && stretch.stageId === 'coat',
    )!
    expect(new Date(coat.startsAt).toISOString().slice(0, 10)).toBe('2026-11-26')
  })
})

describe('a plan after something happened', () => {
  it('keeps the order of the one before where it still holds', () => {
    const given = project([unit('a', 12), unit('b', 12)], line, { batchSize: 4, batchesInHand: 3 })
    const before = plan(given)
    const later = planLine({ ...toPlan(given), now: addSeconds(opening, 300), before, effort: 50_000 })
    if (!later.ok) throw new Error(later.error.kind)
    const orderOf = (each: typeof before) => [
      ...new Set(each.stretches.map((stretch) => `${stretch.batchId} ${stretch.stageId}`)),
    ]
    const [old, now] = [orderOf(before), orderOf(later.value)]
    const same = now.filter((each, index) => each === old[index]).length
    expect(same / now.length).toBeGreaterThan(0.8)
  })
})

describe('a hundred models at 25 stages between eight painters', () => {
  const regions = ['skin', 'coat', 'leather', 'metal', 'wood', 'base']
  const waits = [5, 22, 0, 25, 45]
  const long = Array.from({ length: 25 }, (_, index) =>
    stage(`stage ${String(index)}`, {
      touch: index % 8 === 0 ? { kind: 'whole' } : { kind: 'regions', regions: [regions[index % 6]!] },
      handsOnSecondsPerModel: minutes(0.5 + (index % 5) * 0.5),
      setUpSeconds: minutes(1 + (index % 3)),
      ...drying(waits[index % 5]!),
    }),
  )
  const painters = Array.from({ length: 8 }, (_, index) =>
    painter(`p${String(index)}`, { pace: 0.8 + 0.06 * index }),
  )
  const units = [unit('a', 40), unit('b', 30), unit('c', 20), unit('d', 10)]

  const inHand: readonly [string, number | null, number][] = [
    ['any number', null, 0.02],
    ['four of ten', 4, 0.25],
    ['eight of ten', 8, 0.05],
  ]
  it.each(provingCases(inHand))('is near the bound with %s in hand', (_, batchesInHand, most) => {
    const given = { batchSize: 10, batchesInHand, planning: planning({ painters }) }
    const seeds = Array.from({ length: rounds(1) }, (_, index) => index + 1)
    const far = seeds.filter((seed) => {
      const planned = planLine({ ...toPlan(project(units, long, given)), now: opening, seed })
      return !planned.ok || planned.value.gap >= most
    })
    // One seed in ten may miss the last minutes of an evening, and end in the next.
    expect(far.length).toBeLessThanOrEqual(seeds.length / 10)
  })
})
