import type { Hex } from '@seriatim/core/colour'
import { orderLine } from '@seriatim/core/ordering'
import { extentPresets } from '@seriatim/core/presets'
import { factsOf, predictColours, type Shelf, type StepFacts } from '@seriatim/core/recipe'
import { tableReadyStandard, type Recipe } from '@seriatim/core/trade'
import type { UnitId } from '@seriatim/core/units'

/** One stretch of a layer over one or more columns, in per cent of the width. */
interface Piece {
  readonly left: number
  readonly width: number
  readonly colour: Hex
}

export interface Layer {
  readonly facts: StepFacts
  /** From 1, in the order in which the layers go on. */
  readonly number: number
  readonly pieces: readonly Piece[]
  /** Goes on from above, so that shadows stay as they were. */
  readonly graded: boolean
}

export interface Cut {
  readonly columns: readonly {
    readonly name: string
    /** The sub-assembly it is painted on; empty for the model itself. */
    readonly apart: string
    readonly left: number
    readonly width: number
  }[]
  /** From the bottom up. */
  readonly layers: readonly Layer[]
}

/** Columns narrower than this, in per cent, could not carry their name. */
const narrowest = 8
const gap = 0.6

/** The recipe as a cut through the paint: a column a region, as wide as its area; layers in working order. */
export function layOutCut(recipe: Recipe, shelf: Shelf): Cut {
  const columns = columnsOf(recipe)
  const place = new Map(columns.map((column) => [column.name, column]))
  const facts = factsOf(recipe, shelf)
  const colours = predictColours(recipe, facts, shelf)
  const largest = recipe.regions.reduce<string | null>(
    (name, region) =>
      region.finish !== 'base' && region.areaShare > (areaOf(recipe, name) ?? -1) ? region.name : name,
    null,
  )
  const layers = inWorkingOrder(recipe, facts, shelf).map((each, index): Layer => {
    const seen = colours.get(each.step.id)
    const pieces =
      each.whole && each.step.except.length === 0
        ? [{ left: 0, width: 100, colour: seen?.get(largest ?? '') ?? '#8f9894' }]
        : each.regions.flatMap(({ name }) => {
            const column = place.get(name)
            return column
              ? [
                  {
                    left: column.left,
                    width: column.width * extentPresets[each.step.extent],
                    colour: seen?.get(name) ?? '#8f9894',
                  },
                ]
              : []
          })
    return { facts: each, number: index + 1, pieces, graded: each.step.technique === 'spray from above' }
  })
  return { columns, layers }
}

function areaOf(recipe: Recipe, name: string | null): number | undefined {
  return recipe.regions.find((region) => region.name === name)?.areaShare
}

function columnsOf({ regions }: Recipe): Cut['columns'] {
  const area = regions.reduce((sum, region) => sum + region.areaShare, 0) || 1
  const wanted = regions.map((region) => Math.max(narrowest, (region.areaShare / area) * 100))
  const all = wanted.reduce((sum, width) => sum + width, 0)
  let left = 0
  return regions.map((region, index) => {
    const width = ((wanted[index] ?? 0) / all) * 100
    const column = { name: region.name, apart: region.apart, left, width: Math.max(1, width - gap) }
    left += width
    return column
  })
}

/** The order of this recipe alone; a quick search is enough to number its layers. */
function inWorkingOrder(recipe: Recipe, facts: readonly StepFacts[], shelf: Shelf): readonly StepFacts[] {
  const roles = ['', ...recipe.steps.flatMap((step) => step.roles)]
  const models = roles.map((role) => ({ role, variants: [] }))
  const order = orderLine({
    recipes: [
      {
        recipe,
        units: [
          {
            unitId: recipe.id as unknown as UnitId,
            name: recipe.name,
            standard: 'display',
            size: 'foot',
            models,
          },
        ],
      },
    ],
    shelf,
    weight: 'fewest pots',
    tableReady: tableReadyStandard,
    effort: { width: 4, expansions: 0 },
  })
  const byId = new Map(facts.map((each) => [each.step.id, each]))
  return order.stages.flatMap((stage) => stage.steps.flatMap((step) => byId.get(step.stepId) ?? []))
}
