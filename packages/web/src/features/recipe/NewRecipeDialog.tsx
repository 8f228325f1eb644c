import {
  bodyPlans,
  joinWords,
  recipeFromSchool,
  recipeSchools,
  type Project,
  type Recipe,
  type UnitId,
} from '@seriatim/core'
import { useState } from 'react'
import { v7 } from 'uuid'
import { Button, Dialog, SelectField } from '../../shared/ui/index.ts'
import { UnitChecks, withChecked } from './UnitChecks.tsx'

interface NewRecipeDialogProps {
  readonly project: Project
  readonly open: boolean
  readonly onOpenChange: (open: boolean) => void
  readonly onMake: (recipe: Recipe) => void
}

/** From nothing to a sound recipe: whom for, what kind of model, which school. */
export function NewRecipeDialog({ project, open, onOpenChange, onMake }: NewRecipeDialogProps) {
  const free = project.units.filter(
    (unit) => !project.recipes.some((recipe) => recipe.unitIds.includes(unit.id)),
  )
  const [chosen, setChosen] = useState<readonly UnitId[] | null>(null)
  const [planId, setPlanId] = useState('foot')
  const [schoolId, setSchoolId] = useState('translucent-over-bright')
  const unitIds = chosen ?? free.slice(0, 1).map((unit) => unit.id)

  const make = () => {
    const plan = bodyPlans.find((each) => each.id === planId) ?? bodyPlans[0]
    const school = recipeSchools.find((each) => each.id === schoolId) ?? recipeSchools[0]
    if (!plan || !school) return
    const units = project.units.filter((unit) => unitIds.includes(unit.id))
    const name = units.length > 0 ? joinWords(units.map((unit) => unit.name)) : school.name
    onMake({ ...recipeFromSchool(school, plan, name.slice(0, 120), v7), unitIds })
    setChosen(null)
  }

  return (
    <Dialog open={open} onOpenChange={onOpenChange} title="New recipe" wide>
      <div className="grid gap-4">
        {project.units.length > 0 ? (
          <UnitChecks
            legend="For"
            units={project.units}
            chosen={unitIds}
            onCheck={(unitId, checked) => setChosen(withChecked(unitIds, unitId, checked))}
          />
        ) : null}
        <SelectField
          label="Kind of model"
          value={planId}
          options={bodyPlans.map((plan) => ({ value: plan.id, text: plan.name }))}
          onChange={(event) => setPlanId(event.target.value)}
          hint={bodyPlans
            .find((plan) => plan.id === planId)
            ?.regions.map((region) => region.name)
            .join(', ')}
        />
        <fieldset className="grid gap-1">
          <legend className="text-sm font-bold">School</legend>
          {recipeSchools.map((school) => (
            <label
              key={school.id}
              className="flex gap-3 rounded-[3px] border-2 border-rule p-2 has-checked:border-ink has-checked:bg-paper-dim"
            >
              <input
                type="radio"
                name="school"
                className="mt-1 size-5 shrink-0 accent-ink"
                checked={schoolId === school.id}
                onChange={() => setSchoolId(school.id)}
              />
              <span>
                <b>{school.name}.</b> {school.idea}{' '}
                <span className="text-ink-soft">
                  Good: {school.good}. Less good: {school.bad}.
                </span>
              </span>
            </label>
          ))}
        </fieldset>
        <Button weight="main" onClick={make}>
          Make the recipe
        </Button>
      </div>
    </Dialog>
  )
}
