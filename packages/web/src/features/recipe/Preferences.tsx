import type { Recipe, Unit } from '@seriatim/core/trade'
import type { UnitId } from '@seriatim/core/units'
import { Button, CheckField, SelectField, TextField } from '../../shared/ui/index.ts'
import { UnitChecks } from './UnitChecks.tsx'

interface PreferencesProps {
  readonly recipe: Recipe
  readonly units: readonly Unit[]
  readonly onFollow: (unitId: UnitId, follows: boolean) => void
  readonly onChange: (recipe: Recipe, said: string) => void
}

/** Questions on which schools differ, and rules that are silent here. */
export function Preferences({ recipe, units, onChange, onFollow }: PreferencesProps) {
  const { preferences, silenced } = recipe
  const set = (some: Partial<Recipe['preferences']>) =>
    onChange({ ...recipe, preferences: { ...preferences, ...some } }, '')
  return (
    <details className="ticket mt-6 p-4">
      <summary className="min-h-8 font-bold">
        Ways of this recipe{silenced.length > 0 ? `; ${String(silenced.length)} silent` : ''}
      </summary>
      <div className="mt-3 grid gap-4 sm:grid-cols-2 lg:grid-cols-4">
        <SelectField
          label="Main colour"
          value={preferences.mainColour}
          hint="First while nothing beside it can be soiled; last to cover slips."
          options={['either', 'first', 'last'].map((value) => ({ value, text: value }))}
          onChange={(event) => set({ mainColour: event.target.value as typeof preferences.mainColour })}
        />
        <SelectField
          label="Base"
          value={preferences.base}
          hint="First, its mess is painted over; last, nothing is soiled twice; meanwhile, it fills waits."
          options={['meanwhile', 'first', 'last'].map((value) => ({ value, text: value }))}
          onChange={(event) => set({ base: event.target.value as typeof preferences.base })}
        />
        <CheckField
          label="Translucents from light to dark"
          checked={preferences.lightBeforeDark}
          onChange={(event) => set({ lightBeforeDark: event.target.checked })}
        />
        <CheckField
          label="Careful throughout"
          checked={preferences.careful}
          onChange={(event) => set({ careful: event.target.checked })}
        />
      </div>
      <div className="mt-3">
        <UnitChecks legend="Followed by" units={units} chosen={recipe.unitIds} onCheck={onFollow} />
      </div>
      {silenced.map(({ rule, note }) => (
        <div key={rule} className="mt-2 flex flex-wrap items-end gap-3">
          <TextField
            label={`Rule ${rule} is silent, because`}
            className="min-w-60 grow"
            defaultValue={note}
            maxLength={200}
            onBlur={(event) => {
              const why = event.target.value.trim()
              if (why === '' || why === note) return
              onChange(
                {
                  ...recipe,
                  silenced: silenced.map((each) => (each.rule === rule ? { rule, note: why } : each)),
                },
                '',
              )
            }}
          />
          <Button
            weight="quiet"
            onClick={() =>
              onChange(
                { ...recipe, silenced: silenced.filter((each) => each.rule !== rule) },
                `Rule ${rule} speaks again.`,
              )
            }
          >
            Report it again
          </Button>
        </div>
      ))}
    </details>
  )
}
