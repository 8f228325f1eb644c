import type { LineEstimate } from '@seriatim/core/estimating'
import type { Stage, Unit } from '@seriatim/core/trade'
import { clsx } from 'clsx'
import type { KeyboardEvent } from 'react'
import { durationText, rangeText, stopwatchText, waitRangeText } from '../../shared/format/index.ts'
import { MoveHandle, useSortableRow } from '../../shared/sortable.tsx'
import { StageEditor } from './StageEditor.tsx'
import { StageEstimates } from './StageEstimates.tsx'

interface StageRowProps {
  readonly stage: Stage
  readonly number: number
  readonly units: readonly Unit[]
  readonly estimate: LineEstimate | undefined
  readonly isOpen: boolean
  readonly onToggle: () => void
  readonly onMove: (by: -1 | 1) => void
  readonly onSave: (stage: Stage) => void
  /** Keeps the row open. */
  readonly onType: (stage: Stage) => void
  readonly onRemove: () => void
}

export function StageRow({
  stage,
  number,
  units,
  estimate,
  isOpen,
  onToggle,
  onMove,
  onSave,
  onType,
  onRemove,
}: StageRowProps) {
  const { row, handle, isDragging } = useSortableRow(stage.id, isOpen)
  const onKeyDown = (event: KeyboardEvent) => {
    if (!event.altKey || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return
    event.preventDefault()
    onMove(event.key === 'ArrowUp' ? -1 : 1)
  }
  const only = stage.limits.flatMap(({ unitId, roles }) => {
    const unit = units.find((each) => each.id === unitId)
    return unit ? [`${unit.name}: only ${roles.join(', ')}`] : []
  })
  const leftOut = units.filter((unit) => stage.notNeededBy.includes(unit.id)).map((unit) => unit.name)

  return (
    <li {...row} className={clsx('relative flex gap-3', isDragging && 'z-5 opacity-80')}>
      <span
        aria-hidden="true"
        className="figures z-1 mt-1.5 flex size-11 shrink-0 items-center justify-center rounded-full border-2 border-ink bg-mat font-bold"
      >
        {number}
      </span>
      <div className="min-w-0 grow">
        <div className="ticket">
          <div className="flex items-stretch">
            <MoveHandle
              name={stage.name}
              handle={handle}
              onMove={onMove}
              disabled={isOpen}
              className="w-9 shrink-0"
            />
            <button
              type="button"
              aria-expanded={isOpen}
              aria-keyshortcuts="Alt+ArrowUp Alt+ArrowDown"
              onClick={onToggle}
              onKeyDown={onKeyDown}
              className="grid min-h-12 min-w-0 grow grid-cols-2 items-center gap-x-4 gap-y-0.5 py-1.5 pr-3 text-left md:grid-cols-[minmax(0,1.5fr)_minmax(0,1.4fr)_9rem_6.5rem_8.5rem]"
            >
              <span className="truncate font-heading text-lg font-bold">{stage.name}</span>
              <span className="min-w-0 text-right text-sm leading-tight text-ink-soft md:text-left">
                <span className="block truncate">{stage.material || 'no material named'}</span>
                <span className="block truncate">{touchText(stage)}</span>
              </span>
              <span className="figures text-sm">{eachText(stage, estimate)}</span>
              <span className="figures text-right text-sm text-ink-soft md:text-left">
                set-up {durationText(stage.setUpSeconds)}
              </span>
              <span className="figures text-sm text-drying">
                {stage.dryingMaxSeconds === 0
                  ? 'no drying'
                  : `dry ${waitRangeText(stage.dryingMinSeconds, stage.dryingMaxSeconds)}`}
              </span>
            </button>
          </div>
          {isOpen && estimate ? (
            <StageEstimates stage={stage} units={units} estimate={estimate} onSave={onType} />
          ) : null}
          {isOpen ? (
            <StageEditor
              stage={stage}
              units={units}
              onSave={onSave}
              onRemove={onRemove}
              onCancel={onToggle}
            />
          ) : null}
        </div>
        {leftOut.length + only.length > 0 && !isOpen ? (
          <p className="mt-0.5 pl-9 text-sm text-ink-soft">
            {[...only, ...(leftOut.length > 0 ? [`not needed by ${leftOut.join(', ')}`] : [])].join(' · ')}
          </p>
        ) : null}
        {stage.tableReady ? (
          <p className="mt-2 flex items-center gap-3 text-sm font-bold text-done">
            <span className="grow border-t-2 border-dotted border-current" />
            table-ready from here
          </p>
        ) : null}
      </div>
    </li>
  )
}

/** Minutes a model; where units differ, from the quickest to the slowest. */
function eachText(stage: Stage, estimate: LineEstimate | undefined): string {
  const own = estimate?.stages.filter(({ work }) => work.stageId === stage.id) ?? []
  const times = own.map(({ perModel }) => Math.round(perModel.likely))
  if (times.length === 0) return `${stopwatchText(stage.handsOnSecondsPerModel)} each`
  const [low, high] = [Math.min(...times), Math.max(...times)]
  return high < 1.25 * low ? `${stopwatchText((low + high) / 2)} each` : `${rangeText({ low, high })} each`
}

function touchText({ touch }: Stage): string {
  switch (touch.kind) {
    case 'whole':
      return 'whole model'
    case 'base':
      return 'base'
    case 'regions':
      return touch.regions.join(', ')
  }
}
