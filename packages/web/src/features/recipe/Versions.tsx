import { localDateAt } from '@seriatim/core/calendar'
import {
  backToVersion,
  compareRecipes,
  isSameState,
  keepVersion,
  recipeFigures,
  type RecipeState,
  type Shelf,
} from '@seriatim/core/recipe'
import type { Recipe } from '@seriatim/core/trade'
import { instant } from '@seriatim/core/units'
import { useState } from 'react'
import { dateText, durationText, plural } from '../../shared/format/index.ts'
import { Button, SelectField, TextField } from '../../shared/ui/index.ts'
import { DifferenceList } from './DifferenceList.tsx'

interface VersionsProps {
  readonly recipe: Recipe
  readonly shelf: Shelf
  readonly timeZone: string
  readonly onChange: (recipe: Recipe, said: string) => void
}

/** States that were kept: what one has that another has not, and the way back. */
export function Versions({ recipe, shelf, timeZone, onChange }: VersionsProps) {
  const [note, setNote] = useState('')
  const { versions } = recipe
  const [fromNumber, setFrom] = useState(versions.at(-1)?.number ?? 0)
  const [toNumber, setTo] = useState(0)
  const today = () => localDateAt(instant(Date.now()), timeZone)
  const stateOf = (number: number): RecipeState =>
    versions.find((version) => version.number === number) ?? recipe
  const from = versions.find((version) => version.number === fromNumber) ?? versions.at(-1)
  const options = versions.map((version) => ({
    value: String(version.number),
    text: `${String(version.number)}, ${dateText(version.keptOn)}${version.note === '' ? '' : `: ${version.note}`}`,
  }))
  const keep = () => {
    const kept = keepVersion(recipe, today(), note.trim())
    onChange(kept, `Version ${String(kept.versions.at(-1)?.number ?? 1)} is kept.`)
    setFrom(kept.versions.at(-1)?.number ?? 0)
    setNote('')
  }

  return (
    <details className="ticket mt-3 p-4">
      <summary className="min-h-8 font-bold">
        {versions.length === 0 ? 'Versions' : `${plural(versions.length, 'version')} kept`}
      </summary>
      <form
        className="mt-3 flex flex-wrap items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault()
          keep()
        }}
      >
        <TextField
          label="Note on the present state"
          className="min-w-60 grow"
          value={note}
          maxLength={200}
          placeholder="As the pilot was painted"
          onChange={(event) => setNote(event.target.value)}
        />
        <Button type="submit">Keep this version</Button>
      </form>
      {from ? (
        <>
          <div className="mt-4 grid items-end gap-3 sm:grid-cols-[1fr_1fr_auto]">
            <SelectField
              label="From version"
              value={String(from.number)}
              options={options}
              onChange={(event) => setFrom(Number(event.target.value))}
            />
            <SelectField
              label="to"
              value={String(toNumber)}
              options={[{ value: '0', text: 'the recipe as it is now' }, ...options]}
              onChange={(event) => setTo(Number(event.target.value))}
            />
            <Button
              disabled={isSameState(from, recipe)}
              onClick={() =>
                onChange(
                  backToVersion(recipe, from, today()),
                  `The recipe is as in version ${String(from.number)}.`,
                )
              }
            >
              Go back to {from.number}
            </Button>
          </div>
          <Comparison from={from} to={stateOf(toNumber)} shelf={shelf} />
        </>
      ) : null}
    </details>
  )
}

interface ComparisonProps {
  readonly from: RecipeState
  readonly to: RecipeState
  readonly shelf: Shelf
}

function Comparison({ from, to, shelf }: ComparisonProps) {
  const differences = compareRecipes(from, to, shelf)
  const [old, now] = [recipeFigures(from, shelf), recipeFigures(to, shelf)]
  return (
    <div className="mt-3">
      <p className="figures font-bold">
        {fromTo(plural(old.layers, 'layer'), plural(now.layers, 'layer'))},{' '}
        {fromTo(plural(old.pots, 'pot'), plural(now.pots, 'pot'))},{' '}
        {fromTo(durationText(old.secondsPerModel), durationText(now.secondsPerModel))} a model
      </p>
      <DifferenceList
        differences={differences}
        remark={differences.length === 0 ? 'The two are the same.' : null}
      />
    </div>
  )
}

const fromTo = (old: string, now: string): string => (old === now ? now : `${old} → ${now}`)
