import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { rounds } from '../testing/rounds.ts'
import { anyFreeInstance } from '../testing/plan-arbitrary.ts'
import { resumableLayer } from './resumable-layer.ts'
import { createScheduleBuilder } from './schedule-builder.ts'
import { buildSchedule, inTurn } from './task-sequence.ts'
import { orderOfAims } from './weigh-plan.ts'

describe('resumableLayer', () => {
  it('gives what laying the whole sequence gives, whatever was taken before', () => {
    const limits = { batches: 4, stages: 5, models: 3, sessions: true, everything: true }
    const change = fc.record({ from: fc.nat(), to: fc.nat(), who: fc.nat(3), isTaken: fc.boolean() })
    fc.assert(
      fc.property(anyFreeInstance(limits), fc.array(change, { maxLength: 12 }), (instance, changes) => {
        const builder = createScheduleBuilder(instance)
        const whole = createScheduleBuilder(instance)
        const layer = resumableLayer(builder, 'fill', orderOfAims(['date'], instance))
        const current = Int32Array.from(inTurn(instance, []))
        const count = current.length
        layer.take(current, 0)
        for (const { from, to, who, isTaken } of changes) {
          const tried = [...current]
          const [moved = 0] = tried.splice(from % count, 1)
          tried.splice(to % count, 0, (moved % count) + count * who)
          const [first, last] = [Math.min(from % count, to % count), Math.max(from % count, to % count)]
          const sequence = Int32Array.from(tried)
          const cost = layer.lay(sequence, first, last, Number.POSITIVE_INFINITY)
          const said = buildSchedule(whole, tried, 'fill')
          expect(cost?.finish ?? Number.POSITIVE_INFINITY).toBe(said.finish)
          if (Number.isFinite(said.finish)) expect(cost).toEqual(said)
          if (!isTaken) continue
          layer.take(sequence, first)
          current.set(sequence)
        }
      }),
      { numRuns: rounds(100) },
    )
  })

  it('gives up what cannot come below the limit', () => {
    const [instance] = fc.sample(anyFreeInstance({ batches: 4, stages: 5, models: 3, sessions: false }), {
      seed: 3,
      numRuns: 1,
    })
    const layer = resumableLayer(createScheduleBuilder(instance!), 'fill', orderOfAims(['date'], instance!))
    const sequence = Int32Array.from(inTurn(instance!, []))
    const { deskSeconds } = layer.take(sequence, 0)
    expect(layer.lay(sequence, 0, sequence.length, deskSeconds / 2)).toBeNull()
    expect(layer.lay(sequence, 0, sequence.length, deskSeconds * 2)).not.toBeNull()
  })
})
