import { modeTimes, type Shelf } from '@seriatim/core/recipe'
import { techniques, type Recipe, type Step, type Technique } from '@seriatim/core/trade'
import { seconds } from '@seriatim/core/units'
import { Trash2 } from 'lucide-react'
import { useState } from 'react'
import { durationText, minutesInputText, parseMinutesText, plural } from '../../shared/format/index.ts'
import { IconButton, SelectField, TextField } from '../../shared/ui/index.ts'

interface ModesProps {
  readonly recipe: Recipe
  readonly step: Step
  readonly shelf: Shelf
  readonly takers: { readonly models: number; readonly batches: number }
  readonly onChange: (step: Step) => void
}

type Mode = Step['otherModes'][number]

/** Other ways to do the same layer; the batch decides which is quicker. */
export function Modes({ recipe, step, shelf, takers, onChange }: ModesProps) {
  const { otherModes } = step
  const used = [step.technique, ...otherModes.map((mode) => mode.technique)]
  const set = (modes: readonly Mode[]) => onChange({ ...step, otherModes: modes })
  const times = modeTimes(recipe, step, shelf, takers)
  return (
    <details open={otherModes.length > 0}>
      <summary className="min-h-8 font-bold">Another way to do it</summary>
      <div className="mt-2 grid items-start gap-4 sm:grid-cols-2 lg:grid-cols-4">
        {otherModes.map((mode) => (
          <SetUpField
            key={mode.technique}
            mode={mode}
            onChange={(changed) =>
              set(otherModes.map((each) => (each.technique === changed.technique ? changed : each)))
            }
            onRemove={() => set(otherModes.filter((each) => each !== mode))}
          />
        ))}
        {otherModes.length < 5 ? (
          <SelectField
            label="Or by"
            value=""
            options={[
              { value: '', text: 'no other way' },
              ...techniques
                .filter((technique) => !used.includes(technique))
                .map((technique) => ({ value: technique, text: technique })),
            ]}
            onChange={(event) =>
              set([...otherModes, { technique: event.target.value as Technique, setUpSeconds: seconds(600) }])
            }
          />
        ) : null}
      </div>
      {otherModes.length > 0 && takers.models > 0 ? (
        <p className="figures mt-2 text-sm">
          {times
            .map(
              (mode, index) =>
                `${mode.technique} ${durationText(mode.seconds)}${index === 0 ? ', the quickest by itself' : ''}`,
            )
            .join('; ')}
          . For {plural(takers.models, 'model')} in {plural(takers.batches, 'batch', 'batches')}, with
          set-ups. The plan chooses for each batch, with its waits and what else is to do.
        </p>
      ) : null}
    </details>
  )
}

interface SetUpFieldProps {
  readonly mode: Mode
  readonly onChange: (mode: Mode) => void
  readonly onRemove: () => void
}

function SetUpField({ mode, onChange, onRemove }: SetUpFieldProps) {
  const [fault, setFault] = useState<string | undefined>()
  return (
    <div className="flex items-start gap-1">
      <TextField
        label={`By ${mode.technique}: set-up, minutes`}
        className="grow"
        defaultValue={minutesInputText(mode.setUpSeconds)}
        error={fault}
        hint="In each batch, with clean-up."
        onBlur={(event) => {
          const given = parseMinutesText(event.target.value)
          const good = given !== null && given <= 24 * 3600
          setFault(good ? undefined : 'Give minutes, such as 4½, up to a day.')
          if (good && given !== mode.setUpSeconds) onChange({ ...mode, setUpSeconds: seconds(given) })
        }}
      />
      <IconButton label={`Not by ${mode.technique}`} onClick={onRemove}>
        <Trash2 aria-hidden="true" size={18} />
      </IconButton>
    </div>
  )
}
