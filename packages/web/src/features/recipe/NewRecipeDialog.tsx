import {
  adaptRecipe,
  bodyPlans,
  instant,
  joinWords,
  recipeFromSchool,
  recipeSchools,
  starterShelf,
  type Project,
  type Recipe,
  type Shelf,
  type UnitId,
} from '@seriatim/core'
import { useMemo, useState } from 'react'
import { v7 } from 'uuid'
import { clockNow } from '../../shared/clock.ts'
import { Button, CheckField, Dialog, SelectField } from '../../shared/ui/index.ts'
import { useWays } from '../../shared/worker/index.ts'
import { UnitChecks, withChecked } from './UnitChecks.tsx'
import { WayChoice, type Way } from './WayChoice.tsx'

interface NewRecipeDialogProps {
  readonly project: Project
  readonly shelf: Shelf
  readonly open: boolean
  readonly onOpenChange: (open: boolean) => void
  readonly onMake: (recipe: Recipe) => void
}

/** From nothing to a sound recipe: whom for, what kind of model, which school or kept recipe, by what each comes to. */
export function NewRecipeDialog(props: NewRecipeDialogProps) {
  return (
    <Dialog open={props.open} onOpenChange={props.onOpenChange} title="New recipe" wide>
      <Choices {...props} />
    </Dialog>
  )
}

/** A way with the recipe it comes to. */
interface Candidate extends Way {
  readonly recipe: Recipe
}

function Choices({ project, shelf, onMake }: NewRecipeDialogProps) {
  const free = project.units.filter(
    (unit) => !project.recipes.some((recipe) => recipe.unitIds.includes(unit.id)),
  )
  const [chosen, setChosen] = useState<readonly UnitId[] | null>(null)
  const [planId, setPlanId] = useState('foot')
  const [wayId, setWayId] = useState('translucent-over-bright')
  const [unbuilt, setUnbuilt] = useState(false)
  const unitIds = chosen ?? free.slice(0, 1).map((unit) => unit.id)
  const candidates = useMemo(
    () => candidatesFor(project.recipes, planId, unbuilt),
    [project.recipes, planId, unbuilt],
  )
  const units = project.units.filter((unit) => unitIds.includes(unit.id))
  // What a school takes and the shelf has not is not in stock.
  const input = useMemo(() => {
    const all = [...starterShelf.map((material) => ({ ...material, stockMl: 0 })), ...shelf.values()]
    return {
      project,
      shelf: new Map(all.map((material) => [material.id, material])),
      now: instant(clockNow()),
    }
  }, [project, shelf])
  const outcomes = useWays(
    input,
    units,
    candidates.map((each) => each.recipe),
  )

  const make = () => {
    const way = candidates.find((each) => each.id === wayId) ?? candidates[0]
    if (!way) return
    const name = units.length > 0 ? joinWords(units.map((unit) => unit.name)) : way.name
    onMake({ ...way.recipe, name: name.slice(0, 120), unitIds })
  }

  return (
    <div className="grid gap-4">
      {project.units.length > 0 ? (
        <UnitChecks
          legend="For"
          units={project.units}
          chosen={unitIds}
          onCheck={(unitId, checked) => setChosen(withChecked(unitIds, unitId, checked))}
        />
      ) : null}
      <div className="grid items-end gap-4 sm:grid-cols-2">
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
        <CheckField
          label="Unbuilt: wash, cut, glue and mount them first"
          checked={unbuilt}
          onChange={(event) => setUnbuilt(event.target.checked)}
        />
      </div>
      <fieldset className="grid gap-1">
        <legend className="text-sm font-bold">
          {units.length > 0
            ? 'Which way? Figures are for these models alone, to their standard'
            : 'Which way? Choose a unit to see what each comes to'}
        </legend>
        {candidates.map((way, index) => (
          <WayChoice
            key={way.id}
            way={way}
            outcome={units.length > 0 ? outcomes[index] : null}
            timeZone={project.evenings.timeZone}
            checked={wayId === way.id}
            onChoose={() => setWayId(way.id)}
          />
        ))}
      </fieldset>
      <Button weight="main" onClick={make}>
        Make the recipe
      </Button>
    </div>
  )
}

/** The nine schools, then the project's own recipes, each for this kind of model. */
function candidatesFor(recipes: readonly Recipe[], planId: string, unbuilt: boolean): readonly Candidate[] {
  const plan = bodyPlans.find((each) => each.id === planId) ?? bodyPlans[0]
  if (!plan) return []
  const schools = recipeSchools.map((school): Candidate => ({
    id: school.id,
    name: school.name,
    idea: school.idea,
    strong: school.good,
    weak: school.bad,
    lost: [],
    recipe: recipeFromSchool(school, plan, school.name, v7, { unbuilt }),
  }))
  const kept = recipes.map((recipe): Candidate => {
    const { recipe: adapted, lost } = adaptRecipe(recipe, plan, recipe.name, v7)
    const from = recipeSchools.find((school) => school.id === recipe.school)?.name.toLowerCase()
    return {
      id: recipe.id,
      name: `As ${recipe.name}`,
      idea: `Your own recipe${from ? `, by ${from}` : ''}, with its notes and mixes.`,
      strong: '',
      weak: '',
      lost,
      recipe: adapted,
    }
  })
  return [...schools, ...kept]
}
