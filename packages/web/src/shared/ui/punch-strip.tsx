import type { HoleState, Instant } from '@seriatim/core'
import { HoleShape } from './punch-hole.tsx'

interface StripHole {
  readonly id: string
  readonly state: HoleState
  /** The perforation after this hole: table-ready from here. */
  readonly stopLine: boolean
}

interface PunchStripProps {
  /** What the strip says, in words. */
  readonly label: string
  readonly holes: readonly StripHole[]
  readonly now: Instant
  /** Pixels a hole. */
  readonly size: number
}

/** A paper strip with one hole a stage, to look at; one picture, so that hundreds cost little. */
export function PunchStrip({ label, holes, now, size }: PunchStripProps) {
  return (
    <svg
      role="img"
      aria-label={label}
      width={size * holes.length}
      height={size}
      viewBox={`0 0 ${24 * holes.length} 24`}
      className="block h-auto max-w-full"
    >
      {holes.map((hole, index) => (
        <g key={hole.id} transform={`translate(${24 * index} 0)`}>
          <HoleShape state={hole.state} now={now} />
          {hole.stopLine ? (
            <path d="M24 0v24" stroke="var(--ink-soft)" strokeWidth="3" strokeDasharray="3 3" />
          ) : null}
        </g>
      ))}
    </svg>
  )
}
