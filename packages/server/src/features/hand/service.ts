import type { BringRates, Hand } from '@seriatim/contract'
import type { ProjectId } from '@seriatim/core/units'
import type { Database } from '../../db/client.ts'
import type { Summaries } from '../projects/summaries.ts'
import * as repository from './repository.ts'

/** Brought rates, and the times and lessons of every project but this one and the demo. */
export async function readHand(db: Database, summaries: Summaries, except: ProjectId): Promise<Hand> {
  return { brought: await repository.readBroughtRates(db), ...(await summaries.taughtBeside(except)) }
}

/** The rates that stand then. */
export async function bringRates(db: Database, wanted: BringRates): Promise<Pick<Hand, 'brought'>> {
  return db.transaction(async (tx) => {
    await repository.bringRates(tx, wanted)
    return { brought: await repository.readBroughtRates(tx) }
  })
}
