import type { ModelId, Unit } from '@seriatim/core'
import { useState } from 'react'
import { plural } from '../../shared/format/index.ts'
import { Button, CheckField, Dialog } from '../../shared/ui/index.ts'

interface ChoosePilotDialogProps {
  readonly unit: Unit
  readonly onClose: () => void
  readonly onChoose: (pilot: readonly ModelId[]) => void
}

/** Who goes first: a plain trooper tells most of the rest. */
export function ChoosePilotDialog({ unit, onClose, onChoose }: ChoosePilotDialogProps) {
  const [chosen, setChosen] = useState<ReadonlySet<ModelId>>(new Set(unit.pilot))
  const toggle = (id: ModelId) => {
    const next = new Set(chosen)
    if (!next.delete(id)) next.add(id)
    setChosen(next)
  }
  return (
    <Dialog
      open
      onOpenChange={onClose}
      title={`The pilot of ${unit.name}`}
      description="One model, or three to five. A plain trooper tells most of the others."
    >
      <ul className="grid gap-x-4 sm:grid-cols-2">
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
        onClick={() => onChoose(unit.models.flatMap((model) => (chosen.has(model.id) ? [model.id] : [])))}
      >
        {chosen.size === 0 ? 'No pilot' : `${plural(chosen.size, 'model')} first`}
      </Button>
    </Dialog>
  )
}
