import { type Job, type Standard, standards, type Unit } from '../trade/index.ts'
import type { UnitId } from '../units/index.ts'
import { totalOf, type TimeRange } from './estimate-line.ts'
import type { Figures } from './figures.ts'
import { projectForStandard } from './line-for-standard.ts'

/** What is left to do until a unit is at each standard. */
export interface StandardCosts {
  readonly unitId: UnitId
  /** The standards that its recipe, or its stages, tell apart. */
  readonly offers: readonly Standard[]
  readonly left: Readonly<Record<Standard, TimeRange>>
}

/** For every unit and standard the work left, pots opened for batches of the project's size. */
export function standardCosts(figures: Figures): readonly StandardCosts[] {
  const { project } = figures
  const byStandard = standards.map((standard) => {
    const adapted = figures.changed({ project: projectForStandard(project, standard) })
    return (unitId: UnitId) =>
      totalOf(
        adapted.estimate.rates,
        adapted.amountsLeft(adapted.besideByBatch, ({ work }) => work.unitId === unitId),
      )
  })
  return project.units.map(({ id }) => {
    const ranges = byStandard.map((costOf) => costOf(id))
    const at = (index: number) => ranges[index] ?? { low: 0, likely: 0, high: 0 }
    return {
      unitId: id,
      offers: standardsOffered(id, project),
      left: { 'three-colour': at(0), tabletop: at(1), 'tabletop plus': at(2), display: at(3) },
    }
  })
}

/** The standards that the unit's recipe, or its stages, tell apart. */
export function standardsOffered(
  unitId: UnitId,
  { recipes, line }: Pick<Job, 'recipes' | 'line'>,
): readonly Standard[] {
  const recipe = recipes.find((each) => each.unitIds.includes(unitId))
  if (recipe) return standards.filter((standard) => recipe.steps.some((step) => step.standard === standard))
  const stopLine = line.findIndex((stage) => stage.tableReady)
  return stopLine >= 0 && stopLine < line.length - 1 ? ['tabletop', 'tabletop plus'] : ['tabletop']
}

/** What counts: models, or their points. */
export type Goal = 'models' | 'points'

/** What a model is worth at a standard, where table-ready is 1; ours, and shown beside the answer. */
export const standardWorth: Readonly<Record<Standard, number>> = {
  'three-colour': 0.6,
  tabletop: 1,
  'tabletop plus': 1.1,
  display: 1.15,
}

/** A unit in a time-box: the standard it gets, `null` when it is left for another time. */
export interface Afforded {
  readonly unitId: UnitId
  readonly standard: Standard | null
  readonly seconds: number
  /** Worth an hour, by which the order of work goes; Infinity for what is done already. */
  readonly worthPerHour: number
}

export interface TimeBox {
  readonly availableSeconds: number
  readonly goal: Goal
  /** How much longer than likely to reckon with: 1, or more to be on the safe side. */
  readonly safety: number
}

const slotSeconds = 60

/**
 * The standards that fit into the time and are worth most together: exact to the minute, each unit's minutes
 * rounded up (a knapsack with one choice a unit). Of equal worth the less work. The most worth an hour comes first.
 */
export function affordStandards(
  units: readonly Unit[],
  costs: readonly StandardCosts[],
  { availableSeconds, goal, safety }: TimeBox,
): readonly Afforded[] {
  const slots = Math.max(0, Math.floor(availableSeconds / slotSeconds))
  const choices = units.map((unit) => {
    const cost = costs.find((each) => each.unitId === unit.id)
    const size =
      goal === 'models' ? unit.models.length : unit.models.reduce((sum, model) => sum + model.points, 0)
    return [
      { standard: null, seconds: 0, worth: 0 },
      ...(cost?.offers ?? []).map((standard) => ({
        standard,
        seconds: (cost?.left[standard].likely ?? 0) * safety,
        worth: size * standardWorth[standard],
      })),
    ]
  })
  // best[slot]: the most worth with at most so many minutes; taken[unit][slot]: the choice that gives it.
  let best = new Float64Array(slots + 1)
  const taken: Int8Array[] = []
  for (const options of choices) {
    const next = new Float64Array(slots + 1).fill(Number.NEGATIVE_INFINITY)
    const chosen = new Int8Array(slots + 1)
    options.forEach(({ seconds, worth }, option) => {
      const need = Math.ceil(seconds / slotSeconds)
      for (let slot = need; slot <= slots; slot++) {
        const value = (best[slot - need] ?? 0) + worth
        if (value > (next[slot] ?? 0) + 1e-9) {
          next[slot] = value
          chosen[slot] = option
        }
      }
    })
    best = next
    taken.push(chosen)
  }
  let slot = leastOfSameWorth(best)
  const afforded: Afforded[] = []
  for (let index = units.length - 1; index >= 0; index--) {
    const option = choices[index]?.[taken[index]?.[slot] ?? 0]
    const unit = units[index]
    if (!option || !unit) continue
    slot -= Math.ceil(option.seconds / slotSeconds)
    afforded.push({
      unitId: unit.id,
      standard: option.standard,
      seconds: option.seconds,
      worthPerHour: option.seconds > 0 ? (option.worth * 3600) / option.seconds : Number.POSITIVE_INFINITY,
    })
  }
  return afforded.sort(
    (a, b) => Number(a.standard === null) - Number(b.standard === null) || b.worthPerHour - a.worthPerHour,
  )
}

function leastOfSameWorth(best: Float64Array): number {
  const most = best.at(-1) ?? 0
  return best.findIndex((each) => each >= most - 1e-9)
}
