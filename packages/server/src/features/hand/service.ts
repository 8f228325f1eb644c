import type { BroughtRate, Hand } from '@seriatim/contract'
import type { ProjectId } from '@seriatim/core/units'
import type { Database } from '../../db/client.ts'
import type { Summaries } from '../projects/summaries.ts'
import { readBroughtRates, replaceBroughtRates } from './repository.ts'

/** Brought rates, and the times and lessons of every project but this one and the demo. */
export async function readHand(db: Database, summaries: Summaries, except: ProjectId): Promise<Hand> {
  return { brought: await readBroughtRates(db), ...(await summaries.taughtBeside(except)) }
}

/** All rates brought so far make way for these. */
export async function putBroughtRates(db: Database, rates: readonly BroughtRate[]): Promise<void> {
  await db.transaction((tx) => replaceBroughtRates(tx, rates))
}
