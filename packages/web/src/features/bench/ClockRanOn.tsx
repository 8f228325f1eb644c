import { longestPause } from '@seriatim/core/progress'
import type { Instant } from '@seriatim/core/units'
import { clockText, dayText, durationText } from '../../shared/format/index.ts'
import { Button } from '../../shared/ui/index.ts'

interface ClockRanOnProps {
  /** When the last model was marked, or the clock started. */
  readonly since: Instant
  readonly now: Instant
  readonly timeZone: string
  readonly onStopThere: () => void
}

/** The lid was closed, or somebody called: the clock is stopped where the work was, or goes on. */
export function ClockRanOn({ since, now, timeZone, onStopThere }: ClockRanOnProps) {
  const [day, today] = [since, now].map((moment) => dayText(moment, timeZone))
  const when = `${day === today ? '' : `${day ?? ''} `}${clockText(since, timeZone)}`
  return (
    <div
      role="status"
      className="mt-3 flex flex-wrap items-center gap-x-4 gap-y-2 border-l-8 border-l-touch-up pl-3"
    >
      <p>
        Nothing was marked for <b className="figures">{durationText((now - since) / 1000)}</b>, since {when},
        and the clock runs.{' '}
        {now - since > longestPause ? 'Go on, and the pause is not counted.' : 'Go on if you are painting.'}
      </p>
      <Button onClick={onStopThere}>Stop it at {when}</Button>
    </div>
  )
}
