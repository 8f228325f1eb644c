import type { BringRates, Hand } from '@seriatim/contract'
import type { ProjectId } from '@seriatim/core/units'
import type { Database } from '../../db/client.ts'
import type { Summaries } from '../projects/summaries.ts'
import * as repository from './repository.ts'

/** Brought rates, and the times and lessons of every project but this one and the demo. */
export async function readHand(db: Database, summaries: Summaries, except: ProjectId): Promise<Hand> {
  return { brought: await repository.readBroughtRates(db), ...(await summaries.taughtBeside(except)) }
}

export async function bringRates(db: Database, wanted: BringRates): Promise<{ readonly kept: number }> {
  return { kept: await db.transaction((tx) => repository.bringRates(tx, wanted)) }
}
