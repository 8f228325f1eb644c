import type { SheetGroup } from '@seriatim/core/sheet'
import type { Stage } from '@seriatim/core/trade'
import type { Instant, ModelId, StageId } from '@seriatim/core/units'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { useFrame, useRowsInView, useStripSelection, type Place } from '../../shared/strips/index.ts'
import { ModelStrip } from './ModelStrip.tsx'
import { createSheetLines, sheetRoom, type SheetLine, type SheetRoom } from './sheet-lines.ts'

interface SheetStripsProps {
  readonly groups: readonly SheetGroup[]
  readonly line: readonly Stage[]
  readonly now: Instant
  /** What a tap or a sweep marks; without it a tap opens the model. */
  readonly stageId: StageId | null
  readonly onMark: (stageId: StageId, modelIds: readonly ModelId[]) => void
  readonly onOpen: (modelId: ModelId) => void
  readonly onUndo: () => void
}

/** A strip a model; only the lines in view are there. */
export function SheetStrips({ groups, line, now, stageId, onMark, onOpen, onUndo }: SheetStripsProps) {
  const frame = useRef<HTMLDivElement>(null)
  const { width, top } = useFrame(frame)
  const coarse = useMemo(() => window.matchMedia('(pointer: coarse)').matches, [])
  const room = useMemo(() => sheetRoom(width, coarse), [width, coarse])
  const [sheetLines] = useState(createSheetLines)
  const lines = useMemo(() => sheetLines(groups, line, room), [sheetLines, groups, line, room])
  const standingAt = ({ row, column }: Place) => lines[row]?.members[column]

  const { grid, focus, isChosen, gridProps, clickWithoutPointer } = useStripSelection({
    rows: lines.length,
    columnsOf: (row) => lines[row]?.members.length ?? 0,
    onPunch: (places) => {
      const models = places.flatMap((place) => standingAt(place)?.model.id ?? [])
      const [first] = models
      if (first === undefined) return
      if (stageId === null) onOpen(first)
      else onMark(stageId, models)
    },
    onOpen: (place) => {
      const standing = standingAt(place)
      if (standing) onOpen(standing.model.id)
    },
    onUndo,
  })
  const clicked = useRef(clickWithoutPointer)
  useEffect(() => {
    clicked.current = clickWithoutPointer
  })
  const onClick = useCallback((place: Place) => clicked.current(place), [])

  const rows = useMemo(
    () => lines.map((each) => ({ key: each.key, height: heightOf(each, room) })),
    [lines, room],
  )
  const inView = useRowsInView({ rows, focusRow: focus.row, top })

  if (lines.length === 0) return <p className="py-10 text-lg text-ink-soft">No model is like that.</p>
  return (
    <div ref={frame}>
      <div
        ref={grid}
        role="grid"
        aria-label="Models: arrows move, Space marks the chosen stage, Enter opens a model, Z takes back"
        aria-rowcount={lines.length}
        aria-multiselectable="true"
        {...gridProps}
      >
        <div role="rowgroup" className="relative" style={{ height: inView.height }}>
          {inView.rows.map((row) => {
            const at = lines[row.index]
            return at ? (
              <div
                key={row.key}
                role="row"
                aria-rowindex={row.index + 1}
                className="absolute inset-x-0 top-0 flex flex-wrap items-start content-start gap-y-1"
                style={row.style}
              >
                <GroupName line={at} width={room.names} />
                <div className="flex min-w-0 gap-2" role="presentation">
                  {at.members.map((standing, column) => (
                    <ModelStrip
                      key={standing.model.id}
                      standing={standing}
                      line={line}
                      places={at.places}
                      now={standing.dries ? now : null}
                      hole={at.hole}
                      width={at.strip}
                      height={room.height}
                      lit={stageId ?? undefined}
                      row={row.index}
                      column={column}
                      isFocus={focus.row === row.index && focus.column === column}
                      isChosen={isChosen({ row: row.index, column })}
                      onClickWithoutPointer={onClick}
                    />
                  ))}
                </div>
              </div>
            ) : null
          })}
        </div>
      </div>
    </div>
  )
}

const nameAbove = 30
const nameBeside = 50
const betweenLines = 4
const betweenGroups = 16

function heightOf({ isFirst, isLast }: SheetLine, { names, height }: SheetRoom): number {
  const own = isFirst && names > 0 && isLast ? Math.max(height, nameBeside) : height
  return own + (isFirst && names === 0 ? nameAbove : 0) + (isLast ? betweenGroups : betweenLines)
}

/** The group's name at its first line, beside the strips or above them. */
function GroupName({
  line: { group, isFirst },
  width,
}: {
  readonly line: SheetLine
  readonly width: number
}) {
  const points = group.points > 0 ? ` · ${String(group.pointsOnTable)} of ${String(group.points)} points` : ''
  const ready = group.members.filter((each) => each.isTableReady).length
  const under = `${String(ready)} of ${String(group.members.length)} ready${points}`
  if (width === 0)
    return isFirst ? (
      <p role="rowheader" className="flex h-[26px] w-full items-baseline gap-2">
        <b className="truncate font-heading text-lg leading-tight">{group.name}</b>
        <span className="shrink-0 text-sm text-ink-soft">{under}</span>
      </p>
    ) : null
  return (
    <div role="rowheader" className="shrink-0 pr-3" style={{ width }}>
      {isFirst ? (
        <div className="h-0 overflow-visible">
          <b className="block truncate font-heading text-lg leading-tight">{group.name}</b>
          <span className="block truncate text-sm text-ink-soft">{under}</span>
        </div>
      ) : (
        <span className="sr-only">{group.name}</span>
      )}
    </div>
  )
}
