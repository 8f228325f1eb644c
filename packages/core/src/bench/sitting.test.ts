import { toPlan } from '../plan/to-plan.ts'
import { describe, expect, it } from 'vitest'
import { estimateLine, timesOf } from '../estimating/estimate-line.ts'
import { solveLine } from '../plan/plan-line.ts'
import type { ProgressEvent } from '../progress/event.ts'
import { foldProgress } from '../progress/fold-progress.ts'
import { splitIntoBatches } from '../trade/batches.ts'
import { drying, eventId, noon, project, stage, unit } from '../testing/builders.ts'
import { testShelf } from '../testing/recipes.ts'
import type { DeviceId, PainterId } from '../units/ids.ts'
import { addSeconds, type Instant } from '../units/instant.ts'
import { minutes } from '../units/seconds.ts'
import { beyondTheStopLine, sittingNow } from './sitting.ts'

const pikes = unit('pikes', 4)
const line = [
  stage('coat', { handsOnSecondsPerModel: minutes(5), setUpSeconds: minutes(1), ...drying(5) }),
  stage('shade', { handsOnSecondsPerModel: minutes(5), tableReady: true, ...drying(5) }),
  stage('edge', { handsOnSecondsPerModel: minutes(60), setUpSeconds: minutes(2) }),
]
const given = project([pikes], line, { batchSize: 4 })
const [painter] = given.planning.painters

const event = (number: number, at: Instant, some: object) =>
  ({ id: eventId(number), at, ...some }) as ProgressEvent
const lap = (number: number, stageId: string, from: Instant, seconds: number): ProgressEvent[] => {
  const over = { stageId, modelIds: pikes.models.map((model) => model.id) }
  const until = addSeconds(from, seconds)
  return [
    event(number, from, { kind: 'clock-started', ...over }),
    event(number + 1, until, { kind: 'punched', ...over }),
    event(number + 2, until, { kind: 'clock-stopped', targetId: eventId(number) }),
  ]
}

function stateOf(events: readonly ProgressEvent[], now: Instant) {
  const progress = foldProgress(events)
  const estimate = estimateLine({ project: given, shelf: testShelf, progress, now })
  const solved = solveLine({ ...toPlan(given), split: given, progress, times: timesOf(estimate), now })
  if (!solved.ok) throw new Error(solved.error.kind)
  const { plan } = solved.value
  return { progress, estimate, plan, sitting: sittingNow(given, progress, plan, estimate, painter!.id, now) }
}

describe('sittingNow', () => {
  it('before it begins is the next session, and says what it brings', () => {
    const { sitting, plan } = stateOf([], noon)
    expect(sitting).toMatchObject({ isOn: false, clocked: null, session: plan.sessions[0] })
    expect(sitting!.reached).toEqual([{ batch: plan.batches[0], what: 'table-ready' }])
    const ends = plan.stretches.filter((each) => each.session === 0).map((each) => each.endsAt)
    expect(sitting!.workUntil).toBe(Math.max(...ends))
  })

  it('while it is on tells what the clocks showed against what was estimated', () => {
    const { session } = stateOf([], noon).sitting!
    const start = session.startsAt
    const events = lap(1, 'coat', start, 10 * 60)
    const { sitting, estimate } = stateOf(events, addSeconds(start, 11 * 60))
    expect(sitting).toMatchObject({ isOn: true, clocked: { seconds: 600 } })
    const coat = estimate.stages.find(({ work }) => work.stageId === line[0]!.id)!
    const { secondsPerModel } = coat.work
    expect(sitting!.clocked!.estimatedSeconds).toBeCloseTo(secondsPerModel * coat.learning * coat.pace * 4)
  })

  it('leaves out the laps of another evening, and a clock that somebody left out', () => {
    const { session } = stateOf([], noon).sitting!
    const start = session.startsAt
    const before = lap(1, 'coat', addSeconds(start, -86_400), 600)
    expect(stateOf(before, addSeconds(start, 60)).sitting!.clocked).toBeNull()
    const asleep = [
      ...lap(1, 'coat', start, 7000),
      event(9, addSeconds(start, 7100), {
        kind: 'lap-corrected',
        targetId: eventId(1),
        workSeconds: null,
        note: '',
      }),
    ]
    expect(stateOf(asleep, addSeconds(start, 7200)).sitting!.clocked).toBeNull()
  })

  it('tells each painter of their own clock; what was recorded before they were told apart is the first one’s', () => {
    const other = 'tiss' as PainterId
    const { session } = stateOf([], noon).sitting!
    const byTiss = lap(1, 'coat', session.startsAt, 600).map((each) => ({
      ...each,
      by: { painter: other, device: '' as DeviceId, number: 1 },
    }))
    const at = addSeconds(session.startsAt, 660)
    const clockedOf = (events: readonly ProgressEvent[]) => {
      const { progress, estimate, plan } = stateOf(events, at)
      const two = { ...plan, painters: [plan.painters[0]!, { ...plan.painters[0]!, id: other }] }
      const sessions = plan.sessions.flatMap((each) => [each, { ...each, painter: 1 }])
      return [painter!.id, other].map(
        (who) =>
          sittingNow(given, progress, { ...two, sessions }, estimate, who, at)!.clocked?.seconds ?? null,
      )
    }
    expect(clockedOf(byTiss)).toEqual([null, 600])
    expect(clockedOf(lap(1, 'coat', session.startsAt, 600))).toEqual([600, null])
  })

  it('names a batch once, in the session in which it gets there', () => {
    const start = stateOf([], noon).sitting!.session.startsAt
    const done = [...lap(1, 'coat', start, 1200), ...lap(11, 'shade', addSeconds(start, 1800), 1200)]
    const { sitting } = stateOf(done, addSeconds(start, 3600))
    expect(sitting!.reached.map((each) => each.what)).not.toContain('table-ready')
  })
})

describe('beyondTheStopLine', () => {
  const [batch] = splitIntoBatches(given, given)
  const of = (events: readonly ProgressEvent[]) => {
    const progress = foldProgress(events)
    const estimate = estimateLine({
      project: given,
      shelf: testShelf,
      progress,
      now: addSeconds(noon, 90_000),
    })
    return beyondTheStopLine(given, progress, estimate, batch!)
  }
  const coated = lap(1, 'coat', noon, 1200)
  const shaded = lap(11, 'shade', addSeconds(noon, 2000), 1200)

  it('is nothing while the table still asks for something, nor when all is done', () => {
    expect(of(coated)).toBeNull()
    const edged = lap(21, 'edge', addSeconds(noon, 4000), 14_400)
    expect(of([...coated, ...shaded, ...edged])).toBeNull()
  })

  it('is what each further step would take, its set-up in it', () => {
    const further = of([...coated, ...shaded])!
    expect(further.map((each) => each.name)).toEqual(['edge'])
    const { estimate } = stateOf([...coated, ...shaded], addSeconds(noon, 90_000))
    const edge = estimate.stages.find(({ work }) => work.stageId === line[2]!.id)!
    expect(further[0]!.seconds).toBeCloseTo(120 + 4 * edge.perModel.likely)
  })
})
