import { plainPlanning, splitIntoBatches, type Project, type Stage } from '@seriatim/core/trade'
import { foldProgress, type Clock } from '@seriatim/core/progress'
import { instant, type EventId, type ModelId, type PainterId, type StageId } from '@seriatim/core/units'
import { act, renderHook } from '@testing-library/react'
import { afterAll, afterEach, beforeEach, expect, it, vi } from 'vitest'
import * as worker from '../../shared/worker/index.ts'
import { useBenchTask } from './use-bench-task.ts'

const usePlanBefore = vi.spyOn(worker, 'usePlanBefore')
beforeEach(() => {
  vi.useFakeTimers()
})
afterEach(() => {
  vi.useRealTimers()
})
afterAll(() => {
  vi.restoreAllMocks()
})

const pass = (milliseconds: number) =>
  act(() => {
    vi.advanceTimersByTime(milliseconds)
  })

const now = instant(Date.parse('2026-11-24T20:00:00Z'))
const stage = (name: string, more: Partial<Stage> = {}) =>
  ({
    id: name,
    name,
    touch: { kind: 'whole' },
    dryingMinSeconds: 0,
    nextWithinSeconds: null,
    notNeededBy: [],
    limits: [],
    typed: [],
    steps: [],
    ...more,
  }) as unknown as Stage
const unit = (name: string) => ({
  id: name,
  name,
  pilot: [],
  models: [1, 2].map((number) => ({ id: `${name}${String(number)}`, name, role: '', variants: [] })),
})
const project = (...line: Stage[]) =>
  ({
    batchSize: 2,
    planning: plainPlanning,
    units: [unit('Pikes'), unit('Netters')],
    line,
  }) as unknown as Project

/** What the desk has, first while the plan is on its way and then with it. */
function desk(of: Project, before: string | null | undefined, clock: Clock | null = null) {
  const batches = splitIntoBatches(of, of)
  const planOf = (unitName: string) => {
    const batch = batches.find((each) => each.unitName === unitName)
    if (!batch) throw new RangeError(`no unit ${unitName}`)
    const modelIds = batch.models.slice(0, 1).map((model) => model.id)
    return {
      stretches: [
        { batchId: batch.id, stageId: of.line[0]?.id, touchUp: null, by: null, painter: 0, modelIds },
      ],
    } as never
  }
  usePlanBefore.mockReturnValue(typeof before === 'string' ? planOf(before) : before)
  const input = {
    project: of,
    batches,
    progress: { ...foldProgress([]), running: clock ? [clock] : [] },
    plan: null,
    isPlanned: false,
    shelf: [],
    painter: 'you' as PainterId,
    clock,
    waiting: [],
    now,
  }
  const { result, rerender } = renderHook((given) => useBenchTask(given), { initialProps: input })
  const read = () => {
    const { task, isLooking, isByLine } = result.current
    return isLooking ? 'looking' : `${task?.batch.unitName ?? 'nothing'}${isByLine ? ', by the line' : ''}`
  }
  return {
    read,
    left: () => result.current.task?.left.length,
    planned: (unitName: string | null) =>
      rerender({ ...input, plan: unitName === null ? null : planOf(unitName), isPlanned: true }),
  }
}

it('holds nothing out that the plan would change under the finger', () => {
  const { read, planned } = desk(project(stage('Prime')), null)
  expect(read()).toBe('looking')
  planned('Netters')
  expect(read()).toBe('Netters')
})

it('holds out at once what the plan before has first, and looks while nobody knows whether there is one', () => {
  expect(desk(project(stage('Prime')), 'Netters').read()).toBe('Netters')
  expect(desk(project(stage('Prime')), undefined).read()).toBe('looking')
})

it('waits for the plan to say which models go first where what comes next has to follow soon', () => {
  const washed = project(stage('Wash', { nextWithinSeconds: 600 as never }), stage('Wipe'))
  const { read, left, planned } = desk(washed, 'Netters')
  expect(read()).toBe('looking')
  planned('Netters')
  expect([read(), left()]).toEqual(['Netters', 1])
})

it('goes on where the clock runs, and says at once that nothing is left', () => {
  const clock = {
    eventId: 'e' as EventId,
    stageId: 'Prime' as StageId,
    modelIds: ['Netters1' as ModelId],
    startedAt: now,
    painter: null,
  } as Clock
  expect(desk(project(stage('Prime')), null, clock).read()).toBe('Netters')
  expect(desk(project(), null).read()).toBe('nothing')
})

it('goes on by the line where the plan is long in coming or cannot be made, and says so while it waits', () => {
  const { read, planned } = desk(project(stage('Prime')), null)
  pass(4_999)
  expect(read()).toBe('looking')
  pass(1)
  expect(read()).toBe('Pikes, by the line')
  planned(null)
  expect(read()).toBe('Pikes')
})
