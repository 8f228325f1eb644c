import type {
  FigureSources,
  LearntBores,
  PilotProposal,
  PilotReport,
  UnitReport,
} from '@seriatim/core/estimating'
import type {
  FollowingUnit,
  HalfPainted,
  JudgementCall,
  LineFinding,
  OrderingInput,
} from '@seriatim/core/ordering'
import type { KeptPlan, LinePlan, PlanChange, RunSheet } from '@seriatim/core/plan'
import type { Progress } from '@seriatim/core/progress'
import type { Shelf } from '@seriatim/core/recipe'
import type { Project, Recipe, Unit } from '@seriatim/core/trade'
import type { Instant } from '@seriatim/core/units'
import type { Cut } from '../recipe-cut.ts'
import type { Looks } from '../recipe-looks.ts'
import type { FindingOfModels } from '../finding-list.tsx'
import { useWorkedOut } from './use-worked-out.ts'

/** What is wrong with a recipe, for the models of the units that follow it. */
export function useFindings(
  recipe: Recipe,
  shelf: Shelf,
  followers: readonly FollowingUnit[],
): readonly FindingOfModels[] | undefined {
  return useWorkedOut({
    lane: 'look',
    name: 'findings',
    about: recipe.id,
    inputs: [recipe, shelf, followers],
    task: async (planner, _, pack) => planner.findFaults(recipe, pack({ shelf }), followers),
  })
}

/** The recipe as a cut through the paint. */
export function useCut(recipe: Recipe, shelf: Shelf): Cut | undefined {
  return useWorkedOut({
    lane: 'look',
    name: 'cut',
    about: recipe.id,
    inputs: [recipe, shelf],
    task: async (planner, _, pack) => planner.layOutCut(recipe, pack({ shelf })),
  })
}

/** What is wrong with the line as it stands. */
export function useLineFindings(
  input: OrderingInput,
  project: Pick<Project, 'id' | 'line'>,
): readonly LineFinding[] | undefined {
  return useWorkedOut({
    lane: 'look',
    name: 'line-findings',
    about: project.id,
    inputs: [input, project.line],
    task: async (planner, _, pack) => planner.lineFindings(pack(input), project.line),
  })
}

/** What the pilot showed, and what it asks for. */
export function usePilot(
  sources: FigureSources,
  unit: Unit,
): { readonly report: PilotReport; readonly proposals: readonly PilotProposal[] } | undefined {
  return useWorkedOut({
    lane: 'look',
    name: 'pilot',
    about: unit.id,
    inputs: [sources, unit],
    task: async (planner, _, pack) => planner.pilot(pack(sources), unit),
  })
}

/** What a unit took beside what was expected, and what it taught. */
export function useUnitReport(sources: FigureSources, unit: Unit): UnitReport | undefined {
  return useWorkedOut({
    lane: 'look',
    name: 'unit-report',
    about: unit.id,
    inputs: [sources, unit],
    task: async (planner, _, pack) => planner.unitReport(pack(sources), unit),
  })
}

/** What the recipe leaves to judgement, with the minutes of either answer. */
export function useJudgementCalls(
  sources: FigureSources | undefined,
  recipe: Recipe,
  units: readonly Unit[],
): readonly JudgementCall[] | undefined {
  return useWorkedOut({
    lane: 'look',
    name: 'judgement-calls',
    about: recipe.id,
    inputs: sources && units.length > 0 ? [sources, recipe, units] : null,
    task: async (planner, _, pack) => (sources ? planner.judgementCalls(pack(sources), recipe, units) : []),
  })
}

/** How a recipe looks from a metre; while nobody asks, without `sources`, nothing is worked out. */
export function useLooks(
  sources: FigureSources | undefined,
  recipe: Recipe,
  units: readonly Unit[],
): Looks | undefined {
  return useWorkedOut({
    lane: 'look',
    name: 'looks',
    about: recipe.id,
    inputs: sources && units.length > 0 ? [sources, recipe, units] : null,
    task: async (planner, _, pack) =>
      sources ? planner.looks(pack(sources), recipe, units) : { merging: [], shown: [], views: [] },
  })
}

/** What the records say of how long the same is borne. */
export function useLearntBores(sources: FigureSources | undefined): LearntBores | undefined {
  return useWorkedOut({
    lane: 'look',
    name: 'bores',
    about: sources?.project.id ?? '',
    inputs: sources ? [sources] : null,
    task: async (planner, _, pack) =>
      sources ? planner.learnBores(pack(sources)) : { stageSeconds: null, unitSeconds: null },
  })
}

/** The plan session by session. */
export function useRunSheets(plan: LinePlan | null, project: Project): readonly RunSheet[] | undefined {
  return useWorkedOut({
    lane: 'look',
    name: 'run-sheets',
    about: project.id,
    inputs: plan && [plan, project],
    task: async (planner, _, pack) => (plan ? planner.runSheets(pack({ project }), plan) : []),
  })
}

/** What a plan changed since an earlier one. */
export function usePlanChanges(
  before: KeptPlan | null,
  plan: LinePlan | null,
  project: Project,
  progress: Progress | undefined,
  now: Instant,
): readonly PlanChange[] | undefined {
  return useWorkedOut({
    lane: 'look',
    name: 'plan-changes',
    about: project.id,
    inputs: before && plan && progress ? [before, plan, project, progress, now] : null,
    task: async (planner, _, pack) =>
      before && plan && progress ? planner.comparePlans(pack({ project, progress }), before, plan, now) : [],
  })
}

/** What changes of the recipes mean for models that are half-way. */
export function useUnderWay(
  known: Pick<Project, 'recipes' | 'line'>,
  project: Project,
  progress: Progress | undefined,
  shelf: Shelf,
): readonly string[] | undefined {
  return useWorkedOut({
    lane: 'look',
    name: 'under-way',
    about: project.id,
    inputs: progress && known.recipes !== project.recipes ? [known, project, progress, shelf] : null,
    task: async (planner, _, pack) =>
      progress ? planner.changeUnderWay(pack({ project, progress, shelf }), known) : [],
  })
}

/** The units that changes since `known` catch half-painted, with what is in doubt. */
export function useHalfPainted(
  known: Project,
  project: Project,
  progress: Progress | undefined,
  shelf: Shelf | undefined,
): readonly HalfPainted[] | undefined {
  return useWorkedOut({
    lane: 'look',
    name: 'half-painted',
    about: project.id,
    inputs: progress && shelf && known.line !== project.line ? [known, project, progress, shelf] : null,
    task: async (planner, _, pack) =>
      progress && shelf ? planner.halfPainted(pack({ project, progress, shelf }), known) : [],
  })
}

/** What the sheet says over all marks: the touch-up round, how the work grew, and what the last sitting brought. */
export function useSheetLooks(sources: FigureSources | undefined) {
  return useWorkedOut({
    lane: 'look',
    name: 'sheet-looks',
    about: sources?.project.id ?? '',
    inputs: sources ? [sources] : null,
    task: async (planner, _, pack) => (sources ? planner.sheetLooks(pack(sources)) : null),
  })
}
