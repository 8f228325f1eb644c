import type { FigureSources } from '@seriatim/core/estimating'
import { starterShelf } from '@seriatim/core/presets'
import {
  adaptRecipe,
  type BodyPlan,
  bodyPlans,
  fitToShelf,
  joinWords,
  recipeFromSchool,
  recipeSchools,
  type Shelf,
} from '@seriatim/core/recipe'
import { plainPreferences, type Material, type Project, type Recipe, type Step } from '@seriatim/core/trade'
import type { RecipeId, UnitId } from '@seriatim/core/units'
import type { RecipeFile } from '@seriatim/contract'
import { useMemo, useState } from 'react'
import { v7 } from 'uuid'
import { useLibrary } from '../../shared/api/index.ts'
import { Button, CheckField, Dialog, SelectField } from '../../shared/ui/index.ts'
import { WayTable, type Way } from '../../shared/ways/index.ts'
import { useWays } from '../../shared/worker/index.ts'
import { plural } from '../../shared/format/index.ts'
import { BringRecipe } from './BringRecipe.tsx'
import { NotesField, readNotes } from './NotesField.tsx'
import { UnitChecks, withChecked } from './UnitChecks.tsx'

interface NewRecipeDialogProps {
  readonly project: Project
  readonly shelf: Shelf
  /** What the project's figures follow from; `undefined` until it is there. */
  readonly sources: FigureSources | undefined
  readonly open: boolean
  readonly onOpenChange: (open: boolean) => void
  /** With the materials it brings along from elsewhere. */
  readonly onMake: (recipe: Recipe, materials: readonly Material[]) => void
}

/** From nothing to a sound recipe: whom for, what kind of model, which school or kept recipe, by what each comes to. */
export function NewRecipeDialog(props: NewRecipeDialogProps) {
  return (
    <Dialog open={props.open} onOpenChange={props.onOpenChange} title="New recipe" wide>
      <Choices {...props} />
    </Dialog>
  )
}

/** So many recipes of other projects are weighed; those for this kind of model alone. */
const mostFromElsewhere = 12

/** A recipe of this project, of another, or out of a file with the materials it is made of. */
interface Kept {
  readonly from: string
  readonly recipe: Recipe
  readonly materials: readonly Material[]
}

/** A way with the recipe it comes to. */
interface Candidate extends Way {
  readonly recipe: Recipe
  readonly materials: readonly Material[]
}

function Choices({ project, shelf, sources, onMake }: NewRecipeDialogProps) {
  const free = useMemo(
    () => project.units.filter((unit) => !project.recipes.some((recipe) => recipe.unitIds.includes(unit.id))),
    [project],
  )
  const [chosen, setChosen] = useState<readonly UnitId[] | null>(null)
  const [planId, setPlanId] = useState('foot')
  const [wayId, setWayId] = useState('translucent-over-bright')
  const [unbuilt, setUnbuilt] = useState(false)
  const [notes, setNotes] = useState('')
  const [brought, setBrought] = useState<readonly RecipeFile[]>([])
  const library = useLibrary(project.id)
  const unitIds = useMemo(() => chosen ?? free.slice(0, 1).map((unit) => unit.id), [chosen, free])
  const kept = useMemo(
    () => [
      ...project.recipes.map((recipe): Kept => ({ from: '', recipe, materials: [] })),
      ...(library.data?.kept ?? [])
        .filter((each) => each.recipe.bodyPlan === planId)
        .slice(0, mostFromElsewhere)
        .map((each): Kept => ({ from: each.project, recipe: each.recipe, materials: [] })),
      ...brought.map(({ recipe, materials }): Kept => ({ from: 'a file', recipe, materials })),
    ],
    [project.recipes, library.data, brought, planId],
  )
  const known = useMemo(() => withUsual(shelf), [shelf])
  const read = useMemo(() => readNotes(notes, planOf(planId).regions, known), [notes, planId, known])
  const ways = useMemo(() => candidatesFor(kept, planId, unbuilt, shelf), [kept, planId, unbuilt, shelf])
  const written = useMemo(
    () => (read && read.steps.length > 0 ? [asWritten(read.steps, planId)] : []),
    [read, planId],
  )
  const candidates = [...written, ...ways]
  // A letter typed makes none of the other ways anew.
  const writtenFollowed = useMemo(() => followedBy(written, unitIds), [written, unitIds])
  const waysFollowed = useMemo(() => followedBy(ways, unitIds), [ways, unitIds])
  const units = project.units.filter((unit) => unitIds.includes(unit.id))
  // What a school takes and the shelf has not is not in stock.
  const asked = useMemo(() => {
    const elsewhere = [...starterShelf, ...brought.flatMap((file) => file.materials)]
    const all = [...elsewhere.map((material) => ({ ...material, stockMl: 0 })), ...shelf.values()]
    return sources && { ...sources, shelf: new Map(all.map((material) => [material.id, material])) }
  }, [sources, shelf, brought])
  const outcomes = useWays(asked, units, [...writtenFollowed, ...waysFollowed])

  const make = () => {
    const way = candidates.find((each) => each.id === wayId) ?? candidates[0]
    if (!way) return
    const name = units.length > 0 ? joinWords(units.map((unit) => unit.name)) : way.name
    onMake({ ...way.recipe, name: name.slice(0, 120), unitIds }, way.materials)
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
      <NotesField
        label="Write it as you would say it, or choose a way below"
        rows={notes === '' ? 2 : 8}
        text={notes}
        read={read}
        onChange={(text) => {
          setNotes(text)
          setWayId(text.trim() === '' ? 'translucent-over-bright' : writtenId)
        }}
      />
      <WayTable
        legend={
          units.length > 0
            ? 'Which way? Figures are for these models alone, to their standard'
            : 'Which way? Choose a unit to see what each comes to'
        }
        ways={candidates}
        outcomes={candidates.map((_, index) => (units.length > 0 ? outcomes[index] : null))}
        chosen={wayId}
        timeZone={project.evenings.timeZone}
        onChoose={setWayId}
      />
      <BringRecipe onBring={(file) => setBrought([...brought, file])} />
      <Button weight="main" onClick={make}>
        Make the recipe
      </Button>
    </div>
  )
}

function followedBy(ways: readonly Candidate[], unitIds: readonly UnitId[]): readonly (readonly Recipe[])[] {
  return ways.map(({ recipe }) => [{ ...recipe, unitIds }])
}

const writtenId = 'as written'

function planOf(id: string): BodyPlan {
  const plan = bodyPlans.find((each) => each.id === id) ?? bodyPlans[0]
  if (!plan) throw new RangeError(`no body plan ${id}`)
  return plan
}

/** What is usual beside what is on the shelf, under names that are not taken. */
function withUsual(shelf: Shelf): Shelf {
  const names = new Set([...shelf.values()].map(({ name }) => name))
  const others = starterShelf.filter(({ id, name }) => !shelf.has(id) && !names.has(name))
  return new Map([...shelf, ...others.map((material) => [material.id, material] as const)])
}

/** The layers of a note on the parts of this kind of model. */
function asWritten(steps: readonly Step[], planId: string): Candidate {
  const plan = planOf(planId)
  return {
    id: writtenId,
    name: 'As you wrote it',
    idea: `${plural(steps.length, 'layer')}, in your own words.`,
    strong: '',
    weak: '',
    lost: [],
    recipe: {
      id: v7() as RecipeId,
      name: 'As written',
      unitIds: [],
      school: '',
      bodyPlan: plan.id,
      regions: plan.regions,
      subAssemblies: plan.subAssemblies,
      steps,
      preferences: plainPreferences,
      silenced: [],
      versions: [],
    },
    materials: starterShelf,
  }
}

/** The nine schools, then what is kept, each for this kind of model and of what is on the shelf. */
function candidatesFor(
  kept: readonly Kept[],
  planId: string,
  unbuilt: boolean,
  shelf: Shelf,
): readonly Candidate[] {
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
    materials: starterShelf,
  }))
  const own = kept.map(({ from, recipe, materials }): Candidate => {
    const { recipe: adapted, lost } = adaptRecipe(recipe, plan, recipe.name, v7)
    const school = recipeSchools.find((each) => each.id === recipe.school)?.name.toLowerCase()
    const source = materials.length > 0 ? materials : starterShelf
    const { recipe: fitted, missing } = fitToShelf(adapted, source, shelf)
    const toShelf =
      missing.length > 0 ? [`New on the shelf: ${joinWords(missing.map(({ name }) => name))}.`] : []
    return {
      id: `${from} ${recipe.id}`,
      name: `As ${recipe.name}`,
      idea: `Kept in ${from === '' ? 'this project' : from}${school ? `, by ${school}` : ''}, with its notes and mixes.`,
      strong: '',
      weak: '',
      lost: [...lost, ...toShelf],
      recipe: fitted,
      materials: source,
    }
  })
  return [...schools, ...own]
}
