import { knownPace, type Hand } from '@seriatim/contract'
import type { AirAt } from '@seriatim/core/air'
import {
  extrasFor,
  Figures,
  learnBores,
  pilotProposals,
  pilotReport,
  unitReport,
  standardCosts,
  type FigureSources,
} from '@seriatim/core/estimating'
import {
  drawDesk,
  forecastFigures,
  layDesk,
  tryOffer,
  type DeskInput,
  type DeskPlan,
  type OddsWish,
  type Offer,
  type SolvedDesk,
} from '@seriatim/core/forecasting'
import { priceMovers, quoteTiers, type QuoteInput } from '@seriatim/core/money'
import {
  asTaken,
  changeUnderWay,
  halfPainted,
  findFaults,
  isFault,
  followLine,
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
  planningOf,
  runSheets,
  tryWay,
  trySplit,
  type KeptPlan,
  type LinePlan,
  type PlanProblem,
  type PlanWish,
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
import { LRUCache } from 'lru-cache'
import { v5, v7 } from 'uuid'
import { layOutCut } from '../recipe-cut.ts'
import { looksOf } from '../recipe-looks.ts'
import { createObjectStore } from './object-cache.ts'

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

const { unpack, ...keeper } = createObjectStore()

/** The last figures that were asked for, by what they follow from: pages ask several things of one moment. */
const lastFigures = new LRUCache<string, Figures>({ max: 3 })

/** @param sources as they were sent: what was held is told by its number. */
function figuresOf(sources: FigureSources): Figures {
  const key = JSON.stringify(sources)
  const figures = lastFigures.get(key) ?? Figures.of(unpack(sources))
  lastFigures.set(key, figures)
  return figures
}

/** A job as it is told of: its log is read here. */
export interface JobToPlan {
  readonly project: Project
  readonly events: readonly ProgressEvent[]
}

/** All that is planned at the desk, and what is around it. */
export interface Queue extends Pick<FigureSources, 'shelf' | 'clock'> {
  readonly jobs: readonly JobToPlan[]
  readonly readings: readonly AirAt[]
  readonly hand: Pick<Hand, 'brought' | 'elsewhere'>
}

export interface DeskWish extends Omit<DeskInput, 'jobs' | 'isCalledOff'>, Queue {}

function laidDesk(wish: DeskWish, turn: number): Result<SolvedDesk, PlanProblem> {
  const { jobs, shelf, readings, hand, clock, ...input } = unpack(wish)
  const [first, ...others] = jobs.map(({ project, events }) =>
    Figures.of({
      project,
      progress: foldProgress(events),
      shelf,
      readings,
      known: knownPace(hand, project.id),
      clock,
    }),
  )
  if (!first) throw new Error('a desk without jobs')
  return layDesk({ ...input, jobs: [first, ...others], isCalledOff: heard(turn) })
}

/** A quote that is asked for: the figures of its project are made here. */
export interface QuoteWish extends Omit<QuoteInput, 'figures'> {
  readonly sources: FigureSources
}

const quoteInput = ({ sources, ...wish }: QuoteWish): QuoteInput => ({ ...wish, figures: figuresOf(sources) })

/** What was laid last, by the turns in which it was: its futures are drawn from it. */
const desks = new LRUCache<number, SolvedDesk>({ max: 5 })

/** Every input may name what was sent before instead of bringing it again; see `object-cache.ts`. */
const planner = {
  ...keeper,
  listenTo: (memory: SharedArrayBuffer) => {
    calledOff = new Int32Array(memory)
  },
  layDesk: (wish: DeskWish, turn: number) => {
    const laid = laidDesk(wish, turn)
    if (!laid.ok) return laid
    desks.set(turn, laid.value)
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
  planLine: (sources: FigureSources, wish: PlanWish, turn: number) =>
    planLine(planningOf(figuresOf(sources), { ...wish, isCalledOff: heard(turn) })),
  trySplit: (sources: FigureSources, wish: PlanWish, split: BatchSplit, turn: number) =>
    trySplit(planningOf(figuresOf(sources), { ...wish, isCalledOff: heard(turn) }), split),
  /** @param offer `null`: how it may go as it is planned. */
  tryOffer: (sources: FigureSources, wish: OddsWish, offer: Offer | null, turn: number) => {
    const asked = { ...wish, isCalledOff: heard(turn) }
    return offer ? tryOffer(figuresOf(sources), offer, asked) : forecastFigures(figuresOf(sources), asked)
  },
  tryWay: (sources: FigureSources, units: readonly Unit[], recipes: readonly Recipe[]) =>
    tryWay(figuresOf(sources), units, recipes),
  orderLine: (input: OrderingInput) => orderLine(unpack(input)),
  offersOfSameness: (input: OrderingInput, order: LineOrder) => offersOfSameness(unpack(input), order),
  estimate: (sources: FigureSources) => {
    const { estimate, times, room, left } = figuresOf(sources)
    return { estimate, times, room, left }
  },
  quoteTiers: (wish: QuoteWish) => quoteTiers(quoteInput(wish)),
  priceMovers: (wish: QuoteWish, standard: Standard) => priceMovers(quoteInput(wish), standard),
  standardCosts: (sources: FigureSources) => standardCosts(figuresOf(sources)),
  extrasFor: (
    sources: FigureSources,
    standardOf: ReadonlyMap<UnitId, Standard>,
    seconds: number,
    safety: number,
  ) => extrasFor(figuresOf(sources), standardOf, seconds, safety),
  findFaults: (recipe: Recipe, input: { readonly shelf: Shelf }, units: readonly FollowingUnit[]) => {
    const models = units.flatMap((unit) => unit.models)
    const taken = asTaken({ recipe, units })
    const found = findFaults(taken, unpack(input).shelf, models.length > 0 ? { models } : {})
    return found.filter(isFault).map((finding) => ({ ...finding, models: models.length }))
  },
  judgementCalls: (sources: FigureSources, recipe: Recipe, units: readonly Unit[]) =>
    judgementCalls({ figures: figuresOf(sources), recipe, units, newId: v7 }),
  looks: (sources: FigureSources, recipe: Recipe, units: readonly Unit[]) =>
    looksOf(figuresOf(sources), recipe, units),
  layOutCut: (recipe: Recipe, input: { readonly shelf: Shelf }) => layOutCut(recipe, unpack(input).shelf),
  lineFindings: (input: OrderingInput, line: readonly Stage[]) => judgeOf(unpack(input))(line),
  lineOfOrder: (input: { readonly project: Project; readonly shelf: Shelf }, order: LineOrder) => {
    const { project, shelf } = unpack(input)
    return lineOfOrder(order, project, shelf, tableReadyStandard, (name) => v5(name, project.id))
  },
  /** @param before as the server has it. @param after with what waits to be delivered. */
  followLine: (
    input: { readonly project: Project; readonly shelf: Shelf },
    after: Pick<Project, 'id' | 'units' | 'recipes' | 'line'>,
  ) => {
    const { project: before, shelf } = unpack(input)
    return followLine(before, after, shelf, (name) => v5(name, before.id))
  },
  unitReport: (sources: FigureSources, unit: Unit) => unitReport(figuresOf(sources), unit),
  pilot: (sources: FigureSources, unit: Unit) => {
    const figures = figuresOf(sources)
    const report = pilotReport(figures, unit)
    return { report, proposals: pilotProposals(figures, unit, report, v7) }
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
  halfPainted: (
    input: { readonly project: Project; readonly progress: Progress; readonly shelf: Shelf },
    known: Pick<Project, 'units' | 'recipes' | 'line'>,
  ) => {
    const { project, progress, shelf } = unpack(input)
    return halfPainted(known, project, progress, shelf)
  },
  learnBores: (sources: FigureSources) => {
    const { project, progress, estimate } = figuresOf(sources)
    return learnBores(project, progress, estimate.observed)
  },
  sheetLooks: (sources: FigureSources) => {
    const { project, progress, times } = figuresOf(sources)
    return {
      round: touchUpRound(project, progress, times),
      burnUp: burnUp(project, progress, times),
      sitting: lastSitting(project, progress, times),
    }
  },
}

export type Planner = typeof planner

expose(planner)
