import type { ProgressEvent } from './event.ts'
import type { Progress } from './progress.ts'
import type { Instant } from '../units/index.ts'
import { createProgressLog } from './progress-log.ts'

/**
 * The state that a log comes to. Events that name unknown models or stages are harmless: whoever reads the marks
 * asks only for those it knows.
 */
export function foldProgress(log: readonly ProgressEvent[]): Progress {
  return createProgressLog(log).read()
}

/** The state as it was at a moment: of a log, what was recorded up to it. */
export function progressAt(log: readonly ProgressEvent[], moment: Instant): Progress {
  return foldProgress(log.filter((event) => event.at <= moment))
}
