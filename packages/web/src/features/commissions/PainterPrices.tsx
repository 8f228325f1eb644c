import type { PriceList } from '@seriatim/core/money'
import type { Painter } from '@seriatim/core/trade'
import { useQuery } from '@tanstack/react-query'
import { projectListQuery, projectQuery, useHoursOf } from '../../shared/api/index.ts'
import { moneyInputText } from '../../shared/format/index.ts'
import { CommitField } from '../../shared/ui/index.ts'
import { moneyMinorOrNone } from './money-field.ts'

interface PainterPricesProps {
  readonly prices: PriceList
  readonly onChange: (painters: PriceList['painters']) => void
}

/** An hour of each painter at the desk, where it is another price. */
export function PainterPrices({ prices, onChange }: PainterPricesProps) {
  const painters = usePaintersAtDesk()
  if (painters.length < 2) return null
  return (
    <fieldset className="mt-4 border-t border-paper-edge pt-3">
      <legend className="sr-only">An hour of each painter</legend>
      <p className="text-sm text-ink-soft">
        An hour of each painter, where it has another price; a job costs what those take who paint it.
      </p>
      <div className="mt-2 grid grid-cols-2 gap-3 sm:grid-cols-3">
        {painters.map(({ id, name }) => {
          const own = prices.painters.find((each) => each.painterId === id)
          return (
            <CommitField
              key={id}
              label={name}
              value={own ? moneyInputText(own.hour, prices.currency) : ''}
              hint={own ? '' : 'as the others'}
              check={(text) =>
                moneyMinorOrNone(text, prices.currency) === undefined
                  ? 'Give an amount: 20.00, or nothing.'
                  : null
              }
              onCommit={(text) => {
                const hour = moneyMinorOrNone(text, prices.currency)
                const others = prices.painters.filter((each) => each.painterId !== id)
                onChange(hour === null || hour === undefined ? others : [...others, { painterId: id, hour }])
              }}
            />
          )
        })}
      </div>
    </fieldset>
  )
}

/** Those of the project whose hours hold at the desk. */
function usePaintersAtDesk(): readonly Painter[] {
  const list = useQuery(projectListQuery).data
  const hoursOf = useHoursOf().data
  const id = hoursOf ?? list?.[0]?.id
  const project = useQuery({ ...projectQuery(id ?? ('' as never)), enabled: id !== undefined }).data
  return project?.planning.painters ?? []
}
