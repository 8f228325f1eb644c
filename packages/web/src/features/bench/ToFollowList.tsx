import type { ToFollow } from '@seriatim/core/progress'
import { batchName } from '@seriatim/core/trade'
import { Timer } from 'lucide-react'
import { useCallback, useMemo } from 'react'
import { toast } from 'sonner'
import { callOut } from '../../shared/call-out.ts'
import { clockText, plural } from '../../shared/format/index.ts'
import { Button } from '../../shared/ui/index.ts'
import { useDue } from '../../shared/use-due.ts'
import { useNowBefore } from '../../shared/use-now.ts'
import { Countdown } from './Countdown.tsx'

interface ToFollowListProps {
  readonly waiting: readonly ToFollow[]
  readonly timeZone: string
  /** The coat is put on again. */
  readonly onAgain: (each: ToFollow) => void
}

/** So many seconds before the limit it is time to put down what is in hand. */
const warnsBefore = 60

/** What has to be wiped, mopped or joined while the coat still lets it, counting down; at the limit it flashes. */
export function ToFollowList({ waiting, timeZone, onAgain }: ToFollowListProps) {
  const alarms = useMemo(
    () => waiting.map((each) => ({ ...each, key: keyOf(each), at: each.until - warnsBefore * 1000 })),
    [waiting],
  )
  useDue(
    alarms,
    useCallback(({ batch, next }: ToFollow) => {
      const said = `${next.name} now: ${batchName(batch)} bears one minute more.`
      callOut(said)
      toast.warning(said)
    }, []),
  )
  if (waiting.length === 0) return null
  return (
    <section aria-labelledby="to-follow">
      <h2 id="to-follow" className="text-2xl">
        Before it is too late
      </h2>
      <ul className="mt-2 grid gap-2">
        {waiting.map((each) => (
          <Follow key={keyOf(each)} each={each} timeZone={timeZone} onAgain={onAgain} />
        ))}
      </ul>
    </section>
  )
}

function Follow({
  each,
  timeZone,
  onAgain,
}: { readonly each: ToFollow } & Omit<ToFollowListProps, 'waiting'>) {
  const { batch, stage, next, modelIds, until } = each
  const left = (until - useNowBefore(until)) / 1000
  const isPressing = Math.abs(left) <= warnsBefore
  return (
    <li className={`ticket flex items-center gap-3 px-4 py-2.5 ${isPressing ? 'is-pressing' : ''}`}>
      <Timer aria-hidden="true" size={28} className="shrink-0 text-touch-up" />
      <span className="min-w-0 grow leading-tight">
        <b>{next.name}</b>
        <span className="block text-sm text-ink-soft">
          {batchName(batch)}, {plural(modelIds.length, 'model')}
        </span>
      </span>
      <span className="text-right text-touch-up">
        {left > 0 ? (
          <>
            <span className="figures block text-xl">
              <Countdown until={until} />
            </span>
            <span className="figures text-sm">by {clockText(until, timeZone)}</span>
          </>
        ) : (
          <>
            <b>since {clockText(until, timeZone)}: look before you go on</b>
            <Button
              weight="quiet"
              className="ml-auto px-2!"
              aria-label={`${stage.name} again: ${batchName(batch)}`}
              onClick={() => onAgain(each)}
            >
              It is dry: {stage.name.toLowerCase()} again
            </Button>
          </>
        )}
      </span>
    </li>
  )
}

const keyOf = ({ batch, stage, until }: ToFollow) => `${batch.id} ${stage.id} ${String(until)}`
