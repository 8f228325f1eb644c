import { touchedRegions, type Project } from '@seriatim/core/trade'
import type { ModelId } from '@seriatim/core/units'
import { useState } from 'react'
import { Button, CheckField, Dialog, SelectField, TextField } from '../../shared/ui/index.ts'
import type { TouchUpWish } from './BenchPage.tsx'

interface TouchUpDialogProps {
  readonly wish: TouchUpWish
  readonly project: Project
  readonly onClose: () => void
  readonly onNote: (modelIds: readonly ModelId[], note: string, region: string | null) => void
}

/** Notes a slip or a missed part: which models, and what. */
export function TouchUpDialog({ wish, project, onClose, onNote }: TouchUpDialogProps) {
  const models = project.units
    .flatMap((unit) => unit.models)
    .filter((model) => wish.modelIds.includes(model.id))
  const [chosen, setChosen] = useState<readonly ModelId[]>(
    models.length === 1 ? models.map((model) => model.id) : [],
  )
  const [note, setNote] = useState('')
  const [region, setRegion] = useState('')
  const regions = regionsUnder(project, wish)
  const toggle = (id: ModelId) =>
    setChosen(chosen.includes(id) ? chosen.filter((each) => each !== id) : [...chosen, id])
  return (
    <Dialog
      open
      onOpenChange={onClose}
      title={`Touch-up: ${wish.stage.name}`}
      description="A slip or a missed part to come back to."
    >
      <form
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault()
          if (chosen.length > 0) onNote(chosen, note.trim(), region === '' ? null : region)
        }}
      >
        <TextField
          label="What"
          placeholder="bare undercoat behind the shield"
          maxLength={400}
          autoFocus
          value={note}
          onChange={(event) => setNote(event.target.value)}
        />
        {regions.length > 1 ? (
          <SelectField
            label="Where"
            value={region}
            options={[{ value: '', text: 'all over' }, ...regions.map((value) => ({ value, text: value }))]}
            onChange={(event) => setRegion(event.target.value)}
          />
        ) : null}
        <fieldset>
          <legend className="text-sm font-bold">On which models</legend>
          <div className="grid max-h-64 grid-cols-2 overflow-y-auto">
            {models.map((model) => (
              <CheckField
                key={model.id}
                label={model.name}
                checked={chosen.includes(model.id)}
                onChange={() => toggle(model.id)}
              />
            ))}
          </div>
        </fieldset>
        <Button type="submit" weight="main" disabled={chosen.length === 0}>
          Save
        </Button>
      </form>
    </Dialog>
  )
}

/** The regions that the stage covers on these models, as their recipes name them. */
function regionsUnder(project: Project, { stage, modelIds }: TouchUpWish): readonly string[] {
  const touched = touchedRegions(stage.touch)
  const units = project.units.filter((unit) => unit.models.some((model) => modelIds.includes(model.id)))
  const names = project.recipes
    .filter((recipe) => units.some((unit) => recipe.unitIds.includes(unit.id)))
    .flatMap((recipe) => recipe.regions.map((region) => region.name))
  return [...new Set(names)].filter(
    (name) => touched === 'whole' || touched.includes(name.trim().toLowerCase()),
  )
}
