import { colourDifference, lightness } from '../colour/index.ts'
import {
  type Job,
  type Material,
  type Mix,
  plainStep,
  type Recipe,
  type Stage,
  standardReaches,
  type Step,
  type Unit,
} from '../trade/index.ts'
import { isThrough, type Judgement, type Lap, type Progress } from '../progress/index.ts'
import { factsOf, joinWords, mixText, type Shelf, type StepFacts } from '../recipe/index.ts'
import { type ModelId, seconds, type StageId, type StepId } from '../units/index.ts'
import {
  totalOf,
  type LineEstimate,
  type StageAmount,
  type StageEstimate,
  type TimeRange,
} from './estimate-line.ts'
import type { Figures } from './figures.ts'
import { secondsOf } from './lap-seconds.ts'
import { bareStageOf } from './line-for-standard.ts'
import { nothingBeside } from './touch-up.ts'

/** What the pilot showed at one stage. */
export interface PilotStage {
  readonly stage: Stage
  readonly estimate: StageEstimate
  /** Pilot models that take it, and those through it. */
  readonly models: number
  readonly done: number
  /** Seconds a model on the clock; `null` before the first lap. */
  readonly clockSeconds: number | null
  /** What a model was expected to take before the pilot began. */
  readonly expectedSeconds: number
  readonly judgement: Judgement | null
}

export interface PilotReport {
  readonly stages: readonly PilotStage[]
  /** As it stands after the last lap. */
  readonly estimate: LineEstimate
  /** What the models that are not the pilot still take: before the first lap, and after each. */
  readonly rest: readonly TimeRange[]
  readonly restModels: number
}

/** A unit's pilot: every lap beside what was expected, and how each moved the estimate of the rest. */
export function pilotReport(figures: Figures, unit: Unit): PilotReport {
  const { project, progress } = figures
  const pilot = new Set<ModelId>(unit.pilot)
  const isOfPilot = (lap: Lap) => lap.done.length > 0 && lap.done.every((model) => pilot.has(model))
  const laps = progress.laps.filter(isOfPilot)
  const others = progress.laps.filter((lap) => !isOfPilot(lap))
  const after = (count: number) =>
    figures.changed({ progress: { ...progress, laps: [...others, ...laps.slice(0, count)] } }).estimate
  const steps = Array.from({ length: laps.length + 1 }, (_, count) => after(count))
  const [before = after(0)] = steps
  const now = steps.at(-1) ?? before
  const stages = now.stages
    .filter(({ work }) => work.unitId === unit.id && work.takers.some((model) => pilot.has(model)))
    .flatMap((estimate): PilotStage[] => {
      const { stageId } = estimate.work
      const stage = project.line.find((each) => each.id === stageId)
      if (!stage) return []
      const takers = estimate.work.takers.filter((model) => pilot.has(model))
      const own = laps.filter((lap) => lap.stageId === stageId)
      const models = own.reduce((sum, lap) => sum + lap.done.length, 0)
      const spent = own.reduce((sum, lap) => sum + secondsOf(lap), 0)
      const expected = before.stages.find(({ work }) => work.stageId === stageId && work.unitId === unit.id)
      return [
        {
          stage,
          estimate,
          models: takers.length,
          done: takers.filter((model) => isThrough(progress, model, stage)).length,
          clockSeconds: models > 0 ? spent / models : null,
          expectedSeconds: expected?.perModel.likely ?? estimate.perModel.likely,
          judgement: latestOn(progress, stageId, pilot),
        },
      ]
    })
  return {
    stages,
    estimate: now,
    rest: steps.map((each) => totalOf(each.rates, restOf(each, figures, unit))),
    restModels: unit.models.length - pilot.size,
  }
}

function latestOn(progress: Progress, stageId: StageId, pilot: ReadonlySet<ModelId>): Judgement | null {
  const own = progress.judgements.filter(
    (each) => each.stageId === stageId && each.modelIds.some((model) => pilot.has(model)),
  )
  return own.at(-1) ?? null
}

function restOf(
  estimate: LineEstimate,
  { project, progress }: Pick<Figures, 'project' | 'progress'>,
  unit: Unit,
): readonly StageAmount[] {
  const pilot = new Set(unit.pilot)
  const stageById = new Map(project.line.map((stage) => [stage.id, stage]))
  return estimate.stages.flatMap((stage): StageAmount[] => {
    const written = stageById.get(stage.work.stageId)
    if (stage.work.unitId !== unit.id || !written) return []
    const models = stage.work.takers.filter(
      (model) => !pilot.has(model) && !isThrough(progress, model, written),
    ).length
    const setUpSeconds = Math.ceil(models / project.batchSize) * stage.work.setUpSeconds
    return models === 0 ? [] : [{ stage, models, ...nothingBeside, setUpSeconds }]
  })
}

/** What the pilot's notes ask for, with what it means for the rest; `seconds` is saved, or added. */
export type PilotProposal =
  | { readonly kind: 'leave out'; readonly stage: Stage; readonly note: string; readonly seconds: number }
  | {
      readonly kind: 'add'
      readonly stage: Stage
      readonly note: string
      readonly seconds: number
      readonly text: string
      readonly step: Step
    }
  /** The steps of the stage in another colour; `seconds` more, or with a minus fewer. */
  | {
      readonly kind: 'recolour'
      readonly stage: Stage
      readonly note: string
      readonly seconds: number
      readonly text: string
      readonly mix: Mix
      readonly material: string
    }

/**
 * From verdicts to changes: a stage that did nothing is left out, and one that was too little gets highlights on
 * the same regions, of the nearest lighter colour on the shelf. `newId` gives UUIDs.
 */
export function pilotProposals(
  figures: Figures,
  unit: Unit,
  report: PilotReport,
  newId: () => string,
): readonly PilotProposal[] {
  const { project, shelf } = figures
  const recipe = project.recipes.find((each) => each.unitIds.includes(unit.id))
  const restAt = (of: Figures, stageId: StageId, estimate = of.estimate): number => {
    const amounts = restOf(estimate, of, unit)
    return totalOf(
      estimate.rates,
      amounts.filter((each) => each.stage.work.stageId === stageId),
    ).likely
  }
  return report.stages.flatMap(({ stage, judgement }): PilotProposal[] => {
    if (judgement?.verdict === 'did nothing') {
      const seconds = restAt(figures, stage.id, report.estimate)
      return [{ kind: 'leave out', stage, note: judgement.note, seconds }]
    }
    if (judgement?.verdict === 'another colour' && judgement.mix && recipe) {
      const { mix } = judgement
      const material = mixText(mix, shelf)
      const proposal = { kind: 'recolour', stage, note: judgement.note, mix, material } as const
      const after = figures.changed({ project: { ...project, ...recoloured(project, recipe, proposal) } })
      const seconds = restAt(after, stage.id) - restAt(figures, stage.id, report.estimate)
      return [{ ...proposal, seconds, text: `${stage.name} in ${material}` }]
    }
    if (judgement?.verdict !== 'too little' || !recipe) return []
    const facts = factsOf(recipe, shelf).filter((each) =>
      stage.steps.some((step) => step.stepId === each.step.id),
    )
    const wanted = highlightOver(facts, shelf, unit, newId)
    const there = wanted && sameStep(recipe, wanted)
    if (!wanted || (there && standardReaches(there.standard, unit.standard))) return []
    // What the recipe keeps for a better standard is taken from this one on.
    const step = there ? { ...there, standard: wanted.standard } : wanted
    const own = bareStageOf(recipe, step, project)
    const added = figures.changed({
      project: {
        ...project,
        recipes: project.recipes.map((each) => (each === recipe ? withHighlight(each, step) : each)),
        line: [...project.line, own],
      },
    })
    const [paint] = step.mix
    const name = paint ? (shelf.get(paint.materialId)?.name ?? '') : ''
    const where = step.on === 'whole' ? 'everything' : `the ${joinWords(step.on)}`
    return [
      {
        kind: 'add',
        stage,
        note: judgement.note,
        seconds: restAt(added, own.id),
        text: `Highlights of ${name} on ${where}`,
        step,
      },
    ]
  })
}

function highlightOver(
  facts: readonly StepFacts[],
  shelf: Shelf,
  unit: Unit,
  newId: () => string,
): Step | null {
  const [first] = facts
  if (!first?.material) return null
  const lighter = lighterThan(first.material, shelf)
  if (!lighter) return null
  const regions = [...new Set(facts.flatMap((each) => each.regions.map((region) => region.name)))]
  return {
    ...plainStep,
    id: newId() as StepId,
    on: first.whole ? 'whole' : regions,
    mix: [{ materialId: lighter.id, parts: 1 }],
    technique: 'edge',
    standard: unit.standard === 'display' ? 'tabletop' : unit.standard,
    note: 'Quick: only what catches the light.',
  }
}

const [leastLighter, mostLighter] = [10, 40]

/** The opaque colour nearest to this one that is clearly lighter; null when there is none. */
function lighterThan(base: Material, shelf: Shelf): Material | null {
  const from = lightness(base.colour)
  const candidates = [...shelf.values()].filter(({ kind, colour }) => {
    const by = lightness(colour) - from
    return (
      kind === (base.kind === 'metallic' ? 'metallic' : 'opaque') && by >= leastLighter && by <= mostLighter
    )
  })
  return candidates.reduce<Material | null>(
    (best, each) =>
      best && colourDifference(base.colour, best.colour) <= colourDifference(base.colour, each.colour)
        ? best
        : each,
    null,
  )
}

function sameStep(recipe: Recipe, step: Step): Step | undefined {
  return recipe.steps.find(
    (each) =>
      each.technique === step.technique &&
      each.mix[0]?.materialId === step.mix[0]?.materialId &&
      String(each.on) === String(step.on),
  )
}

/** The highlights lie on the last layer of their regions, under what goes over everything afterwards. */
function withHighlight(recipe: Recipe, step: Step): Recipe {
  if (recipe.steps.some((each) => each.id === step.id))
    return { ...recipe, steps: recipe.steps.map((each) => (each.id === step.id ? step : each)) }
  const isOnThem = (each: Step) =>
    each.on !== 'whole' && (step.on === 'whole' || each.on.some((name) => step.on.includes(name)))
  const place = recipe.steps.findLastIndex(isOnThem)
  return { ...recipe, steps: [...recipe.steps.slice(0, place + 1), step, ...recipe.steps.slice(place + 1)] }
}

/** The recipe's steps of the stage in another colour, and the stage with its pot where it has no others. */
function recoloured(
  { recipes, line }: Pick<Job, 'recipes' | 'line'>,
  recipe: Recipe,
  { stage, mix, material }: { readonly stage: Stage; readonly mix: Mix; readonly material: string },
): Pick<Job, 'recipes' | 'line'> {
  const isOwn = (step: Stage['steps'][number]) => step.recipeId === recipe.id
  const own = new Set(stage.steps.filter(isOwn).map((step) => step.stepId))
  const steps = recipe.steps.map((step) => (own.has(step.id) ? { ...step, mix } : step))
  return {
    recipes: recipes.map((each) => (each.id === recipe.id ? { ...each, steps } : each)),
    line: line.map((each) =>
      each.id === stage.id && each.steps.every(isOwn) ? { ...each, material } : each,
    ),
  }
}

/** The project with a proposal taken up: in the recipe, and where a stage is left out on the line as well. */
export function applyPilotProposal(
  { recipes, line }: Pick<Job, 'recipes' | 'line'>,
  unit: Unit,
  proposal: PilotProposal,
): Pick<Job, 'recipes' | 'line'> {
  const recipe = recipes.find((each) => each.unitIds.includes(unit.id))
  if (proposal.kind === 'add') {
    return {
      recipes: recipes.map((each) => (each === recipe ? withHighlight(each, proposal.step) : each)),
      line,
    }
  }
  if (proposal.kind === 'recolour')
    return recipe ? recoloured({ recipes, line }, recipe, proposal) : { recipes, line }
  const own = new Set(
    proposal.stage.steps.filter((step) => step.recipeId === recipe?.id).map((step) => step.stepId),
  )
  const without = recipe ? recipe.unitIds : [unit.id]
  return {
    recipes: recipes.map((each) =>
      each === recipe && own.size > 0
        ? { ...each, steps: each.steps.filter((step) => !own.has(step.id)) }
        : each,
    ),
    line: line.map((stage) =>
      stage.id === proposal.stage.id
        ? {
            ...stage,
            steps: stage.steps.filter((step) => !own.has(step.stepId)),
            notNeededBy: [...new Set([...stage.notNeededBy, ...(own.size > 0 ? without : [unit.id])])],
          }
        : stage,
    ),
  }
}

/** How the pilot was in all: on the clock, against what was expected of the same stages. */
export function pilotTotals(report: PilotReport): { readonly clock: number; readonly expected: number } {
  const timed = report.stages.filter((each) => each.clockSeconds !== null)
  return {
    clock: seconds(Math.round(timed.reduce((sum, each) => sum + (each.clockSeconds ?? 0), 0))),
    expected: seconds(Math.round(timed.reduce((sum, each) => sum + each.expectedSeconds, 0))),
  }
}
