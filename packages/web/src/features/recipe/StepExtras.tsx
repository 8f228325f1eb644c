import type { Recipe, Step } from '@seriatim/core'
import { seconds } from '@seriatim/core'
import { useState } from 'react'
import { minutesInputText, parseMinutesText } from '../../shared/format/index.ts'
import { SelectField, TextField } from '../../shared/ui/index.ts'

interface StepExtrasProps {
  readonly recipe: Recipe
  readonly step: Step
  /** Goes on by can or airbrush. */
  readonly sprayed: boolean
  readonly onChange: (step: Step) => void
}

/** What few steps need: who alone takes it, wet-in-wet partners, its own drying, how it is sprayed. */
export function StepExtras({ recipe, step, sprayed, onChange }: StepExtrasProps) {
  const [dryFrom, setDryFrom] = useState(step.dryingSeconds ? minutesInputText(step.dryingSeconds.min) : '')
  const [dryTo, setDryTo] = useState(step.dryingSeconds ? minutesInputText(step.dryingSeconds.max) : '')
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
      <summary className="min-h-8 font-bold">Roles, wet-in-wet, drying{sprayed ? ', spray' : ''}</summary>
      <div className="mt-2 grid gap-4 sm:grid-cols-2 lg:grid-cols-4">
        <TextField
          label="Only for the roles"
          hint="With commas: leader, musician. Empty for all."
          defaultValue={step.roles.join(', ')}
          onBlur={(event) => {
            const roles = event.target.value.split(',').map((role) => role.trim())
            const named = roles.filter((role) => role !== '')
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
