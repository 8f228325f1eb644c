import type { LearntBores } from '@seriatim/core/estimating'
import type { BearableBatch } from '@seriatim/core/plan'
import {
  batchName,
  aims,
  batchesMeant,
  fusses,
  type Aim,
  type Batch,
  type Fuss,
  type Planning,
} from '@seriatim/core/trade'
import { CheckField, SelectField } from '../../shared/ui/index.ts'
import { BoresFields } from './BoresFields.tsx'
import { SortableNames } from './SortableNames.tsx'

const aimTexts: Readonly<Record<Aim, string>> = {
  date: 'Done soonest',
  pots: 'Few paint changes',
  waiting: 'No waiting at the desk',
  first: 'First models finished soon',
  variety: 'Variety: no stage and no unit for too long',
}

const fussTexts: Readonly<Record<Fuss, string>> = {
  little: 'I hardly mind them',
  usual: 'as most people mind them',
  much: 'as few as can be',
}

interface PlanWishesProps {
  readonly planning: Planning
  readonly batches: readonly Batch[]
  /** What the records say of how long the same is borne. */
  readonly learnt: LearntBores | undefined
  readonly bearable: BearableBatch | null
  readonly onBatchSize: (models: number) => void
  readonly onChange: (planning: Planning, said: string) => void
}

/** What the painter wants most, and which batches before all others. */
export function PlanWishes({ planning, batches, learnt, bearable, onBatchSize, onChange }: PlanWishesProps) {
  const order = [...planning.aims, ...aims.filter((aim) => !planning.aims.includes(aim))]
  const known = [
    ...new Set(planning.first.flatMap((id) => batchesMeant(id, batches).map((batch) => batch.id))),
  ]
  const sorted = [
    ...known.flatMap((id) => batches.find((batch) => batch.id === id) ?? []),
    ...batches.filter((batch) => !known.includes(batch.id)),
  ]
  return (
    <div className="grid items-start gap-4 md:grid-cols-2">
      <section aria-labelledby="aims" className="ticket p-4">
        <h3 id="aims" className="text-xl">
          In this order
        </h3>
        <p className="mb-2 text-sm text-ink-soft">
          Being late for the date weighs more than all of these. Each counts four times the next.
        </p>
        <SortableNames
          label="Aims, the most wanted first"
          items={order.map((aim) => ({ id: aim, text: aimTexts[aim] }))}
          onOrder={(ids) =>
            onChange({ ...planning, aims: ids as Aim[] }, 'The plan follows what matters most.')
          }
        />
        <CheckField
          label="Always follow the stage order, even where another would do as well"
          checked={planning.held.all}
          onChange={(event) =>
            onChange(
              { ...planning, held: { ...planning.held, all: event.target.checked } },
              event.target.checked
                ? 'Every batch follows the stage order.'
                : 'Each batch takes its stages in any sound order.',
            )
          }
        />
        <SelectField
          label="Paint changes, trips to spray, scraps of work"
          value={planning.fuss}
          options={fusses.map((fuss) => ({ value: fuss, text: fussTexts[fuss] }))}
          onChange={(event) => {
            const fuss = fusses.find((each) => each === event.target.value) ?? planning.fuss
            onChange({ ...planning, fuss }, `Paint changes and trips to spray: ${fussTexts[fuss]}.`)
          }}
        />
        <BoresFields
          bores={planning.bores}
          learnt={learnt}
          bearable={bearable}
          onBatchSize={onBatchSize}
          onChange={(bores, said) => onChange({ ...planning, bores }, said)}
        />
      </section>
      <section aria-labelledby="first" className="ticket p-4">
        <h3 id="first" className="text-xl">
          Which batch first
        </h3>
        <p className="mb-2 text-sm text-ink-soft">
          {known.length === 0
            ? 'Move a batch up, and it is finished before all below it; until then the plan chooses.'
            : `Down to ${batchName(lastOf(sorted, known.length))} in this order; the others as the plan sees fit.`}
        </p>
        <SortableNames
          label="Batches, the first to be finished on top"
          items={sorted.map((batch, index) => ({
            id: batch.id,
            text: `${batchName(batch)}, ${String(batch.models.length)}`,
            marked: index < known.length,
          }))}
          onOrder={(ids, moved) => {
            const first = ids.slice(0, Math.max(ids.indexOf(moved) + 1, 0))
            const kept = ids.filter((id) => first.includes(id) || known.some((each) => each === id))
            const upTo = ids.findLastIndex((id) => kept.includes(id))
            onChange(
              { ...planning, first: ids.slice(0, upTo + 1) as Batch['id'][] },
              'The plan keeps to this order.',
            )
          }}
        />
        {known.length > 0 ? (
          <button
            type="button"
            className="mt-2 min-h-9 font-bold underline underline-offset-4"
            onClick={() => onChange({ ...planning, first: [] }, 'The plan chooses the order of the batches.')}
          >
            Let the plan choose
          </button>
        ) : null}
      </section>
    </div>
  )
}

function lastOf(batches: readonly Batch[], count: number): Batch {
  const batch = batches[count - 1]
  if (!batch) throw new RangeError('no batch there')
  return batch
}
