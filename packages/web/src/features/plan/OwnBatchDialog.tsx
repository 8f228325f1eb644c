import type { Unit } from '@seriatim/core/trade'
import type { ModelId, UnitId } from '@seriatim/core/units'
import { useState } from 'react'
import { plural } from '../../shared/format/index.ts'
import { ModelChecks, useChosenModels } from '../../shared/model-checks.tsx'
import { Button, Dialog, SelectField } from '../../shared/ui/index.ts'

interface OwnBatchDialogProps {
  readonly units: readonly Unit[]
  readonly onClose: () => void
  readonly onChoose: (unitId: UnitId, modelIds: readonly ModelId[]) => void
}

/** Models of one unit that are to go down the line together, chosen by hand. */
export function OwnBatchDialog({ units, onClose, onChoose }: OwnBatchDialogProps) {
  const [unitId, setUnitId] = useState(units[0]?.id)
  const { chosen, toggle, clear, among } = useChosenModels()
  const unit = units.find((each) => each.id === unitId)
  return (
    <Dialog
      open
      onOpenChange={onClose}
      title="A batch of my own"
      description={
        unit
          ? 'These go together; a model leaves the batch it was kept in.'
          : 'A batch has several models of one unit, and no unit here has two.'
      }
    >
      {unit ? (
        <>
          <SelectField
            label="Unit"
            value={unit.id}
            onChange={(event) => {
              setUnitId(event.target.value as UnitId)
              clear()
            }}
            options={units.map((each) => ({ value: each.id, text: each.name }))}
          />
          <ModelChecks models={unit.models} chosen={chosen} onToggle={toggle} />
          <Button
            weight="main"
            className="mt-4"
            disabled={chosen.size === 0}
            onClick={() => onChoose(unit.id, among(unit.models))}
          >
            {chosen.size === 0 ? 'Choose its models' : `${plural(chosen.size, 'model')} together`}
          </Button>
        </>
      ) : null}
    </Dialog>
  )
}
