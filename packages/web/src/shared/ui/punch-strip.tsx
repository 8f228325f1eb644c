import type { HoleState } from '@seriatim/core/progress'
import type { Instant } from '@seriatim/core/units'
import { clsx } from 'clsx'
import { PunchHole } from './punch-hole.tsx'

interface StripHole {
  readonly id: string
  readonly state: HoleState
  /** The perforation after this hole: table-ready from here. */
  readonly stopLine: boolean
}

interface PunchStripProps {
  /** What the strip says, in words; not needed where they stand around it already. */
  readonly label?: string
  readonly holes: readonly StripHole[]
  readonly now: Instant
  /** Pixels a hole. */
  readonly size: number
  /** A hole to be told from the others. */
  readonly lit?: string | undefined
}

/** A paper strip with one hole a stage, to look at; it narrows where there is no room. */
export function PunchStrip({ label, holes, now, size, lit }: PunchStripProps) {
  return (
    <span
      {...(label === undefined ? { 'aria-hidden': true } : { role: 'img', 'aria-label': label })}
      className="flex max-w-full"
      style={{ fontSize: size }}
    >
      {holes.map((hole) => (
        <span
          key={hole.id}
          className={clsx(
            'flex min-w-0 items-center justify-center',
            hole.stopLine && 'border-r-2 border-dotted border-ink-soft',
            hole.id === lit && 'border-b-2 border-hands',
          )}
        >
          <PunchHole state={hole.state} now={now} />
        </span>
      ))}
    </span>
  )
}
