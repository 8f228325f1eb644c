import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { eventId, log, models, noon, stageId } from '../testing/builders.ts'
import { addSeconds } from '../units/instant.ts'
import type { DeviceId, PainterId, StageId } from '../units/ids.ts'
import type { Seconds } from '../units/seconds.ts'
import type { ProgressEvent } from './event.ts'
import { foldProgress } from './fold-progress.ts'
import { createProgressLog } from './progress-log.ts'
import { clockOf } from './progress.ts'

const prime = stageId('prime')
const marksOf = (events: readonly ProgressEvent[]) =>
  [...foldProgress(events).marks].map(([model, stages]) => [model, [...stages]] as const)

describe('foldProgress', () => {
  it('punches, and clears again', () => {
    const events = log(
      { kind: 'punched', stageId: prime, modelIds: models('a', 'b') },
      { kind: 'cleared', stageId: prime, modelIds: models('a') },
    )
    expect(marksOf(events)).toEqual([['b', [['prime', { kind: 'punched', at: noon, drySeconds: null }]]]])
  })

  it('an undo takes an event back, an undo of the undo brings it back', () => {
    const events = log(
      { kind: 'punched', stageId: prime, modelIds: models('a') },
      { kind: 'undone', targetId: eventId(0) },
      { kind: 'undone', targetId: eventId(1) },
    )
    expect(foldProgress(events.slice(0, 2)).marks.size).toBe(0)
    expect(foldProgress(events).marks.get(models('a')[0]!)?.size).toBe(1)
  })

  it('offers the newest standing event to undo, and the newest undo to redo', () => {
    const events = log(
      { kind: 'punched', stageId: prime, modelIds: models('a') },
      { kind: 'punched', stageId: prime, modelIds: models('b') },
      { kind: 'undone', targetId: eventId(1) },
    )
    const progress = foldProgress(events)
    expect(progress.lastUndoable?.id).toBe(eventId(0))
    expect(progress.lastUndo).toBe(eventId(2))
    expect(foldProgress(events.slice(0, 2)).lastUndo).toBeNull()
  })

  it('an undo of what is not there or of itself changes nothing', () => {
    const [punch, undo] = log(
      { kind: 'punched', stageId: prime, modelIds: models('a') },
      { kind: 'undone', targetId: eventId(9) },
    )
    expect(foldProgress([punch!, undo!]).marks.size).toBe(1)
    expect(foldProgress([punch!, { ...undo!, targetId: undo!.id } as ProgressEvent]).marks.size).toBe(1)
  })

  it('an undo counts whatever its clock said, and before its target is told', () => {
    const [punch, undo, redo] = log(
      { kind: 'punched', stageId: prime, modelIds: models('a') },
      { kind: 'undone', targetId: eventId(0) },
      { kind: 'undone', targetId: eventId(1) },
    )
    const early = { ...undo!, at: addSeconds(noon, -120) }
    expect(foldProgress([punch!, early]).marks.size).toBe(0)
    const told = createProgressLog([early])
    told.add([punch!])
    expect(told.read().marks.size).toBe(0)
    told.add([{ ...redo!, at: addSeconds(noon, -240) }])
    expect(told.read().marks.size).toBe(1)
  })

  it('undos that aim at each other in a circle are void', () => {
    const [punch, one, two] = log(
      { kind: 'punched', stageId: prime, modelIds: models('a') },
      { kind: 'undone', targetId: eventId(2) },
      { kind: 'undone', targetId: eventId(1) },
    )
    const progress = foldProgress([one!, two!, punch!])
    expect(progress.marks.size).toBe(1)
    expect(progress.lastUndo).toBeNull()
  })

  it('keeps the wait that a coat had when it was put on', () => {
    const seconds = 900 as Seconds
    const events = log(
      { kind: 'punched', stageId: prime, modelIds: models('a'), drySeconds: seconds },
      {
        kind: 'milestone',
        stageIds: [prime, stageId('coat')],
        modelIds: models('a', 'b'),
        workSeconds: seconds,
        waits: [{ stageId: prime, drySeconds: 60 as Seconds }],
      },
    )
    const { marks } = foldProgress(events)
    const waitOf = (model: string, stage: StageId) => marks.get(models(model)[0]!)?.get(stage)?.drySeconds
    expect([waitOf('a', prime), waitOf('b', prime), waitOf('b', stageId('coat'))]).toEqual([900, 60, null])
  })

  it('keeps when a model was painted when a touch-up is noted on it', () => {
    const events = log(
      { kind: 'punched', stageId: prime, modelIds: models('a') },
      { kind: 'touch-up', stageId: prime, modelIds: models('a'), note: 'drip' },
    )
    expect(foldProgress(events).marks.get(models('a')[0]!)?.get(prime)).toEqual({
      kind: 'touch-up',
      at: noon,
      drySeconds: null,
      note: 'drip',
      region: null,
    })
  })

  it('a stopped clock is a lap over the models punched meanwhile', () => {
    const events = log(
      { kind: 'clock-started', stageId: prime, modelIds: models('a', 'b', 'c') },
      { kind: 'punched', stageId: prime, modelIds: models('a') },
      { kind: 'punched', stageId: prime, modelIds: models('b', 'x') },
      { kind: 'clock-stopped', targetId: eventId(0) },
    )
    expect(foldProgress(events.slice(0, 3)).running[0]?.startedAt).toBe(noon)
    const { running, laps } = foldProgress(events)
    expect(running).toEqual([])
    expect(laps).toEqual([
      {
        eventId: eventId(0),
        painter: null,
        stageId: prime,
        modelIds: models('a', 'b', 'c'),
        startedAt: noon,
        stoppedAt: addSeconds(noon, 180),
        done: models('a', 'b'),
        taps: [addSeconds(noon, 60), addSeconds(noon, 120)],
        correction: null,
      },
    ])
  })

  it('a second clock stops the first, and a stop of another clock stops nothing', () => {
    const events = log(
      { kind: 'clock-started', stageId: prime, modelIds: models('a') },
      { kind: 'clock-started', stageId: stageId('coat'), modelIds: models('a') },
      { kind: 'clock-stopped', targetId: eventId(0) },
    )
    const { running, laps } = foldProgress(events)
    expect(running.map((clock) => clock.stageId)).toEqual(['coat'])
    expect(laps.map((lap) => lap.stoppedAt)).toEqual([addSeconds(noon, 60)])
  })

  it('each painter has a clock: the start of one cuts nobody else’s lap', () => {
    const by = (name: string) => ({ device: name as DeviceId, number: 1, painter: name as PainterId })
    const events = log(
      { kind: 'clock-started', stageId: prime, modelIds: models('a'), by: by('A') },
      { kind: 'clock-started', stageId: prime, modelIds: models('b'), by: by('B') },
      { kind: 'punched', stageId: prime, modelIds: models('a'), by: by('A') },
      { kind: 'clock-stopped', targetId: eventId(0), by: by('A') },
    )
    const progress = foldProgress(events)
    expect(progress.laps).toMatchObject([
      { painter: 'A', startedAt: noon, stoppedAt: addSeconds(noon, 180), done: ['a'] },
    ])
    expect(clockOf(progress, 'B' as PainterId)?.startedAt).toBe(addSeconds(noon, 60))
    expect(clockOf(progress, 'A' as PainterId)).toBeNull()
  })

  it('offers a device to take back what it recorded itself', () => {
    const by = (name: string) => ({ device: name as DeviceId, number: 1, painter: null })
    const read = createProgressLog(
      log(
        { kind: 'punched', stageId: prime, modelIds: models('a'), by: by('tablet') },
        { kind: 'punched', stageId: prime, modelIds: models('b'), by: by('phone') },
      ),
    ).read
    expect(read('tablet' as DeviceId).lastUndoable?.id).toBe(eventId(0))
    expect(read().lastUndoable?.id).toBe(eventId(1))
  })

  it('what was read does not change when more is added', () => {
    const events = log(
      { kind: 'punched', stageId: prime, modelIds: models('a') },
      { kind: 'punched', stageId: prime, modelIds: models('b') },
      { kind: 'cleared', stageId: prime, modelIds: models('a') },
    )
    const growing = createProgressLog(events.slice(0, 1))
    const first = growing.read()
    expect(growing.add(events.slice(0, 1))).toBe(false)
    growing.add(events.slice(1))
    expect([...first.marks.keys()]).toEqual(['a'])
    expect([...growing.read().marks.keys()]).toEqual(['b'])
  })

  it('comes to the same whatever the order and however often events are sent', () => {
    const anyEvent = fc.record({
      kind: fc.constantFrom(
        'punched',
        'cleared',
        'touch-up',
        'clock-started',
        'clock-stopped',
        'milestone',
        'lap-corrected',
        'judged',
        'undone',
        'undone',
      ),
      at: fc.integer({ min: 0, max: 20 }),
      stageId: fc.constantFrom('prime', 'coat'),
      modelIds: fc.uniqueArray(fc.constantFrom('a', 'b', 'c'), { minLength: 1 }),
      target: fc.nat({ max: 15 }),
      painter: fc.constantFrom(null, 'A', 'B'),
    })
    fc.assert(
      fc.property(
        fc.array(anyEvent, { maxLength: 16 }),
        fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 21, maxLength: 21 }),
        fc.array(fc.nat({ max: 20 })),
        (drafts, keys, readings) => {
          const events = drafts.map(
            ({ target, painter, ...draft }, index) =>
              ({
                ...draft,
                stageIds: [draft.stageId],
                at: addSeconds(noon, draft.at),
                id: eventId(index),
                targetId: eventId(target),
                by: { device: painter ?? 'desk', number: index, painter },
                workSeconds: 60,
                note: '',
              }) as unknown as ProgressEvent,
          )
          const shuffled = [...events, ...events.slice(0, 5)]
            .map((event, index) => ({ event, key: keys[index] ?? 0 }))
            .sort((a, b) => a.key - b.key)
            .map(({ event }) => event)
          // Read now and then on the way: what was read before must not show in what is read after.
          const growing = createProgressLog()
          shuffled.forEach((event, index) => {
            growing.add([event])
            if (readings.includes(index)) growing.read()
          })
          const expected = foldProgress(events)
          expect(growing.read()).toEqual(expected)
          expect(foldProgress(shuffled)).toEqual(expected)
        },
      ),
      { numRuns: 1000 },
    )
  })
})
