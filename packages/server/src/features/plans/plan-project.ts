import { planToKeep } from '@seriatim/contract'
import { broughtObservations } from '@seriatim/core/estimating'
import { planNow } from '@seriatim/core/forecasting'
import type { Instant, ProjectId } from '@seriatim/core/units'
import type { Database } from '../../db/client.ts'
import { readAir } from '../air/service.ts'
import { readHand } from '../hand/service.ts'
import { readProgress } from '../progress/kept-log.ts'
import { requireProject, sayFinish } from '../projects/service.ts'
import { createSummaries } from '../projects/summaries.ts'
import { readShelf } from '../shelf/service.ts'
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
  const project = await requireProject(db, id)
  const [progress, hand, materials, readings, kept] = await Promise.all([
    readProgress(db, id),
    readHand(
      db,
      createSummaries(db, () => now),
      id,
    ),
    readShelf(db),
    readAir(db, now),
    readPlan(db, id),
  ])
  const planned = planNow({
    project,
    progress,
    now,
    readings,
    shelf: new Map(materials.map((material) => [material.id, material])),
    known: [...broughtObservations(hand.brought), ...hand.elsewhere.flatMap((each) => each.observations)],
    ...(kept?.revision === project.revision ? { before: kept } : {}),
  })
  const { plan, forecast } = planned.ok ? planned.value : { plan: null, forecast: null }
  await db.transaction(async (tx) => {
    const row = plan ? planToKeep(project.revision, plan) : { ...noPlan, revision: project.revision }
    await writePlan(tx, id, row, { madeAt: now, madeOf: stale.madeOf })
    if (forecast) await sayFinish(tx, id, { doneBy: forecast.p80, odds: forecast.odds, saidAt: now })
  })
  return true
}
