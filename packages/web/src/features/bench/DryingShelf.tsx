import { batchName, type DryingEntry } from '@seriatim/core'
import { clockText, durationText, plural, stopwatchText } from '../../shared/format/index.ts'
import { useNow } from '../../shared/use-now.ts'
import { PunchHole } from '../../shared/ui/index.ts'

interface DryingShelfProps {
  readonly shelf: readonly DryingEntry[]
  readonly timeZone: string
}

const shortest = 90 * 60

/** What is drying, the soonest dry first, counting down. */
export function DryingShelf({ shelf, timeZone }: DryingShelfProps) {
  const now = useNow()
  return (
    <section aria-labelledby="drying">
      <h2 id="drying" className="text-2xl">
        Drying
      </h2>
      {shelf.length === 0 ? <p className="mt-1 text-ink-soft">Nothing is wet.</p> : null}
      <ul className="mt-2 grid gap-2">
        {shelf.map((entry) => {
          const left = (entry.until - now) / 1000
          return (
            <li
              key={`${entry.batch.id}-${entry.stage.id}`}
              className="ticket flex items-center gap-3 px-4 py-2.5"
            >
              <PunchHole
                state={{ kind: 'drying', since: entry.since, until: entry.until }}
                now={now}
                size={40}
              />
              <span className="min-w-0 grow leading-tight">
                <b>{batchName(entry.batch)}</b>
                <span className="block text-sm text-ink-soft">
                  {entry.stage.name.toLowerCase()}, {plural(entry.models, 'model')}
                </span>
              </span>
              <span className="text-right text-drying">
                <span className="figures block text-xl">
                  {left < shortest ? stopwatchText(left) : durationText(left)}
                </span>
                <span className="figures text-sm">{clockText(entry.until, timeZone)}</span>
              </span>
            </li>
          )
        })}
      </ul>
    </section>
  )
}
