import type { Departure, Drying, RunSheetEntry, Stretch } from '@seriatim/core/plan'
import type { Batch, Stage } from '@seriatim/core/trade'
import type { Instant } from '@seriatim/core/units'

/** A line of the run sheet: one pot over one or more batches in a row, or a wait. */
export type SheetRow =
  | {
      readonly kind: 'work'
      readonly startsAt: Instant
      readonly endsAt: Instant
      readonly stage: Stage
      readonly touchUp: Stretch['touchUp']
      readonly by: Stretch['by']
      readonly opensPot: boolean
      /** The colour lies on the palette from earlier in the evening, but another was in hand meanwhile. */
      readonly onPalette: boolean
      readonly batches: readonly { readonly batch: Batch; readonly count: number }[]
      readonly fills: readonly Drying[]
      readonly departure: Departure | null
    }
  | Extract<RunSheetEntry, { kind: 'wait' }>

/** Batches that follow one another at the same stage are one line: the pot stays open. */
export function groupEntries(entries: readonly RunSheetEntry[]): readonly SheetRow[] {
  const rows: SheetRow[] = []
  for (const entry of entries) {
    if (entry.kind === 'wait') {
      rows.push(entry)
      continue
    }
    const { stretch, batch, stage } = entry
    const last = rows.at(-1)
    const added = { batch, count: stretch.modelIds.length }
    const isSame =
      last?.kind === 'work' &&
      last.stage.id === stage.id &&
      last.touchUp === stretch.touchUp &&
      last.by === stretch.by
    if (isSame && !stretch.opensPot) {
      rows[rows.length - 1] = { ...last, endsAt: stretch.endsAt, batches: [...last.batches, added] }
    } else {
      rows.push({
        kind: 'work',
        startsAt: stretch.startsAt,
        endsAt: stretch.endsAt,
        stage,
        touchUp: stretch.touchUp,
        by: stretch.by,
        opensPot: stretch.opensPot,
        onPalette: !stretch.opensPot && stretch.setUpSeconds > 0,
        batches: [added],
        fills: entry.fills,
        departure: entry.departure,
      })
    }
  }
  return rows
}
