import { figuresOf } from '../testing/figures-of.ts'
import { beforeAll, describe, expect, it } from 'vitest'
import { drying, noon, project, stage, unit } from '../testing/builders.ts'
import { deskOf, plainPlanning, type Project } from '../trade/project.ts'
import type { PainterId, ProjectId, StageId } from '../units/ids.ts'
import type { LocalDate } from '../units/local-date.ts'
import { minutes } from '../units/seconds.ts'
import { layDesk, planDesk, type DeskInput, type DeskPlan } from './plan-desk.ts'

const lineOf = (name: string) => [
  stage(`${name} prime`, { technique: 'spray', setUpSeconds: minutes(2), ...drying(15) }),
  stage(`${name} coat`, {
    technique: 'base coat',
    material: 'moss green',
    handsOnSecondsPerModel: minutes(4),
    setUpSeconds: minutes(3),
    ...drying(10),
  }),
]
const job = (name: string, models: number, some: Partial<Project> = {}): Project => ({
  ...project([unit(name, models)], lineOf(name), { batchSize: 5, ...some }),
  id: `job ${name}` as ProjectId,
  name,
})
const evenings = (weekdays: readonly number[], startsAt: string) => ({
  weekdays,
  startsAt,
  lengthSeconds: minutes(90),
  also: [],
  timeZone: 'Europe/Berlin',
})

type Jobs = readonly [Project, ...Project[]]

const given = ([first, ...others]: Jobs, of: Project): DeskInput => ({
  desk: deskOf(of),
  jobs: [figuresOf(first), ...others.map((project) => figuresOf(project))],
  effort: 200_000,
})

function planned(input: DeskInput): DeskPlan {
  const result = planDesk(input)
  if (!result.ok) throw new Error(result.error.kind)
  return result.value
}

/** Where nobody asks how it may go. */
function laid(input: DeskInput) {
  const result = layDesk(input)
  if (!result.ok) throw new Error(result.error.kind)
  return result.value.laid
}

describe('planDesk', () => {
  const mondays = job('pikes', 20, { evenings: evenings([1], '18:00') })
  const desk = job('eels', 15, { evenings: evenings([3, 6], '20:00') })
  const third = job('owls', 10, { evenings: evenings([7], '09:00'), dueOn: '2026-11-29' as LocalDate })
  const three = given([mondays, desk, third], desk)
  let calm: DeskPlan

  beforeAll(() => {
    calm = planned(three)
  })

  it('lays three jobs into the hours of the desk, though each has others, the first job too', () => {
    const { plan } = calm
    const days = plan.sessions.map((session) =>
      new Intl.DateTimeFormat('en', {
        weekday: 'short',
        hour: '2-digit',
        hourCycle: 'h23',
        timeZone: 'Europe/Berlin',
      }).format(session.startsAt),
    )
    expect(new Set(days)).toEqual(new Set(['Wed, 20', 'Sat, 20']))
    const done = new Map<StageId, number>()
    for (const { stageId, modelIds } of plan.stretches)
      done.set(stageId, (done.get(stageId) ?? 0) + modelIds.length)
    expect([...done.values()].sort((a, b) => a - b)).toEqual([10, 10, 15, 15, 20, 20])
  })

  it('a small job is not late for the sake of a few batches of a large one that is late in any case', () => {
    const hours = evenings([1, 2, 3, 4, 5, 6, 7], '20:00')
    const large = job('pikes', 120, { evenings: hours, dueOn: '2026-11-25' as LocalDate })
    const small = job('owls', 10, { evenings: hours, dueOn: '2026-11-27' as LocalDate })
    const { jobs } = laid(given([large, small], large))
    const [big, little] = jobs
    expect(little!.aloneAt!).toBeLessThan(little!.due!)
    expect(big!.aloneAt!).toBeGreaterThan(big!.due!)
    expect(little!.doneAt!).toBeLessThanOrEqual(little!.due!)
  })

  it('says of each job when it is done among the others, by itself, and with which odds', () => {
    const { jobs, plan, forecast } = calm
    expect(jobs.map((each) => each.projectId)).toEqual(['job pikes', 'job eels', 'job owls'])
    expect(Math.max(...jobs.map((each) => each.doneAt ?? 0))).toBe(plan.finishesAt)
    for (const each of jobs) {
      expect(each.aloneAt).not.toBeNull()
      expect(each.aloneAt!).toBeLessThanOrEqual(each.doneAt!)
      expect(each.doneBy!).toBeLessThanOrEqual(forecast.p80!)
    }
    expect(jobs.map((each) => each.odds === null)).toEqual([true, true, false])
    // What is due on Sunday goes before what is due at no time.
    expect(jobs[2]!.doneAt).toBeLessThan(jobs[0]!.doneAt!)
  })

  it('opens the pot that all share less often than the three would by themselves', () => {
    expect(calm.potsSaved).toBeGreaterThan(0)
    expect(calm.plan.potOpenings).toBeGreaterThan(0)
  })

  it('a rush job is done as soon as by itself, and the others say what it costs them', () => {
    const rushed = planned({ ...three, rush: mondays.id })
    const [own, , due] = rushed.jobs
    expect(own!.doneAt).toBeLessThan(calm.jobs[0]!.doneAt!)
    expect(own!.doneAt).toBeLessThanOrEqual(own!.aloneAt! + 86_400_000)
    expect(due!.doneAt).toBeGreaterThan(calm.jobs[2]!.doneAt!)
    expect(due!.odds).toBeLessThanOrEqual(calm.jobs[2]!.odds!)
  })

  it('what a rush job puts off goes on as it was to, by all painters side by side', () => {
    const hours = evenings([1, 2, 3, 4, 5], '18:00')
    const names = ['pikes', 'eels', 'owls', 'stilts', 'reeds', 'otters', 'herons', 'pilots']
    const slow = (name: string) =>
      [1, 2, 3, 4].map((coat) =>
        stage(`${name} oil ${String(coat)}`, {
          technique: 'base coat',
          handsOnSecondsPerModel: minutes(2),
          setUpSeconds: minutes(3),
          ...drying(600),
        }),
      )
    const [first, ...others] = names.map((name) => ({
      ...job(name, 20, { evenings: hours }),
      line: slow(name),
    }))
    const [you] = plainPlanning.painters
    const painters = [1, 2, 3, 4].map((pace) => ({ ...you!, id: `p${String(pace)}` as PainterId, pace: 1 }))
    const of = { ...first!, planning: { ...first!.planning, painters } }
    const all = given([of, ...others], of)
    const before = laid(all)
    for (const keeping of [{ before: before.plan }, {}]) {
      const { jobs, plan } = laid({ ...all, rush: others[6]!.id, ...keeping })
      const day = 86_400_000
      expect(jobs[7]!.doneAt).toBeLessThan(before.jobs[7]!.doneAt!)
      expect(jobs[7]!.doneAt).toBeLessThan(jobs[7]!.aloneAt! + day)
      expect(plan.finishesAt).toBeLessThan(before.plan.finishesAt + day)
    }
  })

  it('plans nothing apart again that is known already, and comes to the same', () => {
    const rushed = { ...three, rush: third.id }
    const fresh = laid(rushed)
    const aloneAt = new Map(fresh.jobs.map((each) => [each.projectId, each.aloneAt]))
    expect(laid({ ...rushed, aloneAt })).toEqual(fresh)
    // It is taken as it was said; the rush job alone is planned apart, to be kept so.
    const said = laid({ ...rushed, aloneAt: new Map([...aloneAt.keys()].map((id) => [id, noon])) })
    expect(said.jobs.map((each) => each.aloneAt)).toEqual([noon, noon, fresh.jobs[2]!.aloneAt])
  })

  it('with a job less, and the plan of all to keep to, no other comes on a later day', () => {
    const { jobs } = laid({ ...given([mondays, third], desk), before: calm.plan })
    const [first, , last] = calm.jobs
    // Minutes of one evening are nobody's loss.
    const dayOf = (at: number | null) => Math.floor(at! / 86_400_000)
    expect(dayOf(jobs[0]!.doneAt)).toBeLessThanOrEqual(dayOf(first!.doneAt))
    expect(dayOf(jobs[1]!.doneAt)).toBeLessThanOrEqual(dayOf(last!.doneAt))
  })

  it('names units of two jobs that are called alike by their job', () => {
    const twin: Project = { ...job('pikes', 5), id: 'job twin' as ProjectId, name: 'Second levy' }
    const other = {
      ...twin,
      units: [unit('levy pikes', 5)].map((each) => ({ ...each, name: mondays.units[0]!.name })),
    }
    const { plan } = laid(given([mondays, { ...other, line: lineOf('levy') }], desk))
    expect(new Set(plan.batches.map((batch) => batch.unitName))).toEqual(
      new Set([`${mondays.units[0]!.name} (pikes)`, `${mondays.units[0]!.name} (Second levy)`]),
    )
  })

  it('of one job alone says what its own plan says', () => {
    const { jobs, potsSaved } = laid(given([desk], desk))
    expect(jobs[0]!.doneAt).toBe(jobs[0]!.aloneAt)
    expect(potsSaved).toBe(0)
  })
})
