import {
  passes,
  sheetFilters,
  sheetGroupings,
  type ModelStanding,
  type SheetFilter,
  type SheetGrouping,
} from '@seriatim/core/sheet'
import type { Stage } from '@seriatim/core/trade'
import type { ModelId, StageId } from '@seriatim/core/units'
import { Download, Undo2 } from 'lucide-react'
import { useRef } from 'react'
import { saveText } from '../../shared/csv/index.ts'
import { progressCsv } from './progress-csv.ts'
import { usePageKeys } from '../../shared/use-page-keys.ts'
import { Button, Kbd, SelectField, TextField } from '../../shared/ui/index.ts'

export interface SheetWish {
  readonly by: SheetGrouping
  readonly show: SheetFilter
  readonly find: string
  /** What a sweep marks; without it a tap opens a model. */
  readonly stageId: StageId | null
}

interface SheetControlsProps {
  readonly wish: SheetWish
  readonly standings: readonly ModelStanding[]
  /** Models that the plan has ready after the date. */
  readonly late: ReadonlySet<ModelId>
  readonly line: readonly Stage[]
  readonly onWish: (wish: SheetWish) => void
  readonly onUndo: (() => void) | null
}

const filterText: Readonly<Record<SheetFilter, string>> = {
  all: 'all models',
  'to do': 'not table-ready',
  late: 'late by the plan',
  drying: 'drying now',
  'touch-up': 'waiting for a touch-up',
  'table-ready': 'table-ready',
  'to inspect': 'to be inspected',
  inspected: 'inspected',
}

/** What stands on the sheet, in which groups, and what a sweep over it marks. */
export function SheetControls({ wish, standings, late, line, onWish, onUndo }: SheetControlsProps) {
  const find = useRef<HTMLInputElement>(null)
  usePageKeys({ '/': () => find.current?.focus(), z: () => onUndo?.() })
  return (
    <div className="mt-4 mb-3 grid grid-cols-2 items-end gap-x-4 gap-y-2 sm:flex sm:flex-wrap">
      <TextField
        ref={find}
        label="Find"
        type="search"
        placeholder="a name, a role, a mark"
        value={wish.find}
        onChange={(event) => onWish({ ...wish, find: event.target.value })}
        className="sm:w-52"
        aria-keyshortcuts="/"
      />
      <SelectField
        label="Show"
        value={wish.show}
        options={sheetFilters.map((value) => ({
          value,
          text: `${filterText[value]} (${String(standings.filter((each) => passes(each, value, late)).length)})`,
        }))}
        onChange={(event) => onWish({ ...wish, show: event.target.value as SheetFilter })}
        className="sm:w-60"
      />
      <SelectField
        label="In groups by"
        value={wish.by}
        options={sheetGroupings.map((value) => ({ value, text: value }))}
        onChange={(event) => onWish({ ...wish, by: event.target.value as SheetGrouping })}
        className="sm:w-32"
      />
      <SelectField
        label="A tap or sweep"
        value={wish.stageId ?? ''}
        options={[
          { value: '', text: 'opens a model' },
          ...line.map((stage, index) => ({
            value: stage.id,
            text: `marks ${String(index + 1)}, ${stage.name}`,
          })),
        ]}
        onChange={(event) => onWish({ ...wish, stageId: (event.target.value || null) as StageId | null })}
        className="min-w-0 sm:w-72"
      />
      <Button onClick={onUndo ?? undefined} disabled={onUndo === null}>
        <Undo2 aria-hidden="true" size={18} /> Undo <Kbd>Z</Kbd>
      </Button>
      <Button weight="quiet" onClick={() => saveText('progress.csv', progressCsv(standings, line))}>
        <Download aria-hidden="true" size={18} /> Save as CSV
      </Button>
    </div>
  )
}
