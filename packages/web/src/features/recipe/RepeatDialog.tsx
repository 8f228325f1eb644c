import { recipeAsDone } from '@seriatim/core/ordering'
import type { Progress } from '@seriatim/core/progress'
import type { Shelf } from '@seriatim/core/recipe'
import type { Project, Recipe } from '@seriatim/core/trade'
import type { UnitId } from '@seriatim/core/units'
import { useMemo, useState } from 'react'
import { v7 } from 'uuid'
import { plural } from '../../shared/format/index.ts'
import { Button, Dialog, SelectField } from '../../shared/ui/index.ts'
import { DifferenceList } from './DifferenceList.tsx'
import { UnitChecks, withChecked } from './UnitChecks.tsx'

interface RepeatDialogProps {
  readonly project: Project
  readonly progress: Progress
  readonly recipe: Recipe
  readonly shelf: Shelf
  readonly onClose: () => void
  readonly onMake: (recipe: Recipe) => void
}

/** The second squad painted exactly as the first really was: by the record, not by the plan. */
export function RepeatDialog({ project, progress, recipe, shelf, onClose, onMake }: RepeatDialogProps) {
  const done = useMemo(
    () =>
      project.units
        .filter((unit) => recipe.unitIds.includes(unit.id))
        .flatMap((unit) => {
          const asDone = recipeAsDone(project, progress, recipe, unit, shelf, v7)
          return asDone ? [{ unit, asDone }] : []
        }),
    [project, progress, recipe, shelf],
  )
  const [chosenId, setChosenId] = useState<UnitId | null>(null)
  const [unitIds, setUnitIds] = useState<readonly UnitId[]>([])
  const chosen = done.find(({ unit }) => unit.id === chosenId) ?? done[0]

  return (
    <Dialog
      open
      onOpenChange={onClose}
      title="Repeat as it was really done"
      description="Layers in the order in which they went on, without those no model had; with your pace and what to look out for."
      wide
    >
      {chosen ? (
        <div className="grid gap-4">
          <SelectField
            label="As on"
            value={chosen.unit.id}
            options={done.map(({ unit }) => ({ value: unit.id, text: unit.name }))}
            onChange={(event) => setChosenId(event.target.value as UnitId)}
          />
          <section aria-label="What differs from the recipe">
            <p className="text-sm font-bold">
              {chosen.asDone.differences.length === 0
                ? 'They were painted exactly as the recipe says.'
                : 'Other than the recipe says'}
            </p>
            <DifferenceList
              differences={chosen.asDone.differences}
              remark={chosen.asDone.unfinished > 0 ? unfinishedText(chosen.asDone.unfinished) : null}
            />
          </section>
          <UnitChecks
            legend="For"
            units={project.units.filter((unit) => unit.id !== chosen.unit.id)}
            chosen={unitIds}
            onCheck={(unitId, checked) => setUnitIds(withChecked(unitIds, unitId, checked))}
          />
          <Button weight="main" onClick={() => onMake({ ...chosen.asDone.recipe, unitIds })}>
            Make the recipe
          </Button>
        </div>
      ) : (
        <p>
          Nothing of this recipe is punched yet. Once the stages follow it and models are through its stages,
          the record can be repeated here.
        </p>
      )}
    </Dialog>
  )
}

function unfinishedText(count: number): string {
  return `${plural(count, 'model')} of them ${count === 1 ? 'is' : 'are'} not finished: what no model has so far counts as left out.`
}
