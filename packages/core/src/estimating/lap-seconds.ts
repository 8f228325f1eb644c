import type { Lap } from '../progress/index.ts'

/** What a lap took: as it was corrected, else as the clock ran. */
export function secondsOf({ correction, stoppedAt, startedAt }: Lap): number {
  return correction?.workSeconds ?? (stoppedAt - startedAt) / 1000
}
