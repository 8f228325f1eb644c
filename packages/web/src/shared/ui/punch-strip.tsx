import type { HoleState, Instant } from '@seriatim/core'
import { clsx } from 'clsx'
import { holeText, PunchHole } from './punch-hole.tsx'

interface StripHole {
  readonly id: string
  readonly label: string
  readonly state: HoleState
  /** The perforation after this hole: table-ready from here. */
  readonly stopLine: boolean
}

interface PunchStripProps {
  readonly label: string
  readonly holes: readonly StripHole[]
  readonly now: Instant
  readonly size?: number
  /** Names under the holes. */
  readonly named?: boolean
  readonly current?: string | undefined
}

/** A paper strip with one hole a stage, to look at. */
export function PunchStrip({ label, holes, now, size = 22, named = false, current }: PunchStripProps) {
  return (
    <ol aria-label={label} className={clsx('flex', named ? 'flex-wrap gap-y-3' : 'items-center')}>
      {holes.map((hole) => (
        <li
          key={hole.id}
          className={clsx(
            'flex flex-col items-center gap-1',
            named && 'w-20 text-center text-sm leading-tight',
            hole.stopLine && 'border-r-2 border-dotted border-ink-soft',
          )}
          aria-current={hole.id === current ? 'step' : undefined}
        >
          <PunchHole state={hole.state} now={now} size={size} />
          {named ? (
            <span className={clsx('px-0.5', hole.id === current ? 'font-bold text-hands' : 'text-ink-soft')}>
              {hole.label}
            </span>
          ) : null}
          <span className="sr-only">
            {named ? holeText(hole.state) : `${hole.label}: ${holeText(hole.state)}`}
          </span>
        </li>
      ))}
    </ol>
  )
}
