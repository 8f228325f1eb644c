import { MixField } from '../../shared/mix-field.tsx'
import type { Shelf } from '@seriatim/core/recipe'
import type { Recipe, Step } from '@seriatim/core/trade'
import { seconds, type MaterialId } from '@seriatim/core/units'
import { useState } from 'react'
import { minutesInputText, parseMinutesText } from '../../shared/format/index.ts'
import { splitNames } from '../../shared/split-names.ts'
import { SelectField, TextField } from '../../shared/ui/index.ts'
import { useTextOf } from './use-text-of.ts'

interface StepExtrasProps {
  readonly recipe: Recipe
  readonly step: Step
  readonly shelf: Shelf
  /** Goes on by can or airbrush. */
  readonly sprayed: boolean
  readonly onChange: (step: Step) => void
}

/** What few steps need: who alone takes it, wet-in-wet partners, its own drying, how it is sprayed. */
export function StepExtras({ recipe, step, shelf, sprayed, onChange }: StepExtrasProps) {
  const [dryFrom, setDryFrom] = useTextOf(step.dryingSeconds ? minutesInputText(step.dryingSeconds.min) : '')
  const [dryTo, setDryTo] = useTextOf(step.dryingSeconds ? minutesInputText(step.dryingSeconds.max) : '')
  const [fault, setFault] = useState<string | undefined>()
  const groups = [...new Set(recipe.steps.flatMap((each) => each.wetGroup ?? []))]

  const takeDrying = () => {
    if (dryFrom.trim() === '' && dryTo.trim() === '') {
      setFault(undefined)
      if (step.dryingSeconds) onChange({ ...step, dryingSeconds: null })
      return
    }
    const [min, max] = [parseMinutesText(dryFrom), parseMinutesText(dryTo || dryFrom)]
    if (min === null || max === null) {
      setFault('Give minutes, or 8 h; leave both empty for the material’s own.')
      return
    }
    if (max < min) {
      setFault('The longest cannot be shorter than the shortest.')
      return
    }
    setFault(undefined)
    onChange({ ...step, dryingSeconds: { min: seconds(min), max: seconds(max) } })
  }
  const spray = step.spray ?? { from: 'all round' as const, bar: null, nozzleMm: null, thinning: null }

  return (
    <details>
      <summary className="min-h-8 font-bold">
        Roles, wet-in-wet, drying, substitutes{sprayed ? ', spray' : ''}
      </summary>
      <div className="mt-2 grid gap-4 sm:grid-cols-2 lg:grid-cols-4">
        <TextField
          label="Only for the roles or variants"
          hint="With commas: leader, cloak. Empty for all."
          key={step.roles.join()}
          defaultValue={step.roles.join(', ')}
          onBlur={(event) => {
            const named = splitNames(event.target.value, ',')
            if (named.join() !== step.roles.join()) onChange({ ...step, roles: named })
          }}
        />
        <SelectField
          label="Wet into wet"
          hint="Partners are done together, model by model."
          value={step.wetGroup ?? ''}
          options={[
            { value: '', text: 'no' },
            ...groups.map((group) => ({ value: group, text: `with “${group}”` })),
            ...(step.wetGroup === null
              ? [{ value: `group ${String(groups.length + 1)}`, text: 'a new group' }]
              : []),
          ]}
          onChange={(event) => onChange({ ...step, wetGroup: event.target.value || null })}
        />
        <TextField
          label="Dry from, minutes"
          value={dryFrom}
          error={fault}
          hint="Empty: as the material says."
          onChange={(event) => setDryFrom(event.target.value)}
          onBlur={takeDrying}
        />
        <TextField
          label="Dry to, minutes"
          value={dryTo}
          onChange={(event) => setDryTo(event.target.value)}
          onBlur={takeDrying}
        />
        <NumberField
          label="How many, by themselves"
          value={step.count}
          most={500}
          onChange={(count) =>
            onChange({ ...step, count: count === null ? null : Math.max(1, Math.round(count)) })
          }
        />
        <Substitutes step={step} shelf={shelf} onChange={onChange} />
        {sprayed ? (
          <>
            <SelectField
              label="Sprayed from"
              value={spray.from}
              options={['all round', 'above', 'below'].map((value) => ({ value, text: value }))}
              onChange={(event) =>
                onChange({ ...step, spray: { ...spray, from: event.target.value as typeof spray.from } })
              }
            />
            {sprayFields.map(({ key, label, most }) => (
              <NumberField
                key={key}
                label={label}
                value={spray[key]}
                most={most}
                onChange={(value) => onChange({ ...step, spray: { ...spray, [key]: value } })}
              />
            ))}
          </>
        ) : null}
      </div>
    </details>
  )
}

interface SubstitutesProps {
  readonly step: Step
  readonly shelf: Shelf
  readonly onChange: (step: Step) => void
}

/** What goes on when the pot is missing, the best match first. */
function Substitutes({ step, shelf, onChange }: SubstitutesProps) {
  const [fault, setFault] = useState<string | undefined>()
  return (
    <MixField
      shelf={shelf}
      label="If the pot is missing"
      hint="Materials of the shelf, with semicolons."
      key={step.substitutes.join()}
      defaultValue={step.substitutes.map((id) => shelf.get(id)?.name ?? '').join('; ')}
      error={fault}
      onBlur={(event) => {
        const names = splitNames(event.target.value, ';')
        const unknown = names.find((name) => idOf(name, shelf) === undefined)
        setFault(unknown === undefined ? undefined : `“${unknown}” is not on the shelf.`)
        const substitutes = names.flatMap((name) => idOf(name, shelf) ?? []).slice(0, 10)
        if (unknown === undefined && substitutes.join() !== step.substitutes.join())
          onChange({ ...step, substitutes })
      }}
    />
  )
}

function idOf(name: string, shelf: Shelf): MaterialId | undefined {
  return [...shelf.values()].find((material) => material.name.toLowerCase() === name.toLowerCase())?.id
}

const sprayFields = [
  { key: 'bar', label: 'Pressure, bar', most: 10 },
  { key: 'nozzleMm', label: 'Nozzle, mm', most: 3 },
  { key: 'thinning', label: 'Thinner to 1 of paint', most: 20 },
] as const

interface NumberFieldProps {
  readonly label: string
  readonly value: number | null
  readonly most: number
  readonly onChange: (value: number | null) => void
}

function NumberField({ label, value, most, onChange }: NumberFieldProps) {
  const [fault, setFault] = useState<string | undefined>()
  return (
    <TextField
      label={label}
      inputMode="decimal"
      defaultValue={value === null ? '' : String(value)}
      error={fault}
      onBlur={(event) => {
        const text = event.target.value.trim().replace(',', '.')
        const number = text === '' ? null : Number(text)
        const good = number === null || (number > 0 && number <= most)
        setFault(good ? undefined : `Give a number up to ${String(most)}, or nothing.`)
        if (good && number !== value) onChange(number)
      }}
    />
  )
}
