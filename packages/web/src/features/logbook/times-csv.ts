import { writeCsv } from '../../shared/csv/index.ts'
import { minutesInputText } from '../../shared/format/index.ts'
import type { LoggedTime } from './logged-times.ts'

/** Every time that was recorded, as CSV: what the clock showed, what of it counts, and what was expected; seconds. */
export function timesCsv(times: readonly LoggedTime[]): string {
  return writeCsv(
    [
      'at',
      'kind',
      'where',
      'stages',
      'models',
      'minutes',
      'clock seconds',
      'counted seconds',
      'expected seconds',
      'counts',
      'silent',
      'correction',
    ],
    times.map((time) => [
      new Date(time.at).toISOString(),
      time.kind,
      time.where,
      time.stages.join(' + '),
      String(time.models),
      minutesInputText(Math.round(time.countedSeconds)),
      String(Math.round(time.clockSeconds)),
      String(Math.round(time.countedSeconds)),
      String(Math.round(time.expectedSeconds)),
      time.counts.toFixed(2),
      time.silent ?? '',
      time.correction?.note ?? '',
    ]),
  )
}
