import type { AirReading, AirTakenBack } from '@seriatim/contract'
import type { Instant } from '@seriatim/core/units'
import type { Database } from '../../db/client.ts'
import { RequestProblem } from '../../http/problem.ts'
import { countAir, removeAsGiven, writeAir } from './repository.ts'

/** A reading every three minutes at both places for two weeks and one ahead. */
const mostReadings = 20_000

interface AirChange {
  readonly readings: readonly AirReading[]
  readonly takenBack: readonly AirTakenBack[]
}

/** Takes readings back and adds others; of two for one moment and place the later word stands. */
export async function putAir(db: Database, { readings, takenBack }: AirChange, now: Instant): Promise<void> {
  await db.transaction(async (tx) => {
    const standing = await removeAsGiven(
      tx,
      takenBack.map(({ reading }) => reading),
    )
    const before = takenBack.flatMap(({ reading, before: known }) =>
      known && standing.has(reading) ? [{ ...reading, ...known }] : [],
    )
    await writeAir(tx, [...before, ...readings])
    if ((await countAir(tx, now)) > mostReadings) {
      const most = mostReadings.toLocaleString('en')
      throw new RequestProblem(
        'too-many',
        `There would be more than ${most} readings from the last two weeks on. Take one for every few minutes.`,
      )
    }
  })
}

export { readAir, removeSimulated } from './repository.ts'
