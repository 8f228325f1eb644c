import { mixOfText, textOfMix } from '@seriatim/core/mixing'
import { factsOf, mixText, type Shelf, type Takers } from '@seriatim/core/recipe'
import {
  type Extent,
  extents,
  landsOn,
  regionsOfStep,
  standards,
  techniques,
  type Recipe,
  type Standard,
  type Step,
  type Technique,
} from '@seriatim/core/trade'
import { ArrowDown, ArrowUp, Trash2 } from 'lucide-react'
import { useState } from 'react'
import { MixCardNote } from './MixCardNote.tsx'
import { Modes } from './Modes.tsx'
import { PotRecord } from './PotRecord.tsx'
import { StepExtras } from './StepExtras.tsx'
import { Swatches } from './Swatches.tsx'
import { useTextOf } from './use-text-of.ts'
import { Button, CheckField, SelectField, Stepper, TextField } from '../../shared/ui/index.ts'
import { MixField } from '../../shared/mix-field.tsx'

interface StepEditorProps {
  readonly recipe: Recipe
  readonly step: Step
  readonly shelf: Shelf
  readonly takers: Takers
  readonly onChange: (step: Step) => void
  /** The same layer in so many colours, spread over the models. */
  readonly onSpread: (count: number) => void
  readonly onMove: (by: -1 | 1) => void
  readonly onRemove: () => void
}

/** One step of a stack; every field takes effect as soon as it is left. */
export function StepEditor({
  recipe,
  step,
  shelf,
  takers,
  onChange,
  onSpread,
  onMove,
  onRemove,
}: StepEditorProps) {
  const [mix, setMix] = useTextOf(textOfMix(step.mix, shelf))
  const [note, setNote] = useTextOf(step.note)
  const [fault, setFault] = useState<string | undefined>()
  const facts = factsOf(recipe, shelf).find((each) => each.step.id === step.id)
  const place = recipe.steps.findIndex((each) => each.id === step.id)

  const takeMix = () => {
    const read = mixOfText(mix, shelf, facts?.material ?? null)
    setFault(read.ok ? undefined : read.error)
    if (read.ok && JSON.stringify(read.value) !== JSON.stringify(step.mix))
      onChange({ ...step, mix: read.value })
  }
  // Something has to be left for it to land on.
  const toggle = (region: string, on: boolean) => {
    const next = recipe.regions
      .map(({ name }) => name)
      .filter((name) => (name === region ? on : landsOn(step, name)))
    if (next.length === 0) return
    if (step.on !== 'whole') onChange({ ...step, on: next })
    else
      onChange({
        ...step,
        except: recipe.regions.flatMap(({ name }) => (next.includes(name) ? [] : [name])),
      })
  }

  return (
    <div className="ticket mt-1 mb-2 grid gap-4 p-4">
      <div className="grid gap-4 sm:grid-cols-2 lg:grid-cols-4">
        <MixField
          label="Material or mix"
          shelf={shelf}
          hint="As on the shelf, or mixed: 3:1 translucent medium to moss green."
          value={mix}
          error={fault}
          onChange={(event) => setMix(event.target.value)}
          onBlur={takeMix}
          onKeyDown={(event) => event.key === 'Enter' && takeMix()}
          className="lg:col-span-2"
          autoFocus
        />
        <SelectField
          label="Technique"
          value={step.technique}
          options={techniques.map((value) => ({ value, text: value }))}
          onChange={(event) => onChange({ ...step, technique: event.target.value as Technique })}
        />
        <SelectField
          label="Needed from"
          value={step.standard}
          options={standards.map((value) => ({ value, text: value }))}
          onChange={(event) => onChange({ ...step, standard: event.target.value as Standard })}
        />
      </div>
      <div className="grid items-start gap-4 sm:grid-cols-[minmax(0,1fr)_18rem]">
        {facts ? (
          <MixCardNote
            facts={facts}
            shelf={shelf}
            takers={takers}
            onUse={(used) => onChange({ ...step, mix: used })}
          />
        ) : null}
        {facts?.material ? (
          <Swatches mix={step.mix} shelf={shelf} material={facts.material} coats={step.coats} />
        ) : null}
      </div>
      <PotRecord
        pot={mixText(step.mix, shelf).toLowerCase()}
        coats={step.coats}
        onCoats={(coats) => onChange({ ...step, coats })}
      />
      <fieldset>
        <legend className="text-sm font-bold">Lands on</legend>
        <div className="flex flex-wrap gap-x-3">
          <CheckField
            label={step.except.length > 0 ? 'all over but what is not ticked' : 'all over'}
            checked={step.on === 'whole'}
            onChange={(event) =>
              onChange({
                ...step,
                on: event.target.checked ? 'whole' : regionsOfStep(recipe, step),
                except: [],
              })
            }
          />
          {recipe.regions.map((region) => (
            <CheckField
              key={region.name}
              label={region.name}
              checked={landsOn(step, region.name)}
              onChange={(event) => toggle(region.name, event.target.checked)}
            />
          ))}
        </div>
      </fieldset>
      <div className="grid gap-4 sm:grid-cols-[10rem_minmax(0,1fr)]">
        <SelectField
          label="How much of it"
          value={step.extent}
          options={extents.map((value) => ({ value, text: value }))}
          onChange={(event) => onChange({ ...step, extent: event.target.value as Extent })}
        />
        <TextField
          label="How"
          value={note}
          maxLength={400}
          onChange={(event) => setNote(event.target.value)}
          onBlur={() => note.trim() !== step.note && onChange({ ...step, note: note.trim() })}
        />
      </div>
      <StepExtras
        recipe={recipe}
        step={step}
        shelf={shelf}
        sprayed={facts?.sprayed ?? false}
        onChange={onChange}
      />
      <Modes recipe={recipe} step={step} shelf={shelf} takers={takers} onChange={onChange} />
      <div className="flex flex-wrap items-center gap-3">
        <Stepper
          label="Coats"
          value={step.coats}
          min={1}
          max={9}
          onChange={(coats) => onChange({ ...step, coats })}
        />
        <Button onClick={() => onMove(1)} disabled={place === recipe.steps.length - 1}>
          <ArrowUp aria-hidden="true" size={18} /> Over the next
        </Button>
        <Button onClick={() => onMove(-1)} disabled={place === 0}>
          <ArrowDown aria-hidden="true" size={18} /> Under the last
        </Button>
        {step.roles.length === 0 ? (
          <SelectField
            label="Spread over the models"
            value=""
            options={[
              { value: '', text: 'one colour for all' },
              ...[2, 3, 4, 5, 6].map((count) => ({
                value: String(count),
                text: `in ${String(count)} colours`,
              })),
            ]}
            onChange={(event) => onSpread(Number(event.target.value))}
          />
        ) : null}
        <Button className="ml-auto" onClick={onRemove}>
          <Trash2 aria-hidden="true" size={18} /> Take out
        </Button>
      </div>
    </div>
  )
}
