import { slipText, type HoleState } from '@seriatim/core/progress'
import type { Instant } from '@seriatim/core/units'
import type { CSSProperties } from 'react'

interface PunchHoleProps {
  readonly state: HoleState
  readonly now: Instant
  /** Pixels; the hole fills about four fifths of it. Without one it is as large as letters here. */
  readonly size?: number
}

/**
 * One hole of a punch strip; the state is told by shape, colour only repeats it. Drawn by the style sheet alone: a board
 * has thousands of them, and each picture of its own would be a surface to be put together at every tap.
 */
export function PunchHole({ state, now, size }: PunchHoleProps) {
  return (
    <span aria-hidden="true" className="hole-box" style={size === undefined ? undefined : { fontSize: size }}>
      <span
        className="hole"
        data-state={state.kind}
        style={state.kind === 'drying' ? ({ '--left': leftToDry(state, now) } as CSSProperties) : undefined}
      />
    </span>
  )
}

/** The share of a wait still to come; a little stays to be seen until its end. */
function leftToDry({ since, until }: HoleState & { readonly kind: 'drying' }, now: Instant): number {
  return Math.min(1, Math.max(0.04, (until - now) / Math.max(1, until - since)))
}

/** The state in words. */
export function holeText(state: HoleState): string {
  switch (state.kind) {
    case 'to-do':
      return 'to do'
    case 'in-hand':
      return 'in hand'
    case 'drying':
      return 'drying'
    case 'done':
      return 'done'
    case 'touch-up':
      return ['touch-up', slipText(state)].filter(Boolean).join(': ')
    case 'not-needed':
      return 'not needed'
  }
}

const since = 0 as Instant
const legend: readonly HoleState[] = [
  { kind: 'to-do' },
  { kind: 'in-hand' },
  { kind: 'drying', since, until: 100 as Instant },
  { kind: 'done' },
  { kind: 'touch-up', note: '', region: null },
  { kind: 'not-needed' },
]

/** What the shapes mean. */
export function HoleLegend() {
  return (
    <ul className="flex flex-wrap gap-x-5 gap-y-1 text-sm text-ink-soft" aria-label="What the holes mean">
      {legend.map((state) => (
        <li key={state.kind} className="flex items-center gap-1.5">
          <PunchHole state={state} now={35 as Instant} size={20} />
          {state.kind === 'done' ? 'done' : holeText(state)}
        </li>
      ))}
      <li className="flex items-center gap-1.5">
        <span aria-hidden="true" className="h-5 border-l-2 border-dotted border-ink-soft" />
        table-ready from here
      </li>
    </ul>
  )
}
