import { planningOf } from './to-plan.ts'
import {
  dateOf,
  type Project,
  type Recipe,
  tableReadyStandard,
  type Tool,
  type Unit,
} from '../trade/index.ts'
import { paintedBy } from '../calendar/index.ts'
import { type Figures, secondsAModel, type TimeRange, totalOf } from '../estimating/index.ts'
import { followedRecipes, lineOfOrder, orderLine } from '../ordering/index.ts'
import { potsFor } from '../recipe/index.ts'
import type { Instant } from '../units/index.ts'
import { besideInPlan } from './beside-in-plan.ts'
import { planLine } from './plan-line.ts'

/** What painting these units by these recipes would come to, were nothing else on the desk. */
export interface WayOutcome {
  /** All models together, with the set-ups of their batches. */
  readonly handsOn: TimeRange
  /** Of a model, set-ups apart; where models differ, on average. */
  readonly secondsPerModel: number
  readonly models: number
  readonly stages: number
  readonly pots: number
  /** Those of them in stock. */
  readonly potsThere: number
  readonly tools: readonly Tool[]
  /** `null` where no plan holds. */
  readonly plan: {
    readonly sittings: number
    readonly finishesAt: Instant
    /** At the desk, with nothing else to do. */
    readonly waitingSeconds: number
    /** Whether it is done by the project's date; `null` without a date. */
    readonly fits: boolean | null
  } | null
}

/** Evaluations of a quick plan: the ways are told apart by far more than a better one would save. */
const effort = 60_000

/** One way at a time, so that the caller can show progress and stop. @param recipes that the units follow. */
export function tryWay(figures: Figures, units: readonly Unit[], recipes: readonly Recipe[]): WayOutcome {
  const { project, shelf } = figures
  const alone: Project = {
    ...project,
    units: units.map((unit) => ({ ...unit, joinedAt: null, pilot: [] })),
    recipes,
    line: [],
    planning: { ...project.planning, pins: [], first: [] },
  }
  let next = 0
  const order = orderLine({
    recipes: followedRecipes(alone),
    shelf,
    weight: 'fewest pots',
    tableReady: tableReadyStandard,
    effort: { width: 4, expansions: 0 },
  })
  const line = lineOfOrder(order, alone, shelf, tableReadyStandard, () => `way ${String(next++)}`)
  const own = figures.untouched().afresh({ ...alone, line })
  const planned = planLine(planningOf(own, { effort }))
  const facts = order.stages.flatMap((stage) => stage.facts)
  const pots = new Set(
    recipes.flatMap((recipe) => {
      const own = units.filter((unit) => recipe.unitIds.includes(unit.id))
      return [
        ...potsFor(
          recipe,
          own.map((unit) => unit.standard),
        ),
      ]
    }),
  )
  const due = paintedBy(dateOf(project), project)
  return {
    handsOn: totalOf(
      own.estimate.rates,
      own.amountsLeft(planned.ok ? besideInPlan(planned.value, own.times) : own.besideByBatch),
    ),
    secondsPerModel: secondsAModel(line, units, own.times),
    models: units.reduce((sum, unit) => sum + unit.models.length, 0),
    stages: line.length,
    pots: pots.size,
    potsThere: [...pots].filter((id) => (shelf.get(id)?.stockMl ?? 0) > 0).length,
    tools: [...new Set(facts.map((each) => each.tool))].filter((tool) => tool !== 'none' && tool !== 'hand'),
    plan: planned.ok
      ? {
          sittings: new Set(planned.value.stretches.map((stretch) => stretch.session)).size,
          finishesAt: planned.value.finishesAt,
          waitingSeconds: planned.value.exposedSeconds,
          fits: due === null ? null : planned.value.finishesAt <= due,
        }
      : null,
  }
}
