import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { eventId, log, models, noon, stageId } from '../testing/builders.ts'
import { addSeconds } from '../units/instant.ts'
import type { ProgressEvent } from './event.ts'
import { foldProgress } from './fold-progress.ts'

const prime = stageId('prime')
const marksOf = (events: readonly ProgressEvent[]) =>
  [...foldProgress(events).marks].map(([model, stages]) => [model, [...stages]] as const)

describe('foldProgress', () => {
  it('punches, and clears again', () => {
    const events = log(
      { kind: 'punched', stageId: prime, modelIds: models('a', 'b') },
      { kind: 'cleared', stageId: prime, modelIds: models('a') },
    )
    expect(marksOf(events)).toEqual([
      ['a', []],
      ['b', [['prime', { kind: 'punched', at: noon }]]],
    ])
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

  it('an undo of what is not there, of itself or of a later event changes nothing', () => {
    const [punch, undo] = log(
      { kind: 'punched', stageId: prime, modelIds: models('a') },
      { kind: 'undone', targetId: eventId(9) },
    )
    expect(foldProgress([punch!, undo!]).marks.size).toBe(1)
    expect(foldProgress([punch!, { ...undo!, targetId: undo!.id } as ProgressEvent]).marks.size).toBe(1)
    const early = { ...undo!, targetId: punch!.id, at: addSeconds(noon, -60) } as ProgressEvent
    expect(foldProgress([punch!, early]).marks.size).toBe(1)
  })

  it('keeps when a model was painted when a touch-up is noted on it', () => {
    const events = log(
      { kind: 'punched', stageId: prime, modelIds: models('a') },
      { kind: 'touch-up', stageId: prime, modelIds: models('a'), note: 'drip' },
    )
    expect(foldProgress(events).marks.get(models('a')[0]!)?.get(prime)).toEqual({
      kind: 'touch-up',
      at: noon,
      note: 'drip',
    })
  })

  it('a stopped clock is a lap over the models punched meanwhile', () => {
    const events = log(
      { kind: 'clock-started', stageId: prime, modelIds: models('a', 'b', 'c') },
      { kind: 'punched', stageId: prime, modelIds: models('a') },
      { kind: 'punched', stageId: prime, modelIds: models('b', 'x') },
      { kind: 'clock-stopped', targetId: eventId(0) },
    )
    expect(foldProgress(events.slice(0, 3)).running?.startedAt).toBe(noon)
    const { running, laps } = foldProgress(events)
    expect(running).toBeNull()
    expect(laps).toEqual([
      {
        eventId: eventId(0),
        stageId: prime,
        modelIds: models('a', 'b', 'c'),
        startedAt: noon,
        stoppedAt: addSeconds(noon, 180),
        done: models('a', 'b'),
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
    expect(running?.stageId).toBe('coat')
    expect(laps.map((lap) => lap.stoppedAt)).toEqual([addSeconds(noon, 60)])
  })

  it('comes to the same whatever the order and however often events are sent', () => {
    const anyEvent = fc.record({
      kind: fc.constantFrom('punched', 'cleared', 'touch-up', 'clock-started', 'clock-stopped', 'undone'),
      at: fc.integer({ min: 0, max: 20 }),
      stageId: fc.constantFrom('prime', 'coat'),
      modelIds: fc.uniqueArray(fc.constantFrom('a', 'b', 'c'), { minLength: 1 }),
      target: fc.nat({ max: 15 }),
    })
    fc.assert(
      fc.property(
        fc.array(anyEvent, { maxLength: 15 }),
        fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 20, maxLength: 20 }),
        (drafts, keys) => {
          const events = drafts.map(
            ({ target, ...draft }, index) =>
              ({
                ...draft,
                at: addSeconds(noon, draft.at),
                id: eventId(index),
                targetId: eventId(target),
                note: '',
              }) as unknown as ProgressEvent,
          )
          const shuffled = [...events, ...events.slice(0, 5)]
            .map((event, index) => ({ event, key: keys[index] ?? 0 }))
            .sort((a, b) => a.key - b.key)
            .map(({ event }) => event)
          expect(foldProgress(shuffled)).toEqual(foldProgress(events))
        },
      ),
      { numRuns: 300 },
    )
  })
})
