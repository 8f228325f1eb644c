import type { Stage } from '../line/stage.ts'
import type { RecipeId, StageId, StepId } from '../units/ids.ts'
import { byGravity, findFaults } from './find-faults.ts'
import type { OrderingInput } from './order-line.ts'
import { modelsOf, piecesOf, type PieceProblem } from './pieces.ts'
import type { Finding } from './rule.ts'
import { rowCost } from './sequence.ts'

/** A finding with the recipe it is about, the first of several alike, and the models painted by them. */
export interface LineFinding extends Finding {
  readonly recipeId: RecipeId
  readonly models: number
}

/**
 * Says what is wrong with a line, for the stages that carry out steps of a recipe, the gravest first. What
 * only wastes time is left out where mending it would cost more than it saves. Made once for the recipes, so
 * that each edit of the line is judged at once.
 */
export function lineJudge({
  recipes,
  shelf,
  weight,
  tableReady,
}: OrderingInput): (line: readonly Stage[]) => readonly LineFinding[] {
  const problem = piecesOf(recipes, shelf, weight, tableReady)
  return (line) => {
    const cost = lineCost(problem, line)
    const isWorthIt = (finding: Finding): boolean => {
      if (finding.severity === 'spoils' || finding.mend?.kind !== 'move') return true
      const mended = mendLine(line, finding)
      return mended !== null && isLess(lineCost(problem, mended), cost)
    }
    const found = recipes.flatMap((source) => {
      const { recipe } = source
      const order = line.flatMap((stage) =>
        stage.steps.flatMap((step) => (step.recipeId === recipe.id ? [step.stepId] : [])),
      )
      if (order.length === 0) return []
      const models = modelsOf(source)
      return gravestOfPair(findFaults(recipe, shelf, { order, models })).map((finding) => ({
        ...finding,
        recipeId: recipe.id,
        models: models.length,
      }))
    })
    return together(found.filter(isWorthIt)).sort(byGravity)
  }
}

/** Two steps that break several rules at once are named once, with the gravest. */
function gravestOfPair(findings: readonly Finding[]): readonly Finding[] {
  const pairs = new Set<string>()
  return findings.filter(({ stepIds }) => {
    const pair = stepIds.toSorted().join()
    const isNew = stepIds.length < 2 || !pairs.has(pair)
    pairs.add(pair)
    return isNew
  })
}

/** The same of several recipes, said once for all their models. */
function together(findings: readonly LineFinding[]): LineFinding[] {
  const byReason = new Map<string, LineFinding>()
  for (const finding of findings) {
    const key = `${finding.rule} ${finding.reason}`
    const other = byReason.get(key)
    if (!other) byReason.set(key, finding)
    else {
      const models = other.models + finding.models
      const all = other.secondsAtStake * other.models + finding.secondsAtStake * finding.models
      byReason.set(key, { ...other, models, secondsAtStake: Math.round(all / Math.max(1, models)) })
    }
  }
  return [...byReason.values()]
}

type LineCost = ReturnType<typeof rowCost>

/** What has to come first and does not counts before the seconds. */
const isLess = (a: LineCost, b: LineCost): boolean =>
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

/** The line with the stage that a `move` names put before the other; `null` for another mend, or when nothing moves. */
export function mendLine(line: readonly Stage[], finding: Finding): readonly Stage[] | null {
  const { mend } = finding
  if (mend?.kind !== 'move') return null
  const stageOf = (stepId: string): StageId | undefined =>
    line.find((stage) => stage.steps.some((step) => step.stepId === stepId))?.id
  const moving = line.find((stage) => stage.id === stageOf(mend.stepId))
  const anchor = stageOf(mend.before)
  if (!moving || anchor === undefined || moving.id === anchor) return null
  return line
    .filter((stage) => stage !== moving)
    .flatMap((stage) => (stage.id === anchor ? [moving, stage] : [stage]))
}
