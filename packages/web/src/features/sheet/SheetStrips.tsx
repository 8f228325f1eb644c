import type { ModelStanding, SheetGroup } from '@seriatim/core/sheet'
import type { Stage } from '@seriatim/core/trade'
import type { Instant, ModelId, StageId } from '@seriatim/core/units'
import { defaultRangeExtractor, useWindowVirtualizer, type Range } from '@tanstack/react-virtual'
import { clsx } from 'clsx'
import { memo, useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react'
import { plural } from '../../shared/format/index.ts'
import { holeText, PunchStrip } from '../../shared/ui/index.ts'
import { useStripSelection, type Place } from '../../shared/use-strip-selection.ts'
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

  const sizeOf = useCallback(
    (index: number) => {
      const at = lines[index]
      return at ? heightOf(at, room) : room.height
    },
    [lines, room],
  )
  const virtual = useWindowVirtualizer({
    count: lines.length,
    estimateSize: sizeOf,
    getItemKey: (index) => lines[index]?.key ?? index,
    overscan: 8,
    // What has the keys stays, so that they are not lost to whoever scrolls away.
    rangeExtractor: (range: Range) =>
      [...new Set([...defaultRangeExtractor(range), ...(range.count > 0 ? [focus.row] : [])])].sort(
        (a, b) => a - b,
      ),
    scrollMargin: top,
  })
  const heights = useMemo(() => lines.map((each) => heightOf(each, room)).join(' '), [lines, room])
  useLayoutEffect(() => virtual.measure(), [virtual, heights])

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
        <div role="rowgroup" className="relative" style={{ height: virtual.getTotalSize() }}>
          {virtual.getVirtualItems().map((item) => {
            const at = lines[item.index]
            return at ? (
              <div
                key={item.key}
                role="row"
                aria-rowindex={item.index + 1}
                className="absolute inset-x-0 top-0 flex flex-wrap items-start content-start gap-y-1"
                style={{ transform: `translateY(${String(item.start - top)}px)` }}
              >
                <GroupName line={at} width={room.names} />
                <div className="flex min-w-0 gap-2" role="presentation">
                  {at.members.map((standing, column) => (
                    <ModelStrip
                      key={standing.model.id}
                      standing={standing}
                      line={line}
                      places={at.places}
                      now={standing.dries ? now : noTime}
                      hole={at.hole}
                      width={at.strip}
                      height={room.height}
                      lit={stageId ?? undefined}
                      row={item.index}
                      column={column}
                      isFocus={focus.row === item.index && focus.column === column}
                      isChosen={isChosen({ row: item.index, column })}
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

const noTime = 0 as Instant
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

interface ModelStripProps {
  readonly standing: ModelStanding
  readonly line: readonly Stage[]
  readonly places: readonly number[]
  /** Where something dries; a strip without that does not change with time. */
  readonly now: Instant
  readonly hole: number
  readonly width: number
  readonly height: number
  readonly lit: StageId | undefined
  readonly row: number
  readonly column: number
  readonly isFocus: boolean
  readonly isChosen: boolean
  readonly onClickWithoutPointer: (place: Place) => void
}

const ModelStrip = memo(function ModelStrip({
  standing,
  line,
  places,
  now,
  hole,
  width,
  height,
  lit,
  row,
  column,
  isFocus,
  isChosen,
  onClickWithoutPointer,
}: ModelStripProps) {
  const label = labelOf(standing, line)
  // After the last hole before the line's stop line, which may be a stage that nobody here takes.
  const stop = line.findIndex((stage) => stage.tableReady)
  const stopPlace = places.findLast((place) => place <= stop)
  const holes = places.flatMap((place) => {
    const [stage, state] = [line[place], standing.holes[place]]
    return stage && state ? [{ id: stage.id, state, stopLine: place === stopPlace }] : []
  })
  return (
    <span
      role="gridcell"
      tabIndex={isFocus ? 0 : -1}
      aria-label={label}
      aria-selected={isChosen}
      title={label}
      data-row={row}
      data-column={column}
      onClick={(event) => {
        if (event.detail === 0) onClickWithoutPointer({ row, column })
      }}
      style={{ width, height }}
      className={clsx(
        'flex shrink-0 scroll-my-16 cursor-pointer touch-pan-y items-center border bg-paper px-1.5 select-none',
        standing.inspection && 'border-b-4',
        isChosen || standing.holes.some((hole) => hole.kind === 'in-hand')
          ? 'border-hands outline-1 outline-hands'
          : standing.touchUps > 0
            ? 'border-touch-up'
            : standing.isTableReady
              ? 'border-done'
              : 'border-paper-edge',
      )}
    >
      <PunchStrip holes={holes} now={now} size={hole} lit={lit} />
    </span>
  )
})

/** A strip in words. */
function labelOf(
  { model, unit, done, of, holes, isTableReady, inspection }: ModelStanding,
  line: readonly Stage[],
): string {
  const at = (kind: string) =>
    line.flatMap((stage, place) => {
      const hole = holes[place]
      return hole?.kind === kind ? [`${stage.name} ${holeText(hole)}`] : []
    })
  const more = [...at('in-hand'), ...at('drying'), ...at('touch-up')]
  const name = model.name === unit.name ? model.name : `${model.name}, ${unit.name}`
  return [
    `${name}: ${String(done)} of ${plural(of, 'stage')} done${isTableReady ? ', table-ready' : ''}`,
    ...more,
    ...(inspection ? [inspection.verdict === 'passed' ? 'inspected' : `left so: ${inspection.note}`] : []),
  ].join('; ')
}

/** How wide the sheet is, and where on the page it begins. */
function useFrame(frame: React.RefObject<HTMLDivElement | null>) {
  const [place, setPlace] = useState({ width: 1100, top: 0 })
  useLayoutEffect(() => {
    const element = frame.current
    if (!element) return
    const look = () => {
      const box = element.getBoundingClientRect()
      const next = { width: Math.floor(box.width), top: Math.round(box.top + window.scrollY) }
      setPlace((before) => (before.width === next.width && before.top === next.top ? before : next))
    }
    look()
    const watcher = new ResizeObserver(look)
    watcher.observe(element)
    // What stands above it grows and shrinks.
    watcher.observe(document.body)
    return () => watcher.disconnect()
  }, [frame])
  return place
}
