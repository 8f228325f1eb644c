import type { Shelf } from '../recipe/index.ts'
import { type Project, type Stage, tableReadyStandard } from '../trade/index.ts'
import { isSameLine } from './line-difference.ts'
import { followedRecipes, lineOfOrder } from './line-of-order.ts'
import { orderLine } from './order-line.ts'

type Followed = Pick<Project, 'id' | 'units' | 'recipes' | 'line'>

/**
 * The line that a project's recipes come to, with each pot opened as seldom as can be. A stage of before keeps its identity.
 * @param idOf an id for a stage that is new, the same whenever it is asked for the same name.
 */
function lineOfRecipes(project: Followed, shelf: Shelf, idOf: (name: string) => string): readonly Stage[] {
  const recipes = followedRecipes(project)
  const order = orderLine({ recipes, shelf, weight: 'fewest pots', tableReady: tableReadyStandard })
  return lineOfOrder(order, project, shelf, tableReadyStandard, idOf)
}

/** Whether a change of a project asks for its line: what it follows is another, and nobody changed the line with it. */
export function asksForLine(before: Followed, after: Followed): boolean {
  const isChanged = before.recipes !== after.recipes || before.units !== after.units
  return isChanged && before.line === after.line
}

/**
 * The line after a change that asks for it: what the recipes come to now, as long as the line is what they came to before,
 * or there is none yet. `null` where it stays as it is, since somebody put it in another order.
 */
export function followLine(
  before: Followed,
  after: Followed,
  shelf: Shelf,
  idOf: (name: string) => string,
): readonly Stage[] | null {
  if (followedRecipes(after).length === 0) return null
  const followed =
    before.line.length === 0 ||
    (followedRecipes(before).length > 0 && isSameLine(before.line, lineOfRecipes(before, shelf, idOf)))
  if (!followed) return null
  const line = lineOfRecipes(after, shelf, idOf)
  return isSameLine(after.line, line) ? null : line
}
