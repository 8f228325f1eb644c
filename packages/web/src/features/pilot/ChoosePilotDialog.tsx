import type { Unit } from '@seriatim/core/trade'
import type { ModelId } from '@seriatim/core/units'
import { plural } from '../../shared/format/index.ts'
import { ModelChecks, useChosenModels } from '../../shared/model-checks.tsx'
import { Button, Dialog } from '../../shared/ui/index.ts'

interface ChoosePilotDialogProps {
  readonly unit: Unit
  readonly onClose: () => void
  readonly onChoose: (pilot: readonly ModelId[]) => void
}

/** Who goes first: a plain trooper tells most of the rest. */
export function ChoosePilotDialog({ unit, onClose, onChoose }: ChoosePilotDialogProps) {
  const { chosen, toggle, among } = useChosenModels(unit.pilot)
  return (
    <Dialog
      open
      onOpenChange={onClose}
      title={`The pilot of ${unit.name}`}
      description="One model, or three to five. A plain trooper tells most of the others."
    >
      <ModelChecks models={unit.models} chosen={chosen} onToggle={toggle} />
      <Button weight="main" className="mt-4" onClick={() => onChoose(among(unit.models))}>
        {chosen.size === 0 ? 'No pilot' : `${plural(chosen.size, 'model')} first`}
      </Button>
    </Dialog>
  )
}
