import type { Extra } from '@seriatim/core/estimating'
import type { Unit } from '@seriatim/core/trade'
import { useState } from 'react'
import { durationText, plural } from '../../shared/format/index.ts'
import { Button } from '../../shared/ui/index.ts'

/** Optional stages: what the time that is over is good for. */
export function ExtraList({
  extras,
  units,
}: {
  readonly extras: readonly Extra[]
  readonly units: readonly Unit[]
}) {
  const [isAll, setAll] = useState(false)
  const fitting = extras.filter((each) => each.fits)
  const others = extras.length - fitting.length
  if (extras.length === 0) return null
  const name = (extra: Extra) => units.find((unit) => unit.id === extra.unitId)?.name ?? ''
  return (
    <section className="ticket mt-5 p-4" aria-labelledby="extras">
      <h2 id="extras" className="text-xl">
        {fitting.length === 0
          ? 'No optional stage fits into what is over'
          : `${plural(fitting.length, 'optional stage')} would fit as well`}
      </h2>
      <ul className="mt-1 grid grid-cols-1 gap-x-8 sm:grid-cols-2">
        {(isAll ? extras : fitting).map((extra) => (
          <li
            key={`${extra.unitId} ${extra.name}`}
            className="flex items-baseline gap-3 border-t border-paper-edge py-1.5"
          >
            <span className={extra.fits ? 'font-bold text-done' : 'text-ink-soft'}>
              {extra.fits ? 'fits' : 'too long'}
            </span>
            <span className="min-w-0 grow truncate">
              {extra.name} <span className="text-sm text-ink-soft">{name(extra)}</span>
            </span>
            <span className="figures text-sm">{durationText(extra.seconds)}</span>
          </li>
        ))}
      </ul>
      {others > 0 ? (
        <Button weight="quiet" className="px-0!" aria-expanded={isAll} onClick={() => setAll(!isAll)}>
          {isAll ? 'Only what fits' : `${plural(others, 'stage')} too long for it`}
        </Button>
      ) : null}
    </section>
  )
}
