import {
  applyMend,
  findFaults,
  followedRecipes,
  modelsTaking,
  recipeSchools,
  type Finding,
  type Project,
  type Recipe,
  type RecipeId,
  type Shelf,
  type Step,
  type StepId,
} from '@seriatim/core'
import { Plus, ShoppingBasket, Trash2 } from 'lucide-react'
import { useMemo, useState, type ReactNode } from 'react'
import { v7 } from 'uuid'
import { useProjectChange, useShelf } from '../../shared/api/index.ts'
import { FindingList } from '../../shared/finding-list.tsx'
import { durationText, plural } from '../../shared/format/index.ts'
import { useCurrentProject } from '../../shared/project-context.ts'
import { Button, EmptyState, ErrorState, Headline, IconButton, LoadingState } from '../../shared/ui/index.ts'
import { layOutCut } from './lay-out-cut.ts'
import { NewRecipeDialog } from './NewRecipeDialog.tsx'
import { PaintCut } from './PaintCut.tsx'
import { ShoppingList } from './ShoppingList.tsx'
import { StepEditor } from './StepEditor.tsx'

export function RecipePage() {
  const project = useCurrentProject()
  const shelf = useShelf()
  if (shelf.data) return <Recipes project={project} shelf={shelf.data} />
  const reason = shelf.error ?? shelf.failureReason
  if (reason) return <ErrorState error={reason} onRetry={() => void shelf.refetch()} />
  return <LoadingState what="the shelf" />
}

function Recipes({ project, shelf }: { readonly project: Project; readonly shelf: Shelf }) {
  const change = useProjectChange(project.id)
  const [chosenId, setChosenId] = useState<RecipeId | null>(null)
  const [making, setMaking] = useState(false)
  const [shopping, setShopping] = useState(false)
  const { recipes } = project
  const recipe = recipes.find((each) => each.id === chosenId) ?? recipes[0]
  const write = (next: readonly Recipe[], said: string) =>
    change.mutate({ change: { kind: 'recipes', recipes: next }, said })

  const make = (made: Recipe) => {
    // A unit follows one recipe.
    const others = recipes.map((each) => ({
      ...each,
      unitIds: each.unitIds.filter((id) => !made.unitIds.includes(id)),
    }))
    write([...others, made], `${made.name}: a recipe of ${plural(made.steps.length, 'step')}.`)
    setChosenId(made.id)
    setMaking(false)
  }
  const makeButton = (
    <Button weight={recipe ? 'plain' : 'main'} onClick={() => setMaking(true)}>
      <Plus aria-hidden="true" size={18} /> New recipe
    </Button>
  )
  const dialog = <NewRecipeDialog project={project} open={making} onOpenChange={setMaking} onMake={make} />

  if (!recipe) {
    return (
      <>
        <Headline>What goes on them?</Headline>
        <EmptyState title="No recipe yet" actions={makeButton}>
          <p>
            A recipe says what is on each part of a model, from primer to rim. The line follows from it:
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
        onRemove={() =>
          write(
            recipes.filter((each) => each.id !== recipe.id),
            `${recipe.name}: the recipe is put away.`,
          )
        }
      />
      {dialog}
      <ShoppingList project={project} shelf={shelf} open={shopping} onOpenChange={setShopping} />
    </>
  )
}

interface OneRecipeProps {
  readonly project: Project
  readonly recipe: Recipe
  readonly shelf: Shelf
  readonly picker: ReactNode
  readonly onChange: (recipe: Recipe, said: string) => void
  readonly onRemove: () => void
}

function OneRecipe({ project, recipe, shelf, picker, onChange, onRemove }: OneRecipeProps) {
  const [openId, setOpenId] = useState<StepId | null>(null)
  const cut = useMemo(() => layOutCut(recipe, shelf), [recipe, shelf])
  const findings = useMemo(() => findFaults(recipe, shelf), [recipe, shelf])
  const units = project.units.filter((unit) => recipe.unitIds.includes(unit.id))
  const models = units.reduce((sum, unit) => sum + unit.models.length, 0)
  const marked = new Set(findings.flatMap((finding) => finding.stepIds.slice(0, 1)))
  const step = recipe.steps.find((each) => each.id === openId)

  const withSteps = (steps: readonly Step[], said = '') => onChange({ ...recipe, steps }, said)
  const mend = (finding: Finding) => {
    if (finding.mend) onChange(applyMend(recipe, finding.mend, v7), 'Mended.')
  }
  const add = () => {
    const made = newStep(recipe)
    withSteps([...recipe.steps, made])
    setOpenId(made.id)
  }

  return (
    <>
      <Headline
        sub={subOf(
          recipe,
          units.map((unit) => unit.name),
        )}
        actions={
          <>
            <Button weight="main" onClick={add}>
              <Plus aria-hidden="true" size={18} /> Add a layer
            </Button>
            <IconButton label={`Put the recipe ${recipe.name} away`} onClick={onRemove}>
              <Trash2 aria-hidden="true" size={20} />
            </IconButton>
          </>
        }
      >
        {headlineOf(recipe, cut)}
      </Headline>
      <div className="mb-5">{picker}</div>
      <FindingList
        findings={findings}
        models={models}
        onMend={mend}
        onSilence={({ rule }) =>
          onChange(
            { ...recipe, silenced: [...recipe.silenced, { rule, note: 'Meant so.' }] },
            `Rule ${rule} is silent for this recipe.`,
          )
        }
      />
      <PaintCut
        cut={cut}
        openId={openId}
        onOpen={setOpenId}
        marked={marked}
        editor={
          step ? (
            <StepEditor
              key={step.id}
              recipe={recipe}
              step={step}
              shelf={shelf}
              models={modelsTaking(step, followedRecipes({ ...project, recipes: [recipe] })[0]?.units ?? [])}
              onChange={(changed) =>
                withSteps(recipe.steps.map((each) => (each.id === changed.id ? changed : each)))
              }
              onMove={(by) => withSteps(moved(recipe.steps, step.id, by))}
              onRemove={() => {
                withSteps(
                  recipe.steps.filter((each) => each.id !== step.id),
                  'The layer is taken out.',
                )
                setOpenId(null)
              }}
            />
          ) : null
        }
      />
    </>
  )
}

function headlineOf(recipe: Recipe, cut: ReturnType<typeof layOutCut>): string {
  const pots = new Set(recipe.steps.flatMap((step) => step.mix.map((part) => part.materialId))).size
  const each = cut.layers.reduce((sum, layer) => sum + layer.facts.handsOnSecondsPerModel, 0)
  return `${plural(recipe.steps.length, 'layer')}, ${plural(pots, 'pot')}, ${durationText(each)} a model`
}

function subOf(recipe: Recipe, units: readonly string[]): string {
  const school = recipeSchools.find((each) => each.id === recipe.school)?.name ?? 'own way'
  return `School: ${school.toLowerCase()} · ${units.length > 0 ? `for ${units.join(', ')}` : 'no unit follows it yet'}`
}

/** On top of all, on the largest region. */
function newStep(recipe: Recipe): Step {
  const [first] = [...recipe.regions].sort((a, b) => b.areaShare - a.areaShare)
  return {
    id: v7() as StepId,
    on: first ? [first.name] : 'whole',
    mix: [],
    technique: 'base coat',
    coats: 1,
    note: '',
    standard: 'tabletop',
    roles: [],
    wetGroup: null,
    dryingSeconds: null,
    spray: null,
    otherModes: [],
    substitutes: [],
  }
}

function moved(steps: readonly Step[], id: StepId, by: -1 | 1): readonly Step[] {
  const from = steps.findIndex((step) => step.id === id)
  const to = from + by
  const [step, other] = [steps[from], steps[to]]
  if (!step || !other) return steps
  return steps.with(from, other).with(to, step)
}
