import { lineAsFelt } from '@seriatim/core/air'
import {
  estimateLine,
  extrasFor,
  learnBores,
  pilotProposals,
  pilotReport,
  standardCosts,
  workLeft,
  type BatchTimes,
  type EstimateInput,
  type ObservedTime,
} from '@seriatim/core/estimating'
import {
  drawDesk,
  layDesk,
  tryOffer,
  type DeskInput,
  type DeskJob,
  type DeskPlan,
  type Offer,
  type OfferInput,
  type SolvedDesk,
} from '@seriatim/core/forecasting'
import { priceMovers, quoteTiers, type QuoteInput } from '@seriatim/core/money'
import {
  asTaken,
  changeUnderWay,
  findFaults,
  lineJudge,
  judgementCalls,
  lineOfOrder,
  offersOfSameness,
  orderLine,
  type FollowingUnit,
  type LineOrder,
  type OrderingInput,
} from '@seriatim/core/ordering'
import {
  comparePlans,
  planLine,
  runSheets,
  tryWay,
  trySplit,
  type KeptPlan,
  type LinePlan,
  type PlanProblem,
  type ProjectToPlan,
  type WayInput,
  toPlan,
  type PlanningInput,
} from '@seriatim/core/plan'
import { foldProgress, type ProgressEvent, type Progress } from '@seriatim/core/progress'
import type { Shelf } from '@seriatim/core/recipe'
import { burnUp, lastSitting, touchUpRound } from '@seriatim/core/sheet'
import {
  tableReadyStandard,
  type BatchSplit,
  type Project,
  type Recipe,
  type Stage,
  type Standard,
  type Unit,
} from '@seriatim/core/trade'
import { success, type Instant, type Result, type UnitId } from '@seriatim/core/units'
import { expose } from 'comlink'
import { v5, v7 } from 'uuid'
import { layOutCut } from '../recipe-cut.ts'
import { createKeeper } from './held.ts'

/** What a sum over all models needs. */
interface WholeProgress {
  readonly project: Project
  readonly progress: Progress
  readonly times: BatchTimes | undefined
}

/** An estimate's input over a whole project. */
export type WholeInput = EstimateInput & { readonly project: Project }

/** The last judge of a line: while the recipes stay, only the line is looked at anew. */
let judge: { readonly of: OrderingInput; readonly line: ReturnType<typeof lineJudge> } | null = null

function judgeOf(of: OrderingInput): ReturnType<typeof lineJudge> {
  const isSame =
    judge?.of.recipes === of.recipes && judge.of.shelf === of.shelf && judge.of.weight === of.weight
  if (!judge || !isSame) judge = { of, line: lineJudge(of) }
  return judge.line
}

/** The highest turn that is called off; shared with the page, so that it is heard in the middle of a search. */
let calledOff: Int32Array | null = null

const heard = (turn: number) => () => calledOff !== null && Atomics.load(calledOff, 0) >= turn

const { unpack, ...keeper } = createKeeper()

/** A job as it is told of: its log is read here. */
export interface JobToPlan {
  readonly project: Project
  readonly events: readonly ProgressEvent[]
}

export interface DeskWish extends Omit<DeskInput, 'jobs' | 'isCalledOff'> {
  readonly jobs: readonly JobToPlan[]
}

function jobOf({ project, events }: JobToPlan): DeskJob {
  const progress = foldProgress(events)
  return { project: { ...project, line: [...lineAsFelt(project.line, progress.touches)] }, progress }
}

/** What was laid last, by the turns in which it was: its futures are drawn from it. */
const desks = new Map<number, SolvedDesk>()
const desksKept = 5

function laidDesk({ jobs, ...input }: DeskWish, turn: number): Result<SolvedDesk, PlanProblem> {
  const [first, ...others] = jobs.map(jobOf)
  if (!first) throw new Error('a desk without jobs')
  return layDesk({ ...unpack(input), jobs: [first, ...others], isCalledOff: heard(turn) })
}

const fromProject = ({ project, ...more }: ProjectToPlan): PlanningInput => ({ ...toPlan(project), ...more })

/** Every input may name what was sent before instead of bringing it again; see `held.ts`. */
const planner = {
  ...keeper,
  listenTo: (memory: SharedArrayBuffer) => {
    calledOff = new Int32Array(memory)
  },
  layDesk: (wish: DeskWish, turn: number) => {
    const laid = laidDesk(wish, turn)
    if (!laid.ok) return laid
    desks.set(turn, laid.value)
    for (const oldest of [...desks.keys()].slice(0, Math.max(0, desks.size - desksKept))) desks.delete(oldest)
    return success({ laid: laid.value.laid, of: turn })
  },
  /** @param of the turn in which it was laid; where that is forgotten it is laid again, which comes to the same. */
  drawDesk: (
    wish: DeskWish,
    of: number,
    turn: number,
  ): Result<Pick<DeskPlan, 'forecast' | 'jobs'>, PlanProblem> => {
    const kept = desks.get(of)
    desks.delete(of)
    const laid = kept ? success(kept) : laidDesk(wish, turn)
    if (!laid.ok) return laid
    const { confidence } = wish
    const asked = { isCalledOff: heard(turn), ...(confidence === undefined ? {} : { confidence }) }
    // The plan is there already, and large.
    const { forecast, jobs } = drawDesk(laid.value, asked)
    return success({ forecast, jobs })
  },
  planLine: (input: ProjectToPlan, turn: number) =>
    planLine({ ...fromProject(unpack(input)), isCalledOff: heard(turn) }),
  trySplit: (input: ProjectToPlan, split: BatchSplit, turn: number) =>
    trySplit({ ...fromProject(unpack(input)), isCalledOff: heard(turn) }, split),
  tryOffer: (input: OfferInput, offer: Offer | null, turn: number) =>
    tryOffer({ ...unpack(input), isCalledOff: heard(turn) }, offer),
  tryWay: (input: WayInput, units: readonly Unit[], recipe: Recipe) => tryWay(unpack(input), units, recipe),
  orderLine: (input: OrderingInput) => orderLine(unpack(input)),
  offersOfSameness: (input: OrderingInput, order: LineOrder) => offersOfSameness(unpack(input), order),
  estimateLine: (input: EstimateInput) => estimateLine(unpack(input)),
  quoteTiers: (input: QuoteInput) => quoteTiers(unpack(input)),
  priceMovers: (input: QuoteInput, standard: Standard) => priceMovers(unpack(input), standard),
  standardCosts: (input: WholeInput) => standardCosts(unpack(input)),
  extrasFor: (
    input: WholeInput,
    standardOf: ReadonlyMap<UnitId, Standard>,
    seconds: number,
    safety: number,
  ) => extrasFor(unpack(input), standardOf, seconds, safety),
  findFaults: (recipe: Recipe, input: { readonly shelf: Shelf }, units: readonly FollowingUnit[]) => {
    const models = units.flatMap((unit) => unit.models)
    const taken = asTaken({ recipe, units })
    const found = findFaults(taken, unpack(input).shelf, models.length > 0 ? { models } : {})
    return found.map((finding) => ({ ...finding, models: models.length }))
  },
  judgementCalls: (
    recipe: Recipe,
    input: { readonly shelf: Shelf },
    units: readonly Unit[],
    batchSize: number,
  ) => judgementCalls({ recipe, units, shelf: unpack(input).shelf, batchSize, newId: v7 }),
  layOutCut: (recipe: Recipe, input: { readonly shelf: Shelf }) => layOutCut(recipe, unpack(input).shelf),
  lineFindings: (input: OrderingInput, line: readonly Stage[]) => judgeOf(unpack(input))(line),
  lineOfOrder: (input: { readonly project: Project; readonly shelf: Shelf }, order: LineOrder) => {
    const { project, shelf } = unpack(input)
    return lineOfOrder(order, project, shelf, tableReadyStandard, (name) => v5(name, project.id))
  },
  pilot: (input: WholeInput, unit: Unit) => {
    const whole = unpack(input)
    const report = pilotReport(whole, unit)
    return { report, proposals: pilotProposals(whole, unit, report, v7) }
  },
  runSheets: (input: { readonly project: Project }, plan: LinePlan) => runSheets(plan, unpack(input).project),
  comparePlans: (
    input: { readonly project: Project; readonly progress: Progress },
    before: KeptPlan,
    plan: LinePlan,
    now: Instant,
  ) => {
    const { project, progress } = unpack(input)
    return comparePlans(before, plan, project, progress, now)
  },
  changeUnderWay: (
    input: { readonly project: Project; readonly progress: Progress; readonly shelf: Shelf },
    known: Pick<Project, 'recipes' | 'line'>,
  ) => {
    const { project, progress, shelf } = unpack(input)
    // Stages that left the line with the change are still on the models.
    const gone = known.line.filter((stage) => project.line.every((each) => each.id !== stage.id))
    const both = { ...project, line: [...gone, ...project.line] }
    return known.recipes.flatMap((before) => {
      const after = project.recipes.find((each) => each.id === before.id) ?? null
      return changeUnderWay(both, progress, before, after, shelf)
    })
  },
  learnBores: (
    input: { readonly project: Project; readonly progress: Progress },
    observed: readonly ObservedTime[],
  ) => {
    const { project, progress } = unpack(input)
    return learnBores(project, progress, observed)
  },
  sheetLooks: (input: WholeProgress) => {
    const { project, progress, times } = unpack(input)
    return {
      round: touchUpRound(project, progress, times),
      burnUp: burnUp(project, progress, times),
      sitting: lastSitting(project, progress, times),
    }
  },
  workLeft: (input: WholeProgress) => {
    const { project, progress, times } = unpack(input)
    return workLeft(project, progress, times)
  },
}

export type Planner = typeof planner

expose(planner)
