import type { Project, Stage, Step } from '../trade/index.ts'
import type { Shelf } from '../recipe/index.ts'
import type { RecipeId, StepId, UnitId } from '../units/index.ts'
import { byGravity, faultsOf, isLess, weigh, type Found } from './find-faults.ts'
import { followersOf, stageOfStep } from './line-of-order.ts'
import { applyMend } from './mend.ts'
import type { OrderingInput } from './order-line.ts'
import { asTaken, modelsOf, piecesOf, type OrderedRecipe, type PieceProblem } from './pieces.ts'
import { type Finding, isFault, type Mend } from './rule.ts'
import { rowCost } from './sequence.ts'

/** A finding with the recipe it is about, the first of several alike, and the models painted by them. */
export interface LineFinding extends Finding {
  readonly recipeId: RecipeId
  readonly models: number
  /** Whether its mend changes the recipe, and the line along with it; else it only moves a stage. */
  readonly inRecipe: boolean
}

/** Recipes and the line that carries them out. */
interface Lined {
  readonly recipes: readonly OrderedRecipe[]
  readonly line: readonly Stage[]
}

/** So many findings have their mend tried out; it is shown with the rest when those are mended. */
const mostTried = 24

/**
 * Says what is wrong with a line, for the stages that carry out steps of a recipe, the gravest first: all that is
 * wrong with the recipes themselves, and what is spoiled by the order of the stages. What only would be quicker in
 * another order is left out where moving a stage would cost more than it saves. A mend is offered only if it leaves
 * less to find and nothing graver. Made once for the recipes, so that each edit of the line is judged at once.
 */
export function lineJudge(input: OrderingInput): (line: readonly Stage[]) => readonly LineFinding[] {
  const { recipes, shelf } = input
  const problem = piecesOf(recipes, shelf, input.weight, input.tableReady)
  const own = new Map(recipes.map((source) => [source.recipe.id, ownFaults(source, shelf)]))
  return (line) => {
    const cost = lineCost(problem, line)
    const found = recipes.flatMap((source) => lineFaults(source, line, shelf))
    const before = weighed(found)
    const isBetter = (after: Lined) =>
      isLess(weighed(after.recipes.flatMap((source) => lineFaults(source, after.line, shelf))), before)
    const settled = found.flatMap((fault, place): LineFinding[] => {
      const { mends, ...finding } = fault
      const tried = place < mostTried ? tryMends(fault, { recipes, line }, shelf, isBetter) : null
      const isOwn = own.get(finding.recipeId)?.has(keyOf(finding)) ?? false
      // What is a matter of taste whatever the order is asked at the recipe.
      if (isOwn && !isFault(finding)) return []
      if (!isOwn && finding.severity !== 'spoils') {
        // Only the order of the stages is at stake: worth a word if moving one is.
        const moved = mends.map((mend) => movedStage(line, mend)).filter((next) => next !== null)
        if (!moved.some((next) => isCheaper(lineCost(problem, next), cost))) return []
      }
      return [{ ...finding, mend: tried?.mend ?? null, inRecipe: tried?.inRecipe ?? false }]
    })
    return together(settled).sort(byGravity)
  }
}

interface LineFault extends Found {
  readonly recipeId: RecipeId
  readonly models: number
}

const keyOf = ({ rule, stepIds }: Pick<Finding, 'rule' | 'stepIds'>) => `${rule} ${stepIds.join()}`

/** What is wrong with a recipe in whatever order its stages are done. */
function ownFaults(source: OrderedRecipe, shelf: Shelf): ReadonlySet<string> {
  return new Set(faultsOf(asTaken(source), shelf, { models: modelsOf(source) }).map(keyOf))
}

function lineFaults(source: OrderedRecipe, line: readonly Stage[], shelf: Shelf): readonly LineFault[] {
  const { recipe } = source
  const order = line.flatMap((stage) =>
    stage.steps.flatMap((step) => (step.recipeId === recipe.id ? [step.stepId] : [])),
  )
  if (order.length === 0) return []
  const models = modelsOf(source)
  return faultsOf(recipe, shelf, { order, models }).map((fault) => ({
    ...fault,
    recipeId: recipe.id,
    models: models.length,
  }))
}

/** A stage moved is tried first, then a change of the recipe that the line follows. */
function tryMends(
  { recipeId, mends }: LineFault,
  { recipes, line }: Lined,
  shelf: Shelf,
  isBetter: (after: Lined) => boolean,
): { readonly mend: Mend; readonly inRecipe: boolean } | null {
  for (const inRecipe of [false, true]) {
    for (const mend of mends) {
      const after = inRecipe
        ? withMend({ recipes, line }, recipeId, mend, shelf, [], () => 'a new step')
        : withMovedStage({ recipes, line }, mend)
      if (after && isBetter(after)) return { mend, inRecipe }
    }
  }
  return null
}

function withMovedStage({ recipes, line }: Lined, mend: Mend): Lined | null {
  const moved = movedStage(line, mend)
  return moved && { recipes, line: moved }
}

/** The mend carried out in the recipe, and the line with the stages that follow from it. */
function withMend(
  { recipes, line }: Lined,
  recipeId: RecipeId,
  mend: Mend,
  shelf: Shelf,
  unitIds: readonly UnitId[],
  newId: () => string,
): Lined | null {
  const source = recipes.find(({ recipe }) => recipe.id === recipeId)
  if (!source) return null
  const recipe = applyMend(source.recipe, mend, newId)
  const mended = { ...source, recipe }
  return {
    recipes: recipes.map((each) => (each === source ? mended : each)),
    line: lineAfterMend(line, source, mended, mend, (step) =>
      stageOfStep(mended, step, shelf, unitIds, newId),
    ),
  }
}

function lineAfterMend(
  line: readonly Stage[],
  before: OrderedRecipe,
  after: OrderedRecipe,
  mend: Mend,
  stageFor: (step: Step) => Stage,
): readonly Stage[] {
  if (mend.kind === 'move') return movedStage(line, mend) ?? line
  const left = new Set(after.recipe.steps.map((step) => step.id))
  const kept = line.flatMap((stage): Stage[] => {
    const steps = stage.steps.filter((step) => step.recipeId !== before.recipe.id || left.has(step.stepId))
    if (steps.length === stage.steps.length) return [stage]
    return steps.length === 0 ? [] : [{ ...stage, steps }]
  })
  if (mend.kind !== 'insert') return kept
  const known = new Set(before.recipe.steps.map((step) => step.id))
  const fresh = after.recipe.steps.find((step) => !known.has(step.id))
  if (!fresh) return kept
  const stage = stageFor(fresh)
  const place = kept.findIndex((each) => each.steps.some((step) => step.stepId === mend.before))
  return place < 0 ? [...kept, stage] : kept.toSpliced(place, 0, stage)
}

/** A project with a finding of its line mended. */
export function mendProject<P extends Pick<Project, 'recipes' | 'units' | 'line' | 'batchSize'>>(
  project: P,
  shelf: Shelf,
  finding: Pick<LineFinding, 'mend' | 'recipeId' | 'inRecipe'>,
  newId: () => string,
): P {
  const { mend, recipeId } = finding
  if (!mend) return project
  if (!finding.inRecipe) return { ...project, line: movedStage(project.line, mend) ?? project.line }
  const recipe = project.recipes.find((each) => each.id === recipeId)
  if (!recipe) return project
  const source = { recipe, units: followersOf(recipe, project) }
  const everyone = project.units.map((unit) => unit.id)
  const after = withMend({ recipes: [source], line: project.line }, recipeId, mend, shelf, everyone, newId)
  if (!after) return project
  return {
    ...project,
    recipes: project.recipes.map((each) => (each === recipe ? (after.recipes[0]?.recipe ?? each) : each)),
    line: after.line,
  }
}

/** What is read counts first, then every single fault. */
const weighed = (found: readonly LineFault[]) => [...weigh(together(found)), ...weigh(found)]

/** The same of several layers or recipes, said once for all their models: of the first that can be mended. */
function together<F extends Omit<LineFault, 'mends'> & { readonly mend?: Mend | null }>(
  findings: readonly F[],
): F[] {
  const byReason = new Map<string, F[]>()
  for (const finding of findings) {
    const key = `${finding.rule} ${finding.reason}`
    byReason.set(key, [...(byReason.get(key) ?? []), finding])
  }
  return [...byReason.values()].flatMap((alike) => {
    const said = alike.find((each) => each.mend) ?? alike[0]
    if (!said || alike.length === 1) return said ?? []
    const models = sum([...new Map(alike.map((each) => [each.recipeId, each.models])).values()])
    const all = sum(alike.map((each) => each.secondsAtStake * each.models))
    return { ...said, models, secondsAtStake: Math.round(all / Math.max(1, models)) }
  })
}

const sum = (all: readonly number[]) => all.reduce((total, each) => total + each, 0)

type LineCost = ReturnType<typeof rowCost>

/** What has to come first and does not counts before the seconds. */
const isCheaper = (a: LineCost, b: LineCost): boolean =>
  a.broken < b.broken || (a.broken === b.broken && a.seconds < b.seconds - 1e-6)

function lineCost({ pieces, sequence }: PieceProblem, line: readonly Stage[]): LineCost {
  const stageOf = new Map<StepId, number>()
  line.forEach((stage, index) => {
    for (const step of stage.steps) stageOf.set(step.stepId, index)
  })
  const place = pieces.map((piece) => stageOf.get(piece.steps[0]?.step.id ?? ('' as StepId)) ?? -1)
  const row = pieces.flatMap((_, index) => ((place[index] ?? -1) >= 0 ? [index] : []))
  row.sort((a, b) => (place[a] ?? 0) - (place[b] ?? 0))
  return rowCost(sequence, row, place)
}

/** The line with the stage of a `move` put before the other, or in the end; `null` when nothing moves. */
function movedStage(line: readonly Stage[], mend: Mend): readonly Stage[] | null {
  if (mend.kind !== 'move') return null
  const stageOf = (stepId: StepId): Stage | undefined =>
    line.find((stage) => stage.steps.some((step) => step.stepId === stepId))
  const moving = stageOf(mend.stepId)
  const anchor = mend.before === null ? null : stageOf(mend.before)
  if (!moving || anchor === undefined || moving === anchor) return null
  const rest = line.filter((stage) => stage !== moving)
  return anchor ? rest.flatMap((stage) => (stage === anchor ? [moving, stage] : [stage])) : [...rest, moving]
}
