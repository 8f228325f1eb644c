import { secondsAModel, type BatchTimes } from '@seriatim/core/estimating'
import type { JudgementCall } from '@seriatim/core/ordering'
import { starterShelf } from '@seriatim/core/presets'
import { fitToShelf, materialsOf, type Shelf } from '@seriatim/core/recipe'
import {
  spreadStep,
  spreadVariants,
  type Material,
  type Project,
  type Recipe,
  type Step,
} from '@seriatim/core/trade'
import type { RecipeId, StepId } from '@seriatim/core/units'
import { Plus, ShoppingBasket } from 'lucide-react'
import { useState } from 'react'
import { useSearchParams } from 'react-router'
import { v7 } from 'uuid'
import { useShelf, useShelfChange } from '../../shared/api/index.ts'
import { saveText } from '../../shared/csv/index.ts'
import { plural } from '../../shared/format/index.ts'
import { useCurrentFigures } from '../../shared/figures.ts'
import { useEstimated } from '../../shared/worker/index.ts'
import { useCurrentProject, useEdit, type ShownProject } from '../../shared/project/index.ts'
import { Button, EmptyState, ErrorState, Headline, LoadingState } from '../../shared/ui/index.ts'
import { NewRecipeDialog } from './NewRecipeDialog.tsx'
import { OneRecipe } from './OneRecipe.tsx'
import { RepeatDialog } from './RepeatDialog.tsx'
import { ShoppingList } from './ShoppingList.tsx'
import { UnderWayNote } from './UnderWayNote.tsx'

export function RecipePage() {
  const project = useCurrentProject()
  const shelf = useShelf()
  if (shelf.data) return <Recipes project={project} shelf={shelf.data} />
  const reason = shelf.error ?? shelf.failureReason
  if (reason) return <ErrorState error={reason} onRetry={() => void shelf.refetch()} />
  return <LoadingState what="the shelf" />
}

function Recipes({ project, shelf }: { readonly project: ShownProject; readonly shelf: Shelf }) {
  const edit = useEdit()
  const shelfChange = useShelfChange()
  const { progress, sources } = useCurrentFigures()
  const [search, setSearch] = useSearchParams()
  // In the address, so that it is the same recipe after a reload.
  const chosenId = search.get('recipe')
  const setChosenId = (id: RecipeId | null) => setSearch(id ? { recipe: id } : {}, { replace: true })
  const [making, setOpenMaking] = useState(search.has('new'))
  const setMaking = (isOpen: boolean) => {
    setOpenMaking(isOpen)
    if (!isOpen && search.has('new')) setChosenId(null)
  }
  const [shopping, setShopping] = useState(false)
  const [repeating, setRepeating] = useState(false)
  const times = useEstimated(sources)?.times
  const { recipes } = project
  const recipe = recipes.find((each) => each.id === chosenId) ?? recipes[0]
  const write = (next: readonly Recipe[], said: string) => edit(project, { ...project, recipes: next }, said)

  /** What a school takes and the shelf has not is put there first, with nothing in stock. */
  const makeOnShelf = async (fresh: Recipe, materials: readonly Material[] = starterShelf) => {
    const { recipe: made, missing } = fitToShelf(fresh, materials, shelf)
    if (missing.length > 0) {
      const said = `${plural(missing.length, 'material')} put on the shelf.`
      await shelfChange.mutateAsync({ kind: 'put', materials: missing, said })
    }
    // A unit follows one recipe.
    const others = recipes.map((each) => ({
      ...each,
      unitIds: each.unitIds.filter((id) => !made.unitIds.includes(id)),
    }))
    write([...others, made], `${made.name}: a recipe of ${plural(made.steps.length, 'step')}.`)
    setChosenId(made.id)
    setOpenMaking(false)
    setRepeating(false)
  }
  const make = (fresh: Recipe, materials?: readonly Material[]) =>
    void makeOnShelf(fresh, materials).catch(() => undefined)

  /** The layer in several colours, one for each of as many variants, and the variants given to the models. */
  const spread = (on: Recipe, step: Step, count: number) => {
    const base = step.on === 'whole' ? 'colour' : (step.on[0] ?? 'colour')
    const variants = Array.from({ length: count }, (_, index) => `${base} ${String(index + 1)}`)
    const units = project.units.map((unit) =>
      on.unitIds.includes(unit.id) ? spreadVariants(unit, variants) : unit,
    )
    const steps = spreadStep(on.steps, step.id, variants, v7)
    const next = recipes.map((each) => (each.id === on.id ? { ...on, steps } : each))
    edit(
      project,
      { ...project, units, recipes: next },
      `${base.slice(0, 1).toUpperCase()}${base.slice(1)} in ${String(count)} colours: now give each its own.`,
    )
  }
  const judge = (call: JudgementCall) => {
    const changed = new Map(call.units.map((unit) => [unit.id, unit]))
    edit(
      project,
      {
        ...project,
        units: project.units.map((unit) => changed.get(unit.id) ?? unit),
        recipes: recipes.map((each) => (each.id === call.recipe.id ? call.recipe : each)),
      },
      `Instead: ${call.instead}.`,
    )
  }
  const makeButton = (
    <Button weight={recipe ? 'plain' : 'main'} onClick={() => setMaking(true)}>
      <Plus aria-hidden="true" size={18} /> New recipe
    </Button>
  )
  const dialog = (
    <NewRecipeDialog
      project={project}
      shelf={shelf}
      sources={sources}
      open={making}
      onOpenChange={setMaking}
      onMake={make}
    />
  )

  const underWay = <UnderWayNote project={project} progress={progress} shelf={shelf} />

  if (!recipe) {
    return (
      <>
        <Headline>What goes on them?</Headline>
        {underWay}
        <EmptyState title="No recipe yet" actions={makeButton}>
          <p>
            A recipe says what is on each part of a model, from primer to rim. The stages follow from it:
            stages that spoil nothing, each pot opened as seldom as can be.
          </p>
        </EmptyState>
        {dialog}
      </>
    )
  }
  return (
    <>
      <OneRecipe
        key={recipe.id}
        project={project}
        recipe={recipe}
        shelf={shelf}
        sources={sources}
        secondsAModel={times ? onLine(project, recipe, times) : undefined}
        underWay={underWay}
        picker={
          <nav aria-label="Recipes" className="flex flex-wrap gap-2">
            {recipes.map((each) => (
              <Button
                key={each.id}
                weight={each.id === recipe.id ? 'main' : 'plain'}
                aria-pressed={each.id === recipe.id}
                onClick={() => setChosenId(each.id)}
              >
                {each.name}
              </Button>
            ))}
            {makeButton}
            <Button onClick={() => setShopping(true)}>
              <ShoppingBasket aria-hidden="true" size={18} /> What to buy
            </Button>
          </nav>
        }
        onChange={(next, said) =>
          write(
            recipes.map((each) => (each.id === next.id ? next : each)),
            said,
          )
        }
        onFollow={(unitId, follows) =>
          write(
            recipes.map((each) => {
              const others = each.unitIds.filter((id) => id !== unitId)
              return { ...each, unitIds: follows && each.id === recipe.id ? [...others, unitId] : others }
            }),
            '',
          )
        }
        onCopy={() => {
          const copy = copyOf(recipe)
          write([...recipes, copy], `${copy.name}: a copy that no unit follows yet.`)
          setChosenId(copy.id)
        }}
        onWrite={() => {
          const used = materialsOf(recipe)
          const materials = [...shelf.values()].filter((material) => used.has(material.id))
          const file = {
            format: 'seriatim-recipe',
            version: 1,
            recipe: { ...recipe, unitIds: [] },
            materials,
          }
          saveText(`${recipe.name}.json`, JSON.stringify(file, null, 1), 'application/json')
        }}
        onJudged={judge}
        onSpread={(step, count) => spread(recipe, step, count)}
        {...(progress ? { onRepeat: () => setRepeating(true) } : {})}
        onRemove={() =>
          write(
            recipes.filter((each) => each.id !== recipe.id),
            `${recipe.name}: the recipe is put away.`,
          )
        }
      />
      {dialog}
      {repeating && progress ? (
        <RepeatDialog
          project={project}
          progress={progress}
          recipe={recipe}
          shelf={shelf}
          onClose={() => setRepeating(false)}
          onMake={make}
        />
      ) : null}
      <ShoppingList project={project} shelf={shelf} open={shopping} onOpenChange={setShopping} />
    </>
  )
}

/** The same under ids of its own; whoever follows the first goes on following it. */
function copyOf(recipe: Recipe): Recipe {
  return {
    ...recipe,
    id: v7() as RecipeId,
    name: `${recipe.name}, copy`.slice(0, 120),
    unitIds: [],
    steps: recipe.steps.map((step) => ({ ...step, id: v7() as StepId })),
  }
}

/** What a model of the units that follow takes, as the line has it; `null` while the line carries out none of it. */
function onLine({ line, units }: Project, recipe: Recipe, times: BatchTimes): number | null {
  const own = units.filter((unit) => recipe.unitIds.includes(unit.id))
  const isOn = line.some((stage) => stage.steps.some((step) => step.recipeId === recipe.id))
  return own.length > 0 && isOn ? secondsAModel(line, own, times) : null
}
