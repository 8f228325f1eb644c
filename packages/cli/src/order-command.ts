import {
  followedRecipes,
  judgementCalls,
  lineJudge,
  offersOfSameness,
  orderLine,
  orderWeights,
  type LineOrder,
  type OrderingInput,
  type OrderWeight,
} from '@seriatim/core/ordering'
import type { Figures } from '@seriatim/core/estimating'
import { recipeDoubts, stepText } from '@seriatim/core/recipe'
import { standards, tableReadyStandard, type Recipe, type Standard } from '@seriatim/core/trade'
import type { Instant, Result } from '@seriatim/core/units'
import { sequentialIds } from './demo/ids.ts'
import { figuresOf, readArguments, readNow, readProjectFile, type Printed } from './input.ts'

/** The order of a project's recipes, what was merged and not, and the findings. */
export function runOrder(args: readonly string[]): Printed {
  const options = readOptions(args)
  if (!options.ok) return { ok: false, error: [options.error] }
  const file = readProjectFile(options.value.path)
  if (!file.ok) return file
  const { project } = file.value
  const { weight, tableReady, now } = options.value
  const figures = figuresOf(file.value, now)
  const recipes = followedRecipes(project)
  if (recipes.length === 0) return { ok: false, error: ['project.recipes: No unit follows a recipe yet.'] }
  const input: OrderingInput = { recipes, shelf: figures.shelf, weight, tableReady }
  const order = orderLine(input)
  return { ok: true, value: `${JSON.stringify(orderJson(figures, input, order), null, 2)}\n` }
}

interface Options {
  readonly path: string
  readonly weight: OrderWeight
  readonly tableReady: Standard
  readonly now: Instant
}

function readOptions(args: readonly string[]): Result<Options, string> {
  const read = readArguments(args, ['weight', 'table-ready', 'now'])
  if (!read.ok) return read
  const { path, values } = read.value
  const now = readNow(values.now)
  if (!now.ok) return now
  const weight = orderWeights.find((each) => each === (values.weight ?? 'fewest pots'))
  if (!weight) return { ok: false, error: `--weight: one of ${orderWeights.join(', ')}.` }
  const tableReady = standards.find((each) => each === (values['table-ready'] ?? tableReadyStandard))
  if (!tableReady) return { ok: false, error: `--table-ready: one of ${standards.join(', ')}.` }
  return { ok: true, value: { path, weight, tableReady, now: now.value } }
}

/** What a recipe leaves to judgement, with the seconds of either answer for the models that follow it. */
function callsOf(figures: Figures, recipe: Recipe) {
  const units = figures.project.units.filter((unit) => recipe.unitIds.includes(unit.id))
  if (units.length === 0) return []
  return judgementCalls({ figures, recipe, units, newId: sequentialIds() }).map(
    ({ kind, rule, stepIds, now, instead, nowSeconds, insteadSeconds, atStakeSeconds }) => ({
      kind,
      rule,
      stepIds,
      now,
      instead,
      nowSeconds: Math.round(nowSeconds),
      insteadSeconds: Math.round(insteadSeconds),
      atStakeSeconds: Math.round(atStakeSeconds),
    }),
  )
}

/** Names beside the ids, durations in whole seconds, stages counted from 1. */
function orderJson(figures: Figures, input: OrderingInput, order: LineOrder) {
  const { project } = figures
  const unitName = new Map(project.units.map((unit) => [unit.id, unit.name]))
  return {
    project: project.name,
    weight: input.weight,
    tableReady: input.tableReady,
    stages: order.stages.map((stage, index) => ({
      number: index + 1,
      material: stage.facts[0]?.material?.name ?? null,
      technique: stage.facts[0]?.step.technique ?? null,
      units: stage.units.map((id) => unitName.get(id)),
      steps: stage.steps.map((step, place) => {
        const facts = stage.facts[place]
        return { ...step, text: facts ? stepText(facts) : '' }
      }),
      optional: stage.optional,
      handsOnSeconds: stage.handsOnSeconds,
    })),
    stepsMerged: order.merged,
    notMerged: order.notMerged.map(({ material, stages, why }) => ({
      material,
      stages: stages.map((stage) => stage + 1),
      why,
    })),
    setUpSeconds: order.setUpSeconds,
    cost: { weighedSeconds: order.cost, bound: order.bound, proven: order.proven },
    stopLines: order.stopLines.map(({ unitId, after, handsOnSeconds }) => ({
      unit: unitName.get(unitId),
      handsOnSeconds,
      after: Object.fromEntries(
        Object.entries(after).map(([standard, stage]) => [standard, stage === null ? null : stage + 1]),
      ),
    })),
    findings: order.findings,
    lineFindings: project.line.length > 0 ? lineJudge(input)(project.line) : [],
    doubts: input.recipes.flatMap(({ recipe }) =>
      recipeDoubts(recipe, input.shelf).map(({ kind, text, stepId }) => ({
        recipe: recipe.name,
        kind,
        text,
        stepId,
      })),
    ),
    judgementCalls: project.recipes.flatMap((recipe) =>
      callsOf(figures, recipe).map((call) => ({ recipe: recipe.name, ...call })),
    ),
    offers: offersOfSameness(input, order),
  }
}
