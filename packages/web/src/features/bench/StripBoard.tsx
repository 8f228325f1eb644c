import type { Progress } from '@seriatim/core/progress'
import type { Batch, Project } from '@seriatim/core/trade'
import type { Instant, ModelId, StageId } from '@seriatim/core/units'
import { clsx } from 'clsx'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { useFrame, useRowsInView, useStripSelection, type Place } from '../../shared/strips/index.ts'
import type { TouchUpWish } from './BenchPage.tsx'
import { createStripRows, stripHeight, type Cell } from './strip-rows.ts'
import { Strip, StripName } from './Strip.tsx'

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

/**
 * Every batch as a punch strip, opened to one strip a model; of many only those in view are there. Tap, sweep, or arrows and
 * Space.
 */
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

  const frame = useRef<HTMLDivElement>(null)
  const { top } = useFrame(frame)
  const coarse = useMemo(() => window.matchMedia('(pointer: coarse)').matches, [])
  const inView = useRowsInView({
    rows: useMemo(
      () => rows.map((row) => ({ key: row.key, height: stripHeight(row, coarse) })),
      [rows, coarse],
    ),
    allUpTo: 60,
    focusRow: focus.row,
    top,
  })
  const columns = `repeat(${String(project.line.length)}, minmax(var(--hole), 1fr))`
  const heading = 'border-b border-paper-edge'

  return (
    // The names stand beside what scrolls: held in place inside it, each would be a surface of its own to be drawn.
    <div className="ticket flex pb-2 [--strip:40px] [--hole:2.25rem] [--name:8.5rem] sm:[--name:13rem] pointer-coarse:[--hole:3rem] pointer-coarse:[--strip:48px]">
      <div className="w-(--name) shrink-0">
        <div className={clsx(heading, 'box-content h-28')}>
          <span id="strip-names" role="columnheader">
            <span className="sr-only">Strip</span>
          </span>
        </div>
        <div ref={frame} className="relative" style={{ height: inView.height }}>
          {inView.rows.map(({ index, key, style }) => {
            const row = rows[index]
            return row ? (
              <div key={key} className="absolute inset-x-0 top-0" style={style}>
                <StripName row={row} isOpen={opened.has(row.key)} onToggle={toggle} />
              </div>
            ) : null
          })}
        </div>
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
          <div role="rowgroup" className="relative" style={{ height: inView.height }}>
            {inView.rows.map(({ index, key, style }) => {
              const row = rows[index]
              return row ? (
                <div key={key} role="presentation" className="absolute inset-x-0 top-0" style={style}>
                  <Strip
                    row={row}
                    rowIndex={index}
                    columns={columns}
                    now={row.cells.some((cell) => cell.state.kind === 'drying') ? now : null}
                    focus={focus.row === index ? focus.column : -1}
                    chosen={row.cells
                      .flatMap((_, column) => (isChosen({ row: index, column }) ? [column] : []))
                      .join(' ')}
                    onClickWithoutPointer={onClick}
                  />
                </div>
              ) : null
            })}
          </div>
        </div>
      </div>
    </div>
  )
}

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
