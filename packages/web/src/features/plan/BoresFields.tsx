import type { LearntBores } from '@seriatim/core/estimating'
import type { BearableBatch } from '@seriatim/core/plan'
import type { Bores } from '@seriatim/core/trade'
import { minutes } from '@seriatim/core/units'
import { durationText, plural } from '../../shared/format/index.ts'
import { Button, CommitField } from '../../shared/ui/index.ts'

interface BoresFieldsProps {
  readonly bores: Bores
  readonly learnt: LearntBores | undefined
  /** The batch that stays within it; `null` where all do, or it is in use. */
  readonly bearable: BearableBatch | null
  readonly onBatchSize: (models: number) => void
  readonly onChange: (bores: Bores, said: string) => void
}

const limits = [
  { name: 'stageSeconds', label: 'One stage at most, minutes', what: 'one stage' },
  { name: 'unitSeconds', label: 'One unit at most, minutes', what: 'one unit' },
] as const

/** How long the same is borne before variety is wanted: typed, or as the painter’s own records have it. */
export function BoresFields({ bores, learnt, bearable, onBatchSize, onChange }: BoresFieldsProps) {
  const set = (name: keyof Bores, wholeMinutes: number, what: string) =>
    onChange(
      { ...bores, [name]: minutes(wholeMinutes) },
      `No more than ${durationText(wholeMinutes * 60)} of ${what} at a time, where it can be.`,
    )
  return (
    <div className="mt-3">
      <p className="text-sm text-ink-soft">
        Variety counts what goes on for longer than this; batch sizes are marked by it.
      </p>
      <div className="mt-1 grid gap-3 sm:grid-cols-2">
        {limits.map(({ name, label, what }) => {
          const own = learnt?.[name]
          return (
            <div key={name}>
              <CommitField
                label={label}
                value={String(Math.round(bores[name] / 60))}
                check={checkMinutes}
                onCommit={(text) => set(name, Number(text), what)}
              />
              {own && own.seconds !== bores[name] ? (
                <p className="mt-1 text-sm">
                  By your records half of {plural(own.runs, 'run')} of {what} broke off or slowed down by{' '}
                  {durationText(own.seconds)}.{' '}
                  <Button weight="quiet" className="px-1!" onClick={() => set(name, own.seconds / 60, what)}>
                    Take {durationText(own.seconds)}
                  </Button>
                </p>
              ) : null}
            </div>
          )
        })}
      </div>
      {bearable ? (
        <p className="mt-2 text-sm">
          With {plural(bearable.models, 'model')} a batch no stage takes longer; the longest is “
          {bearable.stage.name}”.{' '}
          <Button weight="quiet" className="px-1!" onClick={() => onBatchSize(bearable.models)}>
            Batches of {bearable.models}
          </Button>
        </p>
      ) : null}
    </div>
  )
}

function checkMinutes(text: string): string | null {
  const isWhole = /^\d{1,3}$/.test(text.trim())
  return isWhole && Number(text) >= 5 && Number(text) <= 720 ? null : 'Give whole minutes, from 5 to 720.'
}
