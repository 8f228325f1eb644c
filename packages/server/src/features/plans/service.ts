import type { PlanToKeep, StoredPlan } from '@seriatim/contract'
import type { Instant, ProjectId } from '@seriatim/core/units'
import type { Database } from '../../db/client.ts'
import { requireRevision } from '../projects/service.ts'
import * as rows from './repository.ts'

export async function readPlan(db: Database, id: ProjectId): Promise<StoredPlan | null> {
  await requireRevision(db, id)
  return rows.readPlan(db, id)
}

/** Keeps what a page planned, unless the project has changed since; the plan that holds comes back. */
export async function keepPlan(
  db: Database,
  id: ProjectId,
  given: PlanToKeep,
  madeAt: Instant,
): Promise<StoredPlan | null> {
  return db.transaction(async (tx) => {
    if ((await requireRevision(tx, id)) === given.revision)
      await rows.writePlan(tx, id, given, { madeAt, madeOf: null })
    return rows.readPlan(tx, id)
  })
}
