import type { ModelId, Unit, UnitId } from '@seriatim/core'
import { useState } from 'react'
import { plural } from '../../shared/format/index.ts'
import { Button, CheckField, Dialog, SelectField } from '../../shared/ui/index.ts'

interface OwnBatchDialogProps {
  readonly units: readonly Unit[]
  readonly onClose: () => void
  readonly onChoose: (unitId: UnitId, modelIds: readonly ModelId[]) => void
}

/** Models of one unit that are to go down the line together, chosen by hand. */
export function OwnBatchDialog({ units, onClose, onChoose }: OwnBatchDialogProps) {
  const [unitId, setUnitId] = useState(units[0]?.id)
  const [chosen, setChosen] = useState<ReadonlySet<ModelId>>(new Set())
  const unit = units.find((each) => each.id === unitId)
  const toggle = (id: ModelId) => {
    const next = new Set(chosen)
    if (!next.delete(id)) next.add(id)
    setChosen(next)
  }
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
              setChosen(new Set())
            }}
            options={units.map((each) => ({ value: each.id, text: each.name }))}
          />
          <ul className="mt-3 grid gap-x-4 sm:grid-cols-2">
            {unit.models.map((model) => (
              <li key={model.id}>
                <CheckField
                  label={model.role === 'trooper' ? model.name : `${model.name}, ${model.role}`}
                  checked={chosen.has(model.id)}
                  onChange={() => toggle(model.id)}
                />
              </li>
            ))}
          </ul>
          <Button
            weight="main"
            className="mt-4"
            disabled={chosen.size === 0}
            onClick={() =>
              onChoose(
                unit.id,
                unit.models.flatMap((model) => (chosen.has(model.id) ? [model.id] : [])),
              )
            }
          >
            {chosen.size === 0 ? 'Choose its models' : `${plural(chosen.size, 'model')} together`}
          </Button>
        </>
      ) : null}
    </Dialog>
  )
}
