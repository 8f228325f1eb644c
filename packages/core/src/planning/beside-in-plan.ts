import { besideKey, type BesideWorkOf } from '../estimating/amounts-left.ts'
import type { BesideWork } from '../estimating/touch-up.ts'
import type { LinePlan } from './line-plan.ts'

/** Set-ups and touch-ups as the plan has them: what it saves by keeping pots open is saved in the estimate too. */
export function besideInPlan({ stretches, batches }: LinePlan): BesideWorkOf {
  const unitOf = new Map(batches.map((batch) => [batch.id, batch.unitId]))
  const beside = new Map<string, BesideWork>()
  for (const { batchId, stageId, setUpSeconds, touchUp, startsAt, endsAt } of stretches) {
    const unitId = unitOf.get(batchId)
    if (!unitId) continue
    const key = besideKey(stageId, unitId)
    const known = beside.get(key) ?? { setUpSeconds: 0, touchUpSeconds: 0 }
    const dabs = touchUp === null ? 0 : (endsAt - startsAt) / 1000 - setUpSeconds
    beside.set(key, {
      setUpSeconds: known.setUpSeconds + setUpSeconds,
      touchUpSeconds: known.touchUpSeconds + dabs,
    })
  }
  return beside
}
