import {
  type BatchTimes,
  type BesideWork,
  type BesideWorkOf,
  cellOf,
  nothingBeside,
} from '../estimating/index.ts'
import type { LinePlan } from './line-plan.ts'

/**
 * Set-ups, touch-ups and other ways as the plan has them: what it saves by keeping pots open, or by the airbrush, is
 * saved in the estimate too. `times` are those it was made with.
 */
export function besideInPlan({ stretches, batches }: LinePlan, times: BatchTimes): BesideWorkOf {
  const unitOf = new Map(batches.map((batch) => [batch.id, batch.unitId]))
  const beside = new Map<string, BesideWork>()
  for (const { batchId, stageId, setUpSeconds, touchUp, by, modelIds, startsAt, endsAt } of stretches) {
    const unitId = unitOf.get(batchId)
    if (!unitId) continue
    const key = cellOf({ stageId, unitId })
    const known = beside.get(key) ?? nothingBeside
    const work = (endsAt - startsAt) / 1000 - setUpSeconds
    const expected = modelIds.length * (times.get(stageId)?.get(unitId)?.secondsPerModel ?? 0)
    beside.set(key, {
      setUpSeconds: known.setUpSeconds + setUpSeconds,
      touchUpSeconds: known.touchUpSeconds + (touchUp === null ? 0 : work),
      otherWaySeconds: known.otherWaySeconds + (touchUp === null && by !== null ? work - expected : 0),
    })
  }
  return beside
}
