import type { Progress } from '@seriatim/core/progress'
import type { Batch, Project } from '@seriatim/core/trade'
import type { Instant, ModelId, StageId } from '@seriatim/core/units'
import { clsx } from 'clsx'
import { ChevronRight } from 'lucide-react'
import { memo, useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { plural } from '../../shared/format/index.ts'
import { PunchHole } from '../../shared/ui/index.ts'
import type { TouchUpWish } from './BenchPage.tsx'
import { createStripRows, type Cell, type StripRow } from './strip-rows.ts'
import { useStripSelection, type Place } from '../../shared/use-strip-selection.ts'

interface StripBoardProps {
  readonly project: Project
  readonly batches: readonly Batch[]
  readonly progress: Progress
  readonly now: Instant
  readonly onPunch: (stageId: StageId, modelIds: readonly ModelId[]) => void
  readonly onClear: (stageId: StageId, modelIds: readonly ModelId[]) => void
  readonly onTouchUp: (wish: TouchUpWish) => void
  readonly onUndo: () => void
}

/** Every batch as a punch strip, opened to one strip a model. Tap, sweep, or arrows and Space. */
export function StripBoard({
  project,
  batches,
  progress,
  now,
  onPunch,
  onClear,
  onTouchUp,
  onUndo,
}: StripBoardProps) {
  const [opened, setOpened] = useState<ReadonlySet<string>>(new Set())
  const [stripRows] = useState(createStripRows)
  const rows = useMemo(
    () => stripRows(project, batches, progress, now, opened),
    [stripRows, project, batches, progress, now, opened],
  )
  const cellAt = ({ row, column }: Place) => rows[row]?.cells[column]
  const cellsAt = (places: readonly Place[]) => places.flatMap((place) => cellAt(place) ?? [])

  const { grid, focus, isChosen, gridProps, clickWithoutPointer } = useStripSelection({
    rows: rows.length,
    columnsOf: () => project.line.length,
    onPunch: (places) => punchCells(cellsAt(places), onPunch, onClear),
    onTouchUp: (places) => {
      const [cell] = cellsAt(places)
      if (cell && cell.modelIds.length > 0) onTouchUp({ stage: cell.stage, modelIds: cell.modelIds })
    },
    onUndo,
  })

  const toggle = useCallback(
    (id: string) =>
      setOpened((before) => {
        const next = new Set(before)
        if (!next.delete(id)) next.add(id)
        return next
      }),
    [],
  )
  const clicked = useRef(clickWithoutPointer)
  useEffect(() => {
    clicked.current = clickWithoutPointer
  })
  const onClick = useCallback((place: Place) => clicked.current(place), [])
  const columns = `repeat(${String(project.line.length)}, minmax(var(--hole), 1fr))`
  const heading = 'border-b border-paper-edge'

  return (
    // The names stand beside what scrolls: held in place inside it, each would be a surface of its own to be drawn.
    <div className="ticket flex pb-2 [--hole:2.25rem] [--name:8.5rem] [--strip:2.5rem] sm:[--name:13rem] pointer-coarse:[--hole:3rem] pointer-coarse:[--strip:3rem]">
      <div className="w-(--name) shrink-0">
        <div className={clsx(heading, 'box-content h-28')}>
          <span id="strip-names" role="columnheader">
            <span className="sr-only">Strip</span>
          </span>
        </div>
        {rows.map((row) => (
          <StripName key={row.key} row={row} isOpen={opened.has(row.key)} onToggle={toggle} />
        ))}
      </div>
      <div className="min-w-0 grow overflow-x-auto" tabIndex={-1}>
        <div
          ref={grid}
          role="grid"
          aria-label="Punch strips: arrows move, Shift and arrows choose many, Space punches, T notes a touch-up, Z takes back"
          aria-rowcount={rows.length + 1}
          aria-multiselectable="true"
          className="min-w-max"
          {...gridProps}
        >
          <div
            role="row"
            aria-owns="strip-names"
            className={clsx(heading, 'grid')}
            style={{ gridTemplateColumns: columns }}
          >
            {project.line.map((stage) => (
              <span
                role="columnheader"
                key={stage.id}
                className={clsx(
                  'flex h-28 justify-center pb-1.5 text-sm leading-none',
                  stage.tableReady && 'border-r-2 border-dotted border-done',
                )}
              >
                <span className="rotate-180 truncate [writing-mode:vertical-rl]">{stage.name}</span>
              </span>
            ))}
          </div>
          {rows.map((row, rowIndex) => (
            <Strip
              key={row.key}
              row={row}
              rowIndex={rowIndex}
              columns={columns}
              now={row.cells.some((cell) => cell.state.kind === 'drying') ? now : null}
              focus={focus.row === rowIndex ? focus.column : -1}
              chosen={row.cells
                .flatMap((_, column) => (isChosen({ row: rowIndex, column }) ? [column] : []))
                .join(' ')}
              onClickWithoutPointer={onClick}
            />
          ))}
        </div>
      </div>
    </div>
  )
}

const nameId = (row: StripRow) => `strip-${row.key}`
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
const Strip = memo(function Strip({
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
      aria-owns={nameId(row)}
      className={clsx(
        'grid items-center [contain-intrinsic-block-size:auto_2.55rem] [content-visibility:auto]',
        stripClass(row),
      )}
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

/** Punches what is still open; when nothing is, clears. What the first cell needs decides for all. */
function punchCells(
  cells: readonly Cell[],
  onPunch: StripBoardProps['onPunch'],
  onClear: StripBoardProps['onClear'],
): void {
  const taking = cells.filter((cell) => cell.modelIds.length > 0)
  const punching = (taking[0]?.open.length ?? 0) > 0
  const byStage = new Map<StageId, Set<ModelId>>()
  for (const cell of taking) {
    const models = byStage.get(cell.stage.id) ?? new Set()
    byStage.set(cell.stage.id, models)
    const wanted = punching ? cell.open : cell.modelIds.filter((id) => !cell.open.includes(id))
    for (const id of wanted) models.add(id)
  }
  for (const [stageId, models] of byStage) {
    if (models.size > 0) (punching ? onPunch : onClear)(stageId, [...models])
  }
}

/** The name of a strip, and what opens it. */
const StripName = memo(function StripName({
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
      role="gridcell"
      tabIndex={isFocus ? 0 : -1}
      aria-label={cell.label}
      aria-selected={isChosen}
      title={cell.label}
      data-row={place.row}
      data-column={place.column}
      onClick={(event) => {
        if (event.detail === 0) onClickWithoutPointer(place)
      }}
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
