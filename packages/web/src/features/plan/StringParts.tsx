import { batchLetter } from '@seriatim/core/trade'
import type { Instant } from '@seriatim/core/units'
import type { PointerEvent as ReactPointerEvent, SVGProps } from 'react'
import { clockText, dayText } from '../../shared/format/index.ts'
import type { Band, BatchString, StringLayout } from './string-layout.ts'

export type Hands = BatchString['hands'][number]

const colours = 6
export const colourOf = (unit: number) => `var(--string-${String((unit % colours) + 1)})`

export function Ground({
  layout,
  left,
  timeZone,
  over,
}: {
  readonly layout: StringLayout
  readonly left: number
  readonly timeZone: string
  /** The session a stretch is held over. */
  readonly over: Band | null
}) {
  const bottom = layout.height - 4
  const labelSize = Math.max(10.5, Math.min(13.5, layout.rowHeight - 1))
  return (
    <g>
      {layout.bands.map((band, index) => {
        const { session, x, width, named } = band
        const next = layout.bands[index + 1]
        return (
          <g key={session.startsAt}>
            <rect
              x={x}
              y={40}
              width={width}
              height={bottom - 40}
              fill="var(--paper)"
              stroke={over === band ? 'var(--hands)' : 'var(--paper-edge)'}
              strokeWidth={over === band ? 3 : 1}
            />
            {named ? (
              <>
                <text x={x + 6} y={17} className="fill-ink font-heading text-[15px] font-bold">
                  {dayText(session.startsAt, timeZone)}
                </text>
                <text x={x + 6} y={33} className="figures fill-ink-soft text-[12px]">
                  {clockText(session.startsAt, timeZone)}
                  {width > 110 ? `–${clockText(session.endsAt, timeZone)}` : ''}
                </text>
              </>
            ) : null}
            {next && next.x - x - width > 20 ? (
              <text
                transform={`translate(${String((x + width + next.x) / 2 + 4)} ${String(bottom - 12)}) rotate(-90)`}
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
          {row.named ? (
            <text
              x={left - 10}
              y={row.y + labelSize * 0.33}
              textAnchor="end"
              fontSize={labelSize}
              className="fill-ink"
            >
              {shortened(row.label, left, labelSize)}
            </text>
          ) : null}
          {row.tableReady ? (
            <line
              x1={left}
              x2={layout.width}
              y1={row.y + layout.rowHeight / 2}
              y2={row.y + layout.rowHeight / 2}
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

/** A line from one point of a string to another. */
function Way({ way, ...look }: { readonly way: BatchString['drying'][number] } & SVGProps<SVGLineElement>) {
  return <line x1={way.from.x} y1={way.from.y} x2={way.to.x} y2={way.to.y} {...look} />
}

interface BatchLineProps {
  readonly string: BatchString
  readonly dim: boolean
  readonly chosen: Hands | null
  readonly onHover: (hands: Hands | null) => void
  readonly onTake: (hands: Hands, event: ReactPointerEvent) => void
}

export function BatchLine({ string, dim, chosen, onHover, onTake }: BatchLineProps) {
  const colour = colourOf(string.unit)
  return (
    <g opacity={dim ? 0.18 : 1}>
      {string.resting.map((way, index) => (
        <Way key={index} way={way} stroke={colour} strokeWidth="1" strokeDasharray="1 4" opacity="0.8" />
      ))}
      {string.drying.map((way, index) => (
        <Way key={index} way={way} stroke={colour} strokeWidth="2" strokeDasharray="4 3" />
      ))}
      {string.hands.map((hands) => (
        <g
          key={`${hands.stretch.stageId}-${String(hands.stretch.startsAt)}`}
          onPointerEnter={() => onHover(hands)}
          onPointerLeave={() => onHover(null)}
          onPointerDown={(event) => onTake(hands, event)}
          className="cursor-pointer touch-pan-x"
        >
          {chosen === hands ? (
            <Way way={hands} stroke="var(--hands)" strokeWidth="12" strokeLinecap="round" opacity="0.35" />
          ) : null}
          <Way way={hands} stroke={colour} strokeWidth="4" strokeLinecap="round" />
          <Way way={hands} stroke="transparent" strokeWidth="14" />
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
          {batchLetter(string.batch.number)}
        </text>
      ) : null}
    </g>
  )
}

export function NowLine({
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

function shortened(label: string, left: number, size: number): string {
  const most = Math.floor((left - 12) / (size * 0.52))
  return label.length > most ? `${label.slice(0, most - 1)}…` : label
}
