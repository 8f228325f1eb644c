import { planLine, toPlan } from '@seriatim/core/plan'
import { dryingShelf, clockOf, foldProgress, toFollow, type ProgressEvent } from '@seriatim/core/progress'
import { splitIntoBatches, type Project, type Stage, plainPlanning } from '@seriatim/core/trade'
import {
  addSeconds,
  instant,
  minutes,
  seconds,
  type Instant,
  type BatchId,
  type EventId,
  type ModelId,
  type PainterId,
  type ProjectId,
  type StageId,
  type UnitId,
} from '@seriatim/core/units'
import { describe, expect, it } from 'vitest'
import {
  comesAfter,
  currentTask,
  isLastOfClock,
  withoutSkipped,
  type AtTheDesk,
  type BenchTask,
} from './bench-task.ts'
import { createStripRows } from './strip-rows.ts'

const now = instant(Date.parse('2026-11-24T20:00:00Z'))

const stage = (name: string, dry: number): Stage => ({
  id: name as StageId,
  name,
  material: name,
  touch: { kind: 'whole' },
  handsOnSecondsPerModel: minutes(1),
  setUpSeconds: seconds(0),
  dryingMinSeconds: minutes(dry),
  dryingMaxSeconds: minutes(dry),
  nextWithinSeconds: null,
  notNeededBy: [],
  tableReady: false,
  cautions: [],
  note: '',
  limits: [],
  technique: null,
  typed: [],
  steps: [],
})

const unit = (name: string) => ({
  id: name as UnitId,
  name,
  standard: 'display' as const,
  size: 'foot' as const,
  detail: 'usual' as const,
  perHolder: 1,
  pilot: [],
  joinedAt: null,
  models: [1, 2].map((number) => ({
    id: `${name}${number}` as ModelId,
    name: `${name} ${number}`,
    role: '',
    variants: [],
    points: 0,
  })),
})

const project: Project = {
  id: 'p' as ProjectId,
  name: 'Fen',
  dueOn: null,
  commission: null,
  evenings: { weekdays: [2], startsAt: '19:30', lengthSeconds: minutes(150), also: [], timeZone: 'UTC' },
  batchSize: 2,
  firstBatch: null,
  batchesInHand: null,
  planning: plainPlanning,
  units: [unit('a'), unit('b')],
  recipes: [],
  line: [stage('prime', 20), stage('coat', 0)],
}
const batches = splitIntoBatches(project, project)

/** One painter at the desk, with nothing recorded and no plan. */
const alone: AtTheDesk = {
  project,
  batches,
  progress: foldProgress([]),
  plan: null,
  choice: null,
  shelf: [],
  running: null,
  waiting: [],
  painter: 0,
  now,
}

function task(
  events: object[],
  choice: { batchId: string; stageId: string; touchUp?: boolean } | null = null,
) {
  const progress = foldProgress(
    events.map(
      (event, index) =>
        ({ id: `e${index}` as EventId, at: addSeconds(now, -60 + index), ...event }) as ProgressEvent,
    ),
  )
  const wish = choice && {
    batchId: choice.batchId as BatchId,
    stageId: choice.stageId as StageId,
    touchUp: choice.touchUp ?? false,
    by: null,
  }
  const found = currentTask({
    ...alone,
    progress,
    choice: wish,
    shelf: dryingShelf(project, batches, progress, now),
    running: clockOf(progress, null),
  })
  return found && [found.batch.unitName, found.stage.name, found.left.length]
}

const punched = (stageId: string, ...modelIds: string[]) => ({ kind: 'punched', stageId, modelIds })

describe('isLastOfClock', () => {
  const log = (...events: object[]) =>
    foldProgress(
      events.map(
        (event, index) =>
          ({ id: `e${index}` as EventId, at: addSeconds(now, -60 + index), ...event }) as ProgressEvent,
      ),
    )
  const isLast = (progress: ReturnType<typeof log>, ...justDone: string[]) => {
    const running = clockOf(progress, null)
    if (!running) throw new Error('no clock')
    return isLastOfClock(project, progress, running, justDone as ModelId[])
  }
  const started = { kind: 'clock-started', stageId: 'prime', modelIds: ['a1', 'a2'] }
  const slip = { kind: 'touch-up', stageId: 'prime', modelIds: ['a1'], note: '' }

  it('is the last model that was open when the clock began, whichever comes last', () => {
    expect(isLast(log(started), 'a1')).toBe(false)
    expect(isLast(log(started, punched('prime', 'a1')), 'a2')).toBe(true)
    expect(isLast(log(started), 'a1', 'a2')).toBe(true)
  })

  it('is not a dab in between: the models left stay on the clock', () => {
    expect(isLast(log(started, slip), 'a1')).toBe(false)
    expect(isLast(log(started, slip, punched('prime', 'a2')), 'a1')).toBe(true)
    expect(isLast(log(started, slip), 'a2')).toBe(false)
  })

  it('waits for no model that is gone from the roster', () => {
    expect(isLast(log({ ...started, modelIds: ['a1', 'gone'] }), 'a1')).toBe(true)
  })
})

describe('currentTask', () => {
  it('is the first thing in line order that is left', () => {
    expect(task([])).toEqual(['a', 'prime', 2])
    expect(task([punched('prime', 'a1')])).toEqual(['a', 'prime', 1])
  })

  it('is what the clock runs on, whatever else was chosen', () => {
    const started = { kind: 'clock-started', stageId: 'coat', modelIds: ['b1', 'b2'] }
    expect(task([started], { batchId: 'a1..a2', stageId: 'prime' })).toEqual(['b', 'coat', 2])
  })

  it('is what the painter chose while it has models left', () => {
    expect(task([], { batchId: 'b1..b2', stageId: 'prime' })).toEqual(['b', 'prime', 2])
    expect(task([punched('prime', 'b1', 'b2')], { batchId: 'b1..b2', stageId: 'prime' })).toEqual([
      'a',
      'prime',
      2,
    ])
  })

  it('is the dab that is left when all else is done, and under a clock that was started on it', () => {
    const all = ['a1', 'a2', 'b1', 'b2']
    const slip = { kind: 'touch-up', stageId: 'coat', modelIds: ['b2'], note: 'border' }
    const events = [punched('prime', ...all), punched('coat', ...all), slip]
    expect(task(events)).toEqual(['b', 'coat', 1])
    const started = { kind: 'clock-started', stageId: 'coat', modelIds: ['b2'] }
    expect(task([...events, started])).toEqual(['b', 'coat', 1])
    expect(task([...events, punched('coat', 'b2')])).toBeNull()
  })

  it('is nothing when all is done', () => {
    const all = ['a1', 'a2', 'b1', 'b2']
    expect(task([punched('prime', ...all), punched('coat', ...all)])).toBeNull()
  })
})

describe('a stage that has to be followed soon', () => {
  const soon = { ...stage('wash', 0), handsOnSecondsPerModel: minutes(2), nextWithinSeconds: minutes(5) }
  const six = {
    ...unit('w'),
    models: [1, 2, 3, 4, 5, 6].map((number) => ({
      ...unit('w').models[0]!,
      id: `w${String(number)}` as ModelId,
    })),
  }
  const washed: Project = { ...project, units: [six], line: [soon, stage('wipe', 0)], batchSize: 6 }
  const own = splitIntoBatches(washed, washed)
  /** Planned from a moment in a session, and from one in the night: the limit does not wait for the session. */
  const at = (...done: readonly (readonly [string, readonly number[]])[]) => {
    const [inSession, atNight] = [now, addSeconds(now, 6 * 3600)].map((from) => atPlannedFrom(from, done))
    expect(inSession).toEqual(atNight)
    return inSession
  }
  const atPlannedFrom = (from: Instant, done: readonly (readonly [string, readonly number[]])[]) => {
    const progress = foldProgress(
      done.map(
        ([stageId, models], index) =>
          ({
            id: `g${String(index)}`,
            at: addSeconds(now, -60 + index),
            ...punched(stageId, ...models.map((each) => `w${String(each)}`)),
          }) as unknown as ProgressEvent,
      ),
    )
    const planned = planLine({ ...toPlan(washed), progress, now: from })
    const plan = planned.ok ? planned.value : null
    const waiting = toFollow(washed, own, progress, now)
    const found = currentTask({ ...alone, project: washed, batches: own, progress, plan, waiting })
    return found && [found.stage.name, found.left.length, found.later.length]
  }

  it('is done on one group, followed on it, and goes on with the next', () => {
    expect(at()).toEqual(['wash', 3, 3])
    expect(at(['wash', [1]])).toEqual(['wash', 2, 3])
    expect(at(['wash', [1, 2, 3]])).toEqual(['wipe', 3, 3])
    expect(at(['wash', [1, 2, 3]], ['wipe', [1, 2, 3]])).toEqual(['wash', 3, 0])
  })
})

describe('two painters', () => {
  const [first, second] = [0, 1]
  const stretch = (painter: number, unitName: string, stageId: string, modelIds?: readonly string[]) => ({
    batchId: batches.find((each) => each.unitName === unitName)!.id,
    stageId: stageId as StageId,
    touchUp: null,
    putOff: false,
    painter,
    ...(modelIds ? { modelIds: modelIds as ModelId[] } : {}),
  })
  const log = (...events: readonly object[]) =>
    foldProgress(
      events.map(
        (event, index) => ({ id: `h${String(index)}`, at: now, ...event }) as unknown as ProgressEvent,
      ),
    )
  const started = (painter: string, stageId: string, ...modelIds: string[]) => ({
    kind: 'clock-started',
    by: { painter },
    stageId,
    modelIds,
  })
  /** What lies before each of them. */
  const before = (plan: AtTheDesk['plan'], ...events: readonly object[]) =>
    [first, second].map((painter) => {
      const progress = log(...events)
      const shelf = dryingShelf(project, batches, progress, now)
      const running = clockOf(progress, ['one', 'two'][painter] as PainterId)
      const found = currentTask({ ...alone, progress, plan, shelf, running, painter })
      return found && `${found.batch.unitName} ${found.stage.name}`
    })
  const shared = {
    stretches: [
      stretch(first, 'a', 'prime'),
      stretch(second, 'b', 'prime'),
      stretch(first, 'b', 'coat'),
      stretch(second, 'a', 'coat'),
    ],
  }

  it('each have what the plan has for their hands', () => {
    expect(before(shared)).toEqual(['a prime', 'b prime'])
  })

  it('have nothing before the other is through with it, and then help with what is left', () => {
    // The first is through with a; b is still being primed by the second, and not to be coated.
    const primed = [punched('prime', 'a1', 'a2'), started('two', 'prime', 'b1', 'b2')]
    expect(before(shared, ...primed)).toEqual(['a coat', 'b prime'])
    // Where the other has not begun either, the one whose hands are free takes that.
    expect(before(shared, punched('prime', 'a1', 'a2'))).toEqual(['b prime', 'b prime'])
  })

  it('go on with models that the other has handed over, while the rest of the batch is still to come', () => {
    const inParts = {
      stretches: [
        stretch(first, 'a', 'prime', ['a1']),
        stretch(first, 'a', 'prime', ['a2']),
        stretch(second, 'a', 'coat', ['a1']),
      ],
    }
    expect(before(inParts)).toEqual(['a prime', 'a prime'])
    expect(before(inParts, punched('prime', 'a1'))).toEqual(['a prime', 'a coat'])
  })

  it('take nothing out of the hands of the other', () => {
    expect(
      before({ stretches: [stretch(first, 'a', 'prime')] }, started('one', 'prime', 'a1', 'a2')),
    ).toEqual(['a prime', 'a prime'])
    expect(before(shared, started('two', 'prime', 'a1', 'a2'))).toEqual(['b prime', 'a prime'])
  })
})

describe('comesAfter', () => {
  const log = (events: readonly object[]) =>
    foldProgress(
      events.map(
        (event, index) => ({ id: `n${String(index)}`, at: now, ...event }) as unknown as ProgressEvent,
      ),
    )
  const planned = planLine({ ...toPlan(project), progress: log([]), now })
  const plan = planned.ok ? planned.value : null
  const stretches = plan?.stretches ?? []
  /** What comes of the plan of the beginning, after these records and before it is laid anew. */
  const after = (...events: readonly object[]) => {
    const progress = log(events)
    const onDesk = currentTask({ ...alone, progress, plan })
    return comesAfter(onDesk, stretches, project, progress).map(
      ({ batchId, stageId, modelIds }) =>
        `${batches.find((each) => each.id === batchId)!.unitName} ${stageId} ${String(modelIds.length)}`,
    )
  }

  it('is the plan without what is on the desk', () => {
    expect(after()).toEqual(['b prime 2', 'a coat 2', 'b coat 2'])
  })

  it('is nothing that is through by now, though the plan is of before', () => {
    expect(after(punched('prime', 'a1', 'a2'), punched('prime', 'b1', 'b2'))).toEqual(['b coat 2'])
    expect(after(punched('prime', 'a1', 'a2'), punched('coat', 'b2'))).toEqual(['a coat 2', 'b coat 1'])
  })

  it('is a dab until it is done', () => {
    const dabs = (...events: readonly object[]) =>
      comesAfter(
        null,
        stretches.map((each) => ({ ...each, touchUp: 'colour' as const })),
        project,
        log(events),
      ).flatMap(({ modelIds }) => modelIds)
    const primed = punched('prime', 'a1', 'a2')
    const slip = { kind: 'touch-up', stageId: 'prime', modelIds: ['a1'], note: '' }
    expect(dabs(primed, slip)).toEqual(['a1'])
    expect(dabs(primed, slip, punched('prime', 'a1'))).toEqual([])
  })

  it('is no stage that was taken out of the line', () => {
    const shorter = { line: project.line.slice(1) }
    expect(comesAfter(null, stretches, shorter, log([]))).toHaveLength(2)
  })
})

describe('withoutSkipped', () => {
  const [a1, a2, a3] = ['a1', 'a2', 'a3'] as unknown as ModelId[]
  const on = (stageId: string, modelId?: ModelId) => ({ stageId: stageId as StageId, modelId: modelId! })
  const given = { stage: { id: 'coat' }, left: [a1, a2, a3] } as unknown as BenchTask

  it('puts the skipped at the end, the last skipped last, whatever was skipped at other stages', () => {
    expect(withoutSkipped(given, [on('coat', a1)])!.left).toEqual([a2, a3, a1])
    expect(withoutSkipped(given, [on('coat', a1), on('coat', a2), on('coat', a1)])!.left).toEqual([
      a3,
      a2,
      a1,
    ])
    expect(withoutSkipped(given, [on('shade', a1)])).toBe(given)
    expect(withoutSkipped(null, [])).toBeNull()
  })

  it('skips nobody who is through', () => {
    expect(withoutSkipped({ ...given, left: [a2!] }, [on('coat', a1)])!.left).toEqual([a2])
  })
})

describe('stripRows', () => {
  it('is a strip a batch, and under an opened one a strip a model', () => {
    const progress = foldProgress([
      {
        kind: 'punched',
        id: 'e' as EventId,
        at: now,
        stageId: 'prime' as StageId,
        modelIds: ['a1' as ModelId],
      },
    ])
    const rows = createStripRows()(project, batches, progress, now, new Set([batches[0]!.id]))
    expect(rows.map((row) => row.name)).toEqual(['a', 'a 1', 'a 2', 'b'])
    expect(rows[0]!.cells[0]).toMatchObject({
      count: '1/2',
      open: ['a2'],
      label: 'prime, a: in hand, 1 of 2',
    })
    expect(rows[1]!.cells[0]).toMatchObject({ open: [], state: { kind: 'drying' } })
  })
})
