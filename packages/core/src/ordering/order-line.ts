import type { Standard, StepRef } from '../trade/index.ts'
import { setUpPresets } from '../presets/index.ts'
import { factsOf, joinWords, shareRegion, type Shelf, type StepFacts, stepText } from '../recipe/index.ts'
import type { RecipeId, UnitId } from '../units/index.ts'
import { byGravity, findFaults } from './find-faults.ts'
import { findSequence, type SequenceEffort } from './find-sequence.ts'
import {
  asTaken,
  modelsOf,
  modelsTaking,
  openSeconds,
  piecesOf,
  type OrderedRecipe,
  type OrderWeight,
  type Piece,
} from './pieces.ts'
import { isSoftWork } from './soft-work.ts'
import { type Finding, isFault } from './rule.ts'

/** One stop on the line: a pot and a tool, for every step that takes them together. */
export interface OrderedStage {
  readonly key: string
  readonly steps: readonly StepRef[]
  readonly facts: readonly StepFacts[]
  readonly units: readonly UnitId[]
  /** No unit needs it for the table-ready standard. */
  readonly optional: boolean
  /** Models that take at least one of its steps. */
  readonly models: number
  /** All models together. */
  readonly handsOnSeconds: number
}

/** A pot that is opened more than once, and what keeps its stages apart. */
export interface NotMerged {
  readonly key: string
  readonly material: string
  /** Indices of the two stages. */
  readonly stages: readonly [number, number]
  readonly why: string
}

export interface LineOrder {
  readonly stages: readonly OrderedStage[]
  /** Steps saved by doing several as one stage. */
  readonly merged: number
  readonly notMerged: readonly NotMerged[]
  /** Opening pots and changing tools, as it is, not weighed. */
  readonly setUpSeconds: number
  /** Weighed seconds of pots, tools and clean-up; compare orders by it. */
  readonly cost: number
  readonly bound: number
  readonly proven: boolean
  readonly findings: readonly (Finding & { readonly recipeId: RecipeId })[]
  readonly stopLines: readonly StopLine[]
}

/** Where a unit reaches each standard, and what painting it so far takes. */
export interface StopLine {
  readonly unitId: UnitId
  /** Index of the last stage that the standard needs; `null` when there is none on this line. */
  readonly after: Readonly<Record<Standard, number | null>>
  /** Seconds of hands-on work for all models of the unit, were it painted to the standard. */
  readonly handsOnSeconds: Readonly<Record<Standard, number>>
}

export interface OrderingInput {
  readonly recipes: readonly OrderedRecipe[]
  readonly shelf: Shelf
  readonly weight: OrderWeight
  /** The standard from which a model counts as table-ready. */
  readonly tableReady: Standard
  readonly effort?: SequenceEffort
}

/** Merges the recipes' steps into stages and puts those in the cheapest order that spoils nothing. Deterministic. */
export function orderLine(input: OrderingInput): LineOrder {
  const { pieces, sequence } = piecesOf(input.recipes, input.shelf, input.weight, input.tableReady)
  const found = findSequence(sequence, input.effort)
  const row = found.order.flatMap((index) => pieces[index] ?? [])
  const runs = runsOf(row)
  const parts = runs.map(stagesOf)
  const stages = parts.flat()
  return {
    stages,
    merged: runs.reduce((sum, run, at) => sum + (run.length - 1) * (parts[at]?.length ?? 0), 0),
    notMerged: potsOpenedAgain(runs, stages),
    setUpSeconds: setUpOf(stages),
    cost: found.cost,
    bound: found.bound,
    proven: found.proven,
    findings: findingsOf(input.recipes, input.shelf, row),
    stopLines: stopLinesOf(input.recipes, input.shelf, stages),
  }
}

/** Neighbours with one pot are one stage, unless one lies on the other: that has to dry in between. */
function runsOf(row: readonly Piece[]): readonly (readonly Piece[])[] {
  const runs: Piece[][] = []
  for (const piece of row) {
    const run = runs.at(-1)
    if (run && run[0]?.key === piece.key && !run.some((each) => liesOn(each, piece))) run.push(piece)
    else runs.push([piece])
  }
  return runs
}

function liesOn(a: Piece, b: Piece): boolean {
  return a.source === b.source && a.steps.some((each) => b.steps.some((other) => shareRegion(each, other)))
}

/** What is wiped or strewn on while it is soft takes two stages, one right after the other. */
function stagesOf(run: readonly Piece[]): readonly OrderedStage[] {
  const only = (wanted: (facts: StepFacts) => boolean) =>
    run.flatMap((piece): Piece[] => {
      const steps = piece.steps.filter(wanted)
      const share = steps.length / Math.max(1, piece.steps.length)
      if (share === 1) return [piece]
      const work = (facts: readonly StepFacts[]) =>
        facts.reduce((sum, each) => sum + each.handsOnSecondsPerModel, 0)
      const part = work(steps) / Math.max(1, work(piece.steps))
      return share === 0 ? [] : [{ ...piece, steps, workSeconds: piece.workSeconds * part }]
    })
  const wet = only((facts) => !isSoftWork(facts))
  const wipes = only(isSoftWork)
  return [wet, wipes].flatMap((part) => (part.length > 0 ? [stageOf(part)] : []))
}

function stageOf(run: readonly Piece[]): OrderedStage {
  const [first] = run[0]?.steps ?? []
  return {
    key: `${run[0]?.key ?? ''}${first && isSoftWork(first) ? ' while soft' : ''}`,
    steps: run.flatMap((piece) =>
      piece.steps.map(({ step }) => ({ recipeId: piece.source.recipe.id, stepId: step.id })),
    ),
    facts: run.flatMap((piece) => piece.steps),
    units: [...new Set(run.flatMap(unitsOf))],
    optional: run.every((piece) => piece.optional),
    models: countModels(run),
    handsOnSeconds: run.reduce((sum, piece) => sum + piece.workSeconds, 0),
  }
}

function unitsOf({ source, steps }: Piece): readonly UnitId[] {
  return source.units
    .filter((unit) => steps.some(({ step }) => modelsTaking([step], [unit]) > 0))
    .map((unit) => unit.unitId)
}

/** A model that takes several of a recipe's steps at one stop counts once. */
function countModels(run: readonly Piece[]): number {
  return [...new Set(run.map((piece) => piece.source))].reduce((sum, source) => {
    const steps = run.filter((piece) => piece.source === source).flatMap((piece) => piece.steps)
    return (
      sum +
      modelsTaking(
        steps.map(({ step }) => step),
        source.units,
      )
    )
  }, 0)
}

function setUpOf(stages: readonly OrderedStage[]): number {
  return stages.reduce((sum, stage, index) => {
    const before = stages[index - 1]
    const tool = stage.facts[0]?.tool ?? 'none'
    const open = before?.key === stage.key ? 0 : openSeconds(stage.facts)
    const change = before?.facts[0]?.tool === tool ? 0 : setUpPresets[tool].change * 60
    return sum + open + change
  }, 0)
}

function potsOpenedAgain(
  runs: readonly (readonly Piece[])[],
  stages: readonly OrderedStage[],
): readonly NotMerged[] {
  const placeOf = (run: number) =>
    stages.findIndex((stage) => stage.steps[0]?.stepId === runs[run]?.[0]?.steps[0]?.step.id)
  return runs.flatMap((run, second): NotMerged[] => {
    const key = run[0]?.key
    const first = runs.slice(0, second).findLastIndex((each) => each[0]?.key === key)
    const piece = run[0]
    if (first < 0 || !piece || piece.steps[0]?.step.mix.length === 0) return []
    return [
      {
        key: piece.key,
        material: piece.steps[0]?.material?.name ?? piece.steps[0]?.step.technique ?? '',
        stages: [placeOf(first), placeOf(second)],
        why: whatKeepsApart(runs, first, second),
      },
    ]
  })
}

/** A layer that has to come between, or that it is not worth it. */
function whatKeepsApart(runs: readonly (readonly Piece[])[], first: number, second: number): string {
  const lower = runs[first] ?? []
  const upper = runs[second] ?? []
  const between = runs.slice(first + 1, second).flat()
  for (const low of lower) {
    for (const up of upper) {
      if (low.source !== up.source) continue
      const middle = between.find((each) => liesOn(low, each) && liesOn(each, up))
      const [layer] = middle?.steps ?? []
      if (layer) return `The ${stepText(layer)} has to come between.`
      if (liesOn(low, up))
        return `The ${stepText(up.steps[0] ?? low.steps[0] ?? raise())} lies on the first coat, which has to dry.`
    }
  }
  const names = new Set([...lower, ...upper].flatMap((piece) => piece.source.units.map((unit) => unit.name)))
  return `Other layers of ${joinWords([...names])} stand between, and moving them would cost more than the pot.`
}

function raise(): never {
  throw new RangeError('a piece without a step')
}

/**
 * What is wrong with the recipes, and what this order spoils. What another order would only do quicker was weighed
 * when this one was chosen.
 */
function findingsOf(recipes: readonly OrderedRecipe[], shelf: Shelf, row: readonly Piece[]) {
  return recipes
    .flatMap((source) => {
      const { recipe } = source
      const models = modelsOf(source)
      const order = row
        .filter((piece) => piece.source.recipe.id === recipe.id)
        .flatMap((piece) => piece.steps.map(({ step }) => step.id))
      const own = findFaults(asTaken(source), shelf, { models })
      const key = (finding: Finding) => `${finding.rule} ${finding.stepIds.join()}`
      const known = new Set(own.map(key))
      const byOrder = findFaults(recipe, shelf, { order, models }).filter(
        (finding) => finding.severity === 'spoils' && !known.has(key(finding)),
      )
      return [...own.filter(isFault), ...byOrder].map((finding) => ({ ...finding, recipeId: recipe.id }))
    })
    .sort(byGravity)
}

function stopLinesOf(
  recipes: readonly OrderedRecipe[],
  shelf: Shelf,
  stages: readonly OrderedStage[],
): readonly StopLine[] {
  return recipes.flatMap(({ recipe, units }) => {
    const facts = factsOf(recipe, shelf)
    return units.map((unit): StopLine => {
      const stopAt = (standard: Standard) => {
        const needed = facts.filter(({ step }) => modelsTaking([step], [{ ...unit, standard }]) > 0)
        const ids = new Set(needed.map(({ step }) => step.id))
        const last = stages.findLastIndex((stage) =>
          stage.steps.some((each) => each.recipeId === recipe.id && ids.has(each.stepId)),
        )
        return last < 0 ? null : last
      }
      const workTo = (standard: Standard) =>
        facts.reduce(
          (sum, { step, handsOnSecondsPerModel }) =>
            sum + handsOnSecondsPerModel * modelsTaking([step], [{ ...unit, standard }]),
          0,
        )
      return {
        unitId: unit.unitId,
        after: byStandard(stopAt),
        handsOnSeconds: byStandard(workTo),
      }
    })
  })
}

function byStandard<T>(value: (standard: Standard) => T): Readonly<Record<Standard, T>> {
  return {
    'three-colour': value('three-colour'),
    tabletop: value('tabletop'),
    'tabletop plus': value('tabletop plus'),
    display: value('display'),
  }
}
