import type { ProgressEvent } from '@seriatim/core/progress'
import {
  type DeviceId,
  type EventId,
  type ModelId,
  type PainterId,
  type StageId,
  instant,
} from '@seriatim/core/units'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { eventSchema } from './event.ts'
import { createLogPacker, eventJson, packLog, packedLogSchema, unpackLog } from './packed-log.ts'

const id = <Id extends string>() => fc.uuid().map((text) => text as Id)
const seconds = fc.integer({ min: 0, max: 86_400 })
const recorded = {
  id: id<EventId>(),
  at: fc.integer({ min: 0, max: 4_102_444_800_000 }).map(instant),
}
const by = fc.option(
  fc.record({
    device: id<DeviceId>(),
    number: fc.nat({ max: 2_147_483_647 }),
    painter: fc.constantFrom(null, 'you' as PainterId),
  }),
  { nil: undefined },
)
const over = {
  ...recorded,
  stageId: id<StageId>(),
  modelIds: fc.array(id<ModelId>(), { minLength: 1, maxLength: 4 }),
}
const note = fc.constantFrom('', 'bare behind the shield')

const anyEvent = fc
  .tuple(
    fc.oneof(
      fc.record(
        {
          ...over,
          kind: fc.constant('punched'),
          drySeconds: seconds,
          worthSeconds: seconds,
        },
        { requiredKeys: ['id', 'at', 'kind', 'stageId', 'modelIds'] },
      ),
      fc.record({ ...over, kind: fc.constantFrom('cleared', 'clock-started') }),
      fc.record({ ...over, kind: fc.constant('felt'), feels: fc.constantFrom('dry', 'tacky') }),
      fc.record(
        { ...over, kind: fc.constant('touch-up'), note, region: fc.constant('cloak') },
        { requiredKeys: ['id', 'at', 'kind', 'stageId', 'modelIds', 'note'] },
      ),
      fc.record({
        ...recorded,
        kind: fc.constant('inspected'),
        modelIds: over.modelIds,
        verdict: fc.constantFrom('passed', 'left'),
        note,
      }),
      fc.record({
        ...over,
        kind: fc.constant('used'),
        mix: fc.constant([{ materialId: '00000000-0000-4000-8000-000000000001', parts: 2 }]),
        note,
      }),
      fc.record({ ...over, kind: fc.constant('judged'), verdict: fc.constant('worth it'), note }),
      fc.record({
        ...recorded,
        kind: fc.constantFrom('clock-stopped', 'undone'),
        targetId: id<EventId>(),
      }),
      fc.record({
        ...recorded,
        kind: fc.constant('lap-corrected'),
        targetId: id<EventId>(),
        workSeconds: fc.constantFrom(null, 60),
        note: fc.constant('telephone'),
      }),
      fc.record({
        ...recorded,
        kind: fc.constant('milestone'),
        stageIds: fc.array(id<StageId>(), { minLength: 1, maxLength: 3 }),
        modelIds: over.modelIds,
        workSeconds: fc.constant(60),
      }),
    ),
    by,
  )
  .map(([event, who]) => ({ ...event, ...(who ? { by: who } : {}) }) as unknown as ProgressEvent)

describe('a packed log', () => {
  it('is unpacked as it was, also when it was packed bit by bit and went over the wire', () => {
    fc.assert(
      fc.property(fc.array(anyEvent, { maxLength: 30 }), fc.nat({ max: 30 }), (events, cut) => {
        const packer = createLogPacker()
        packer.add(events.slice(0, cut))
        packer.log()
        packer.add(events.slice(cut))
        const wire = packedLogSchema.parse(JSON.parse(JSON.stringify(packer.log())))
        expect(unpackLog(wire)).toEqual(events)
        expect(packer.log()).toEqual(packLog(events))
        const later = createLogPacker(packLog(events.slice(0, cut)))
        later.add(events.slice(cut))
        expect(later.log()).toEqual(packLog(events))
        // What it holds are events.
        for (const event of unpackLog(wire)) expect(eventSchema.parse(eventJson(event))).toEqual(event)
      }),
      { numRuns: 300 },
    )
  })

  it('takes less than a third of the events one by one, before it is pressed', () => {
    const event = (index: number) => ({
      id: `01930000-${String(index).padStart(4, '0').slice(-4)}-7000-8000-000000000047` as EventId,
      at: instant(1_700_000_000_000 + index * 40_000),
      kind: 'punched' as const,
      stageId: '01930000-0000-7000-8000-000000000001' as StageId,
      modelIds: ['01930000-0000-7000-8000-000000000002' as ModelId],
    })
    const events = Array.from({ length: 3000 }, (_, index) => event(index))
    const plain = JSON.stringify(events.map(eventJson)).length
    expect(JSON.stringify(packLog(events)).length).toBeLessThan(plain / 3)
  })

  it('whose columns do not fit together is refused', () => {
    expect(() => unpackLog({ ...packLog([]), kinds: [0], stages: [7] })).toThrow('does not list')
    expect(() => unpackLog({ ...packLog([]), kinds: [99] })).toThrow('not known')
  })
})
