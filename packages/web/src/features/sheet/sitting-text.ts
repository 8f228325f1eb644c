import { longestPause } from '@seriatim/core/progress'
import type { LastSitting } from '@seriatim/core/sheet'
import type { Instant } from '@seriatim/core/units'
import { dayText, durationText, plural } from '../../shared/format/index.ts'

/** What the last sitting brought, in a sentence. */
export function sittingText(sitting: LastSitting, now: Instant, timeZone: string): string {
  const when =
    now - sitting.to < longestPause ? 'this session' : `last session, ${dayText(sitting.from, timeZone)}`
  const parts = [
    sitting.workSeconds > 0 ? `${durationText(sitting.workSeconds)} of work` : '',
    sitting.tableReady > 0 ? `${plural(sitting.tableReady, 'model')} table-ready` : '',
    sitting.touchUps > 0 ? `${plural(sitting.touchUps, 'touch-up')} noted` : '',
  ].filter(Boolean)
  return `${when}: ${parts.length > 0 ? parts.join(', ') : 'nothing that stands'}`
}
