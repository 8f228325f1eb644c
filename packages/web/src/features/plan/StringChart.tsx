import type { BatchId, Instant, LinePlan, Project } from '@seriatim/core'
import { useEffect, useMemo, useRef, useState } from 'react'
import { clockText, dayText } from '../../shared/format/index.ts'
import { batchName } from '../../shared/batch-name.ts'
import { layOutStrings, type BatchString, type StringLayout } from './string-layout.ts'
import { StretchNote } from './StretchNote.tsx'

interface StringChartProps {
  readonly plan: LinePlan
  readonly project: Project
  readonly now: Instant
}

const colours = 6
const colourOf = (unit: number) => `var(--string-${String((unit % colours) + 1)})`

/** The plan as strings, as railways draw their trains. The run sheets say the same in words. */
export function StringChart({ plan, project, now }: StringChartProps) {
  const frame = useRef<HTMLDivElement>(null)
  const width = useWidth(frame)
  const narrow = width < 640
  const left = narrow ? 84 : 170
  const layout = useMemo(() => layOutStrings(plan, project, left, width), [plan, project, left, width])
  const [picked, setPicked] = useState<BatchId | null>(null)
  const [hovered, setHovered] = useState<BatchString['hands'][number] | null>(null)
  const litId = hovered?.stretch.batchId ?? picked
  const litString = layout.strings.find((each) => each.batch.id === litId)
  const { timeZone } = project.evenings

  return (
    <figure aria-label="String chart: time across, stages down, one string a batch">
      <div ref={frame} className="relative overflow-x-auto">
        {/* A region that scrolls can be reached and scrolled by keyboard. */}
        <div tabIndex={layout.width > width ? 0 : -1} className="relative" style={{ width: layout.width }}>
          <svg
            width={layout.width}
            height={layout.height}
            role="img"
            aria-label="Slanted lines are hands-on work, level lines are drying. The run sheets below say the same in words."
            className="block"
          >
            <Ground layout={layout} left={left} timeZone={timeZone} />
            {layout.strings.map((each) => (
              <BatchLine
                key={each.batch.id}
                string={each}
                dim={litString !== undefined && litString !== each}
                onHover={setHovered}
              />
            ))}
            <NowLine layout={layout} now={now} timeZone={timeZone} />
          </svg>
          {hovered ? (
            <StretchNote hands={hovered} plan={plan} project={project} width={layout.width} />
          ) : null}
        </div>
      </div>
      <figcaption>
        <ul className="mt-2 flex flex-wrap gap-x-1" aria-label="Batches">
          {layout.strings.map(({ batch, unit }) => (
            <li key={batch.id}>
              <button
                type="button"
                aria-pressed={picked === batch.id}
                onClick={() => setPicked(picked === batch.id ? null : batch.id)}
                className="flex min-h-9 items-center gap-1.5 rounded-[3px] px-2 text-sm hover:bg-paper aria-pressed:bg-paper aria-pressed:font-bold"
              >
                <svg width="26" height="14" aria-hidden="true">
                  <path d="M1 1 12 11" stroke={colourOf(unit)} strokeWidth="4" strokeLinecap="round" />
                  <path d="M13 11h12" stroke={colourOf(unit)} strokeWidth="2" strokeDasharray="3 2.5" />
                </svg>
                {batchName(batch)}, {batch.models.length}
              </button>
            </li>
          ))}
        </ul>
      </figcaption>
    </figure>
  )
}

function Ground({
  layout,
  left,
  timeZone,
}: {
  readonly layout: StringLayout
  readonly left: number
  readonly timeZone: string
}) {
  const bottom = layout.height - 4
  return (
    <g>
      {layout.bands.map(({ session, x, width }, index) => {
        const next = layout.bands[index + 1]
        return (
          <g key={session.startsAt}>
            <rect
              x={x}
              y={40}
              width={width}
              height={bottom - 40}
              fill="var(--paper)"
              stroke="var(--paper-edge)"
            />
            <text x={x + 6} y={17} className="fill-ink font-heading text-[15px] font-bold">
              {dayText(session.startsAt, timeZone)}
            </text>
            <text x={x + 6} y={33} className="figures fill-ink-soft text-[12px]">
              {clockText(session.startsAt, timeZone)}
              {width > 110 ? `–${clockText(session.endsAt, timeZone)}` : ''}
            </text>
            {next ? (
              <text
                transform={`translate(${String(x + width + 21)} ${String(bottom - 12)}) rotate(-90)`}
                className="figures fill-ink-soft text-[11px]"
              >
                {nightText(next.session.startsAt - session.endsAt)}
              </text>
            ) : null}
          </g>
        )
      })}
      {layout.rows.map((row) => (
        <g key={`${row.label}-${String(row.y)}`}>
          <line
            x1={left}
            x2={layout.width}
            y1={row.y}
            y2={row.y}
            stroke="var(--rule)"
            strokeWidth="0.8"
            opacity="0.7"
          />
          <text x={left - 10} y={row.y + 4.5} textAnchor="end" className="fill-ink text-[13.5px]">
            {shortened(row.label, left)}
          </text>
          {row.tableReady ? (
            <line
              x1={left}
              x2={layout.width}
              y1={row.y + 15}
              y2={row.y + 15}
              stroke="var(--done)"
              strokeWidth="2"
              strokeDasharray="1.5 5"
              strokeLinecap="round"
            />
          ) : null}
        </g>
      ))}
    </g>
  )
}

interface BatchLineProps {
  readonly string: BatchString
  readonly dim: boolean
  readonly onHover: (hands: BatchString['hands'][number] | null) => void
}

function BatchLine({ string, dim, onHover }: BatchLineProps) {
  const colour = colourOf(string.unit)
  return (
    <g opacity={dim ? 0.18 : 1}>
      {string.resting.map(({ from, to }, index) => (
        <line
          key={index}
          x1={from.x}
          y1={from.y}
          x2={to.x}
          y2={to.y}
          stroke={colour}
          strokeWidth="1"
          strokeDasharray="1 4"
          opacity="0.8"
        />
      ))}
      {string.drying.map(({ from, to }, index) => (
        <line
          key={index}
          x1={from.x}
          y1={from.y}
          x2={to.x}
          y2={to.y}
          stroke={colour}
          strokeWidth="2"
          strokeDasharray="4 3"
        />
      ))}
      {string.hands.map((hands) => (
        <g
          key={`${hands.stretch.stageId}-${String(hands.stretch.startsAt)}`}
          onPointerEnter={() => onHover(hands)}
          onPointerLeave={() => onHover(null)}
        >
          <line
            x1={hands.from.x}
            y1={hands.from.y}
            x2={hands.to.x}
            y2={hands.to.y}
            stroke={colour}
            strokeWidth="4"
            strokeLinecap="round"
          />
          <line
            x1={hands.from.x}
            y1={hands.from.y}
            x2={hands.to.x}
            y2={hands.to.y}
            stroke="transparent"
            strokeWidth="14"
          />
          <circle
            cx={hands.to.x}
            cy={hands.to.y}
            r="3.6"
            fill="var(--paper)"
            stroke={colour}
            strokeWidth="2"
          />
        </g>
      ))}
      {string.numberAt ? (
        <text {...string.numberAt} className="figures text-[11px] font-bold" fill={colour}>
          {string.batch.number}
        </text>
      ) : null}
    </g>
  )
}

function NowLine({
  layout,
  now,
  timeZone,
}: {
  readonly layout: StringLayout
  readonly now: Instant
  readonly timeZone: string
}) {
  const first = layout.bands[0]
  if (!first || now < first.session.startsAt || now > first.session.endsAt) return null
  const x = layout.xOf(now)
  return (
    <g>
      <line x1={x} x2={x} y1={38} y2={layout.height - 4} stroke="var(--hands)" strokeWidth="2" />
      <text x={x + 5} y={layout.height - 8} className="figures fill-hands text-[11px] font-bold">
        now {clockText(now, timeZone)}
      </text>
    </g>
  )
}

function nightText(milliseconds: number): string {
  const hours = Math.round(milliseconds / 3_600_000)
  return hours < 36 ? `${hours.toFixed(0)} h` : `${(hours / 24).toFixed(0)} days`
}

function shortened(label: string, left: number): string {
  const most = Math.floor((left - 12) / 7)
  return label.length > most ? `${label.slice(0, most - 1)}…` : label
}

function useWidth(frame: React.RefObject<HTMLDivElement | null>): number {
  const [width, setWidth] = useState(1100)
  useEffect(() => {
    const element = frame.current
    if (!element) return
    const observer = new ResizeObserver(([entry]) => {
      if (entry) setWidth(Math.floor(entry.contentRect.width))
    })
    observer.observe(element)
    return () => observer.disconnect()
  }, [frame])
  return width
}
