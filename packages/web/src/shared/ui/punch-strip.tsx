import type { HoleState } from '@seriatim/core/progress'
import type { Instant } from '@seriatim/core/units'
import { clsx } from 'clsx'
import type { CSSProperties } from 'react'
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
      {runsOf(holes, lit).map(({ hole, count }) => (
        <span
          key={hole.id}
          className={clsx(
            'flex min-w-0 items-center justify-center',
            hole.stopLine && 'border-r-2 border-dotted border-ink-soft',
            hole.id === lit && 'border-b-2 border-hands',
          )}
        >
          {isPlain(hole) ? (
            <span
              className="hole-run"
              data-state={hole.state.kind}
              style={{ '--count': count } as CSSProperties}
            />
          ) : (
            <PunchHole state={hole.state} now={now} />
          )}
        </span>
      ))}
    </span>
  )
}

/** Holes that are alike side by side are one thing to draw: a sheet has tens of thousands of holes. */
function runsOf(holes: readonly StripHole[], lit: string | undefined) {
  const runs: { hole: StripHole; count: number }[] = []
  for (const hole of holes) {
    const last = runs.at(-1)
    const isAlike = isPlain(hole) && last?.hole.state.kind === hole.state.kind
    if (last && isAlike && !last.hole.stopLine && !hole.stopLine && last.hole.id !== lit && hole.id !== lit)
      last.count += 1
    else runs.push({ hole, count: 1 })
  }
  return runs
}

/** Whether a hole is as every other of its kind. */
const isPlain = ({ state }: StripHole) =>
  state.kind === 'done' || state.kind === 'to-do' || state.kind === 'not-needed'
