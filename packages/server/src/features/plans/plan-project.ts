import { planBefore, planToKeep } from '@seriatim/contract'
import { planNow } from '@seriatim/core/forecasting'
import type { Instant, ProjectId } from '@seriatim/core/units'
import type { Database } from '../../db/client.ts'
import { requireProject, sayFinish } from '../projects/service.ts'
import { createSummaries } from '../projects/summaries.ts'
import { readPlan, readUnplanned, writePlan } from './repository.ts'

const noPlan = { batches: [], stretches: [], asFound: null }

/**
 * Plans a project as it stands and says when it is done, unless the plan that is kept was made of the same. What cannot be
 * planned (nothing to do, an evening that is too short) has a plan of nothing, so that it is not asked for again.
 * @returns whether it was planned.
 */
export async function planProject(db: Database, id: ProjectId, now: Instant): Promise<boolean> {
  const [stale] = await readUnplanned(db, now, id)
  if (!stale) return false
  // Read first: a project that is changed meanwhile is planned again.
  const { revision } = await requireProject(db, id)
  const figures = await createSummaries(db, () => now).figuresOf(id)
  const kept = await readPlan(db, id)
  const planned = planNow(figures, planBefore(kept, revision))
  const { plan, forecast } = planned.ok ? planned.value : { plan: null, forecast: null }
  await db.transaction(async (tx) => {
    const row = plan ? planToKeep(revision, plan) : { ...noPlan, revision }
    await writePlan(tx, id, row, { madeAt: now, madeOf: stale.madeOf })
    if (forecast) await sayFinish(tx, id, { doneBy: forecast.p80, odds: forecast.odds, saidAt: now })
  })
  return true
}
