import type { Unit } from '@seriatim/core/trade'
import type { UnitId } from '@seriatim/core/units'
import { CheckField } from '../../shared/ui/index.ts'

interface UnitChecksProps {
  readonly legend: string
  readonly units: readonly Unit[]
  readonly chosen: readonly UnitId[]
  readonly onCheck: (unitId: UnitId, checked: boolean) => void
}

/** Units to tick. */
export function UnitChecks({ legend, units, chosen, onCheck }: UnitChecksProps) {
  return (
    <fieldset>
      <legend className="text-sm font-bold">{legend}</legend>
      <div className="flex flex-wrap gap-x-3">
        {units.map((unit) => (
          <CheckField
            key={unit.id}
            label={unit.name}
            checked={chosen.includes(unit.id)}
            onChange={(event) => onCheck(unit.id, event.target.checked)}
          />
        ))}
      </div>
    </fieldset>
  )
}

/** The chosen with one more or one less. */
export function withChecked(chosen: readonly UnitId[], unitId: UnitId, checked: boolean): readonly UnitId[] {
  return checked ? [...chosen, unitId] : chosen.filter((each) => each !== unitId)
}
