import type { Instant } from '@seriatim/core/units'
import { clsx } from 'clsx'
import { ChevronRight } from 'lucide-react'
import { memo } from 'react'
import { plural } from '../../shared/format/index.ts'
import { PunchHole } from '../../shared/ui/index.ts'
import { placeProps, type Place } from '../../shared/strips/index.ts'
import type { Cell, StripRow } from './strip-rows.ts'

const nameId = (row: StripRow) => `strip-${row.key}`
// Its height is that of `stripHeight`.
const stripClass = (row: StripRow) =>
  clsx('h-(--strip) box-content', row.kind === 'batch' ? 'border-t border-paper-edge' : 'bg-paper-dim')

interface StripProps {
  readonly row: StripRow
  readonly rowIndex: number
  readonly columns: string
  /** Where something dries; a strip without that does not change with time. */
  readonly now: Instant | null
  /** The column that has the keys, or -1. */
  readonly focus: number
  /** Columns chosen, with spaces. */
  readonly chosen: string
  readonly onClickWithoutPointer: (place: Place) => void
}

/** One strip; drawn anew only when something of it changed. */
export const Strip = memo(function Strip({
  row,
  rowIndex,
  columns,
  now,
  focus,
  chosen,
  onClickWithoutPointer,
}: StripProps) {
  const isChosen = new Set(chosen === '' ? [] : chosen.split(' ').map(Number))
  return (
    <div
      role="row"
      aria-rowindex={rowIndex + 2}
      aria-owns={nameId(row)}
      className={clsx('grid items-center', stripClass(row))}
      style={{ gridTemplateColumns: columns }}
    >
      {row.cells.map((cell, column) => (
        <HoleCell
          key={cell.stage.id}
          cell={cell}
          now={now ?? noTime}
          place={{ row: rowIndex, column }}
          small={row.kind === 'model'}
          isFocus={focus === column}
          isChosen={isChosen.has(column)}
          onClickWithoutPointer={onClickWithoutPointer}
        />
      ))}
    </div>
  )
})

const noTime = 0 as Instant

/** The name of a strip, and what opens it. */
export const StripName = memo(function StripName({
  row,
  isOpen,
  onToggle,
}: {
  readonly row: StripRow
  readonly isOpen: boolean
  readonly onToggle: (key: string) => void
}) {
  return (
    <div className={stripClass(row)}>
      <div
        id={nameId(row)}
        role="rowheader"
        className={clsx('flex h-full items-center', row.kind === 'model' && 'pl-8 text-sm')}
      >
        {row.kind === 'batch' ? (
          <button
            type="button"
            aria-expanded={isOpen}
            aria-label={`${row.name}, ${plural(row.batch.models.length, 'model')}`}
            onClick={() => onToggle(row.key)}
            className="flex h-full w-full items-center gap-1 pl-1.5 text-left font-bold"
          >
            <ChevronRight
              aria-hidden="true"
              size={16}
              className={clsx('shrink-0 transition-transform', isOpen && 'rotate-90')}
            />
            <span className="truncate">{row.name}</span>
            <span className="figures pr-2 text-xs font-normal text-ink-soft">{row.batch.models.length}</span>
          </button>
        ) : (
          <span className="truncate pr-2">{row.name}</span>
        )}
      </div>
    </div>
  )
})

interface HoleCellProps {
  readonly cell: Cell
  readonly now: Instant
  readonly place: Place
  readonly small: boolean
  readonly isFocus: boolean
  readonly isChosen: boolean
  readonly onClickWithoutPointer: (place: Place) => void
}

function HoleCell({ cell, now, place, small, isFocus, isChosen, onClickWithoutPointer }: HoleCellProps) {
  return (
    <span
      {...placeProps(place, { label: cell.label, isFocus, isChosen, onClickWithoutPointer })}
      className={clsx(
        'flex h-(--strip) cursor-pointer touch-pan-y select-none items-center justify-center',
        cell.stage.tableReady && 'border-r-2 border-dotted border-done',
        isChosen && 'bg-mat',
        cell.count !== '' && 'relative',
      )}
    >
      <PunchHole state={cell.state} now={now} size={small ? 22 : 28} />
      {cell.count === '' ? null : (
        <span
          aria-hidden="true"
          className="figures absolute right-0.5 bottom-0 text-[10px] leading-none text-ink-soft"
        >
          {cell.count}
        </span>
      )}
    </span>
  )
}
