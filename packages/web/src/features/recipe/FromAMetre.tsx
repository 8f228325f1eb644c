import type { FigureSources } from '@seriatim/core/estimating'
import type { Shown } from '@seriatim/core/looks'
import type { Recipe, Unit } from '@seriatim/core/trade'
import type { StepId } from '@seriatim/core/units'
import { useState } from 'react'
import { durationText, plural, decimalText } from '../../shared/format/index.ts'
import { Button } from '../../shared/ui/index.ts'
import type { Looks } from '../../shared/recipe-looks.ts'
import { RecipePicture } from '../../shared/recipe-picture.tsx'
import { useLooks } from '../../shared/worker/index.ts'

interface FromAMetreProps {
  readonly recipe: Recipe
  readonly units: readonly Unit[]
  readonly sources: FigureSources | undefined
  readonly onChange: (recipe: Recipe, said: string) => void
}

const atFirst = 6

/** How the block looks on the table: what merges, and what each layer shows for its minutes. */
export function FromAMetre({ recipe, units, sources, onChange }: FromAMetreProps) {
  const [isOpen, setOpen] = useState(false)
  const looks = useLooks(isOpen ? sources : undefined, recipe, units)
  return (
    <details className="ticket mt-6 p-4" onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="min-h-8">
        <span className="font-heading text-xl font-bold">From a metre</span>{' '}
        <span className="text-ink-soft">what reads, and what shows for its minutes</span>
      </summary>
      {isOpen && !looks ? <p className="mt-2 text-ink-soft">Being looked at …</p> : null}
      {looks ? (
        <div className="mt-3 grid gap-5">
          <div className="grid gap-4 sm:grid-cols-3">
            {looks.views.map(({ name, bands }) => (
              <RecipePicture key={name} name={name} bands={bands} />
            ))}
          </div>
          <Merges looks={looks} onChange={onChange} />
          <ShownList recipe={recipe} shown={looks.shown} onChange={onChange} />
          <p className="text-sm text-ink-soft">
            Predicted colours, differences by CIEDE2000; what counts as near, and how much is looked at where,
            are rules of thumb. The lamp over the table has the last word.
          </p>
        </div>
      ) : null}
    </details>
  )
}

function Merges({ looks, onChange }: Pick<FromAMetreProps, 'onChange'> & { readonly looks: Looks }) {
  if (looks.merging.length === 0) return <p className="font-bold text-done">All neighbours read apart.</p>
  return (
    <ul aria-label="Neighbours that merge" className="grid gap-2">
      {looks.merging.map(({ regions, difference, why, swap }) => (
        <li key={regions.join()} className="flex flex-wrap items-center gap-x-4 gap-y-1">
          <span>
            <b>
              {regions[0]} and {regions[1]} merge
            </b>
            : {why} <span className="figures text-ink-soft">(ΔE {decimalText(difference, 0)})</span>
          </span>
          {swap ? (
            <Button onClick={() => onChange(swap.recipe, `${swap.to.name} on the ${regions[0]}.`)}>
              Take {swap.to.name} for the {regions[0]}
            </Button>
          ) : null}
        </li>
      ))}
    </ul>
  )
}

interface ShownListProps extends Pick<FromAMetreProps, 'recipe' | 'onChange'> {
  readonly shown: readonly Shown[]
}

/** The least for its minutes first: what is left out when the evening is short. */
function ShownList({ recipe, shown, onChange }: ShownListProps) {
  const [all, setAll] = useState(false)
  const inQuestion = shown.filter(({ optional, matters }) => optional && !matters)
  const others = shown.filter((each) => !inQuestion.includes(each))
  const listed = all ? [...inQuestion, ...others] : inQuestion.slice(0, atFirst)
  const rest = shown.length - listed.length
  const withStep = (id: StepId, matters: boolean) => ({
    ...recipe,
    steps: recipe.steps.map((step) => (step.id === id ? { ...step, matters } : step)),
  })
  const most = Math.max(...shown.map(({ share }) => share), 0.001)
  return (
    <section aria-labelledby="shows">
      <h2 id="shows" className="text-lg font-bold">
        What shows for its minutes, the least first
      </h2>
      <ul>
        {listed.map(({ stepId, text, share, seconds, matters, optional }) => (
          <li
            key={stepId}
            className="grid items-center gap-x-4 gap-y-1 border-t border-paper-edge py-1 sm:grid-cols-[minmax(0,1fr)_9rem_5rem_6rem_auto]"
          >
            <span>{text}</span>
            <span className="h-3 bg-paper-dim" aria-hidden="true">
              <span className="block h-3 bg-ink" style={{ width: `${String((share / most) * 100)}%` }} />
            </span>
            <span className="figures text-sm">
              {share === 0 ? 'nothing' : `${decimalText(share * 100, 1)} %`}
            </span>
            <span className="figures text-sm">{durationText(seconds)}</span>
            <span className="flex flex-wrap justify-end gap-1">
              {matters || !optional ? null : (
                <Button
                  weight="quiet"
                  onClick={() =>
                    onChange(
                      { ...recipe, steps: recipe.steps.filter((step) => step.id !== stepId) },
                      `Left out: ${text}.`,
                    )
                  }
                >
                  Leave it out
                </Button>
              )}
              <Button
                weight="quiet"
                aria-pressed={matters}
                onClick={() => onChange(withStep(stepId, !matters), '')}
              >
                It matters to me
              </Button>
            </span>
          </li>
        ))}
      </ul>
      {rest > 0 || all ? (
        <Button weight="quiet" aria-expanded={all} onClick={() => setAll(!all)}>
          {all ? 'Only what is in question' : `The other ${plural(rest, 'layer')}`}
        </Button>
      ) : null}
    </section>
  )
}
