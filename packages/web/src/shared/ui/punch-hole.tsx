import type { HoleState, Instant } from '@seriatim/core'

interface PunchHoleProps {
  readonly state: HoleState
  readonly now: Instant
  /** Pixels; the hole fills about four fifths of it. */
  readonly size?: number
}

const round = 2 * Math.PI * 9

/** One hole of a punch strip; the state is told by shape, colour only repeats it. */
export function PunchHole({ state, now, size = 24 }: PunchHoleProps) {
  return (
    <svg width={size} height={size} viewBox="0 0 24 24" aria-hidden="true" className="block shrink-0">
      <HoleShape state={state} now={now} />
    </svg>
  )
}

/** The shape alone, in a box of 24 × 24. */
export function HoleShape({ state, now }: { readonly state: HoleState; readonly now: Instant }) {
  switch (state.kind) {
    case 'to-do':
      return (
        <circle
          cx="12"
          cy="12"
          r="8"
          fill="none"
          stroke="var(--rule)"
          strokeWidth="1.6"
          strokeDasharray="2.6 2.4"
        />
      )
    case 'in-hand':
      return (
        <>
          <path d="M12 4a8 8 0 0 0 0 16z" fill="var(--hands)" />
          <circle cx="12" cy="12" r="8" fill="none" stroke="var(--hands)" strokeWidth="2" />
        </>
      )
    case 'drying': {
      const left = Math.min(1, Math.max(0.04, (state.until - now) / Math.max(1, state.until - state.since)))
      return (
        <>
          <circle cx="12" cy="12" r="5.4" fill="var(--mat-deep)" stroke="var(--drying)" strokeWidth="1.2" />
          <circle
            cx="12"
            cy="12"
            r="9"
            fill="none"
            stroke="var(--drying)"
            strokeWidth="2.6"
            strokeDasharray={`${String(left * round)} ${String(round)}`}
            transform="rotate(-90 12 12)"
          />
        </>
      )
    }
    case 'done':
      return <PunchedThrough stroke="var(--ink)" />
    case 'touch-up':
      return (
        <>
          <PunchedThrough stroke="var(--touch-up)" />
          <path d="M12 8 7.5 0h9z" fill="var(--touch-up)" />
        </>
      )
    case 'not-needed':
      return <path d="M7 12h10" stroke="var(--ink-soft)" strokeWidth="2" strokeLinecap="round" />
  }
}

function PunchedThrough({ stroke }: { readonly stroke: string }) {
  return (
    <>
      <circle cx="12" cy="12" r="8" fill="var(--mat-deep)" stroke={stroke} strokeWidth="1.2" />
      <path
        d="M4.6 10.5a8 8 0 0 1 14.8 0"
        fill="none"
        stroke={stroke}
        strokeWidth="2.4"
        strokeLinecap="round"
      />
    </>
  )
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
      return state.note === '' ? 'touch-up' : `touch-up: ${state.note}`
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
  { kind: 'touch-up', note: '' },
  { kind: 'not-needed' },
]

/** What the shapes mean. */
export function HoleLegend() {
  return (
    <ul className="flex flex-wrap gap-x-5 gap-y-1 text-sm text-ink-soft" aria-label="What the holes mean">
      {legend.map((state) => (
        <li key={state.kind} className="flex items-center gap-1.5">
          <PunchHole state={state} now={35 as Instant} size={20} />
          {state.kind === 'done' ? 'punched: done' : holeText(state)}
        </li>
      ))}
      <li className="flex items-center gap-1.5">
        <span aria-hidden="true" className="h-5 border-l-2 border-dotted border-ink-soft" />
        table-ready from here
      </li>
    </ul>
  )
}
