import { joinWords, mixText, type Shelf, type StepFacts } from '../recipe/index.ts'
import { isPreparation, type Recipe, type Stage } from '../trade/index.ts'
import { type UnitId, withCapital } from '../units/index.ts'

const longest = 60
/** More regions than these are counted. */
const mostNamed = 3

/** What the hand does at a stage, as one says it: `Black primer`, `Base coat, coat and trousers`, `Add river grit`. */
export function stageName(facts: readonly StepFacts[], shelf: Shelf): string {
  const [first] = facts
  if (!first) return ''
  return withCapital(said(first, facts, shelf)).slice(0, longest)
}

function said(first: StepFacts, facts: readonly StepFacts[], shelf: Shelf): string {
  const { technique, note } = first.step
  const pot = mixText(first.step.mix, shelf).replace(/, spray$/, '')
  const where = placesOf(facts)
  const at = (what: string) => (where === null ? what : `${what}, ${where}`)
  const isOnBase = facts.every(({ onBase }) => onBase)
  if (isOnBase && /\brim\b/i.test(note)) return 'paint rim'
  if (technique === 'spray' || technique === 'varnish') return at(pot === '' ? technique : pot)
  if (technique === 'spray from above') return where === null ? 'zenithal spray' : at(technique)
  if (technique === 'spread')
    return first.material?.kind === 'glue' ? `glue ${where ?? 'all over'}` : at(`spread ${pot}`)
  if (technique === 'sprinkle' || technique === 'stick') return isOnBase ? `add ${pot}` : at(`add ${pot}`)
  if (technique === 'join' && where === null) return 'glue the parts on'
  return where === null && !isPreparation(technique) ? `${technique}, all over` : at(technique)
}

/** The regions it lands on; `null` for all of the model. */
function placesOf(facts: readonly StepFacts[]): string | null {
  if (facts.some(({ whole }) => whole)) return null
  return placesText(facts.flatMap((each) => each.regions.map(({ name }) => name)))
}

function placesText(names: readonly string[]): string {
  const regions = [...new Set(names)]
  if (regions.length <= mostNamed) return joinWords(regions)
  return `${regions.slice(0, mostNamed - 1).join(', ')} and ${String(regions.length - mostNamed + 1)} more`
}

/**
 * The stage's name as it is read for models of these units: of the regions it lands on only those that they have.
 * @param recipes of the project.
 */
export function stageNameFor(
  { name, steps }: Pick<Stage, 'name' | 'steps'>,
  recipes: readonly Recipe[],
  unitIds: readonly UnitId[],
): string {
  const lands = steps.flatMap(({ recipeId, stepId }) => {
    const recipe = recipes.find(({ id }) => id === recipeId)
    const step = recipe?.steps.find(({ id }) => id === stepId)
    return recipe && step ? [{ recipe, on: step.on }] : []
  })
  const own = lands.filter(({ recipe }) => recipe.unitIds.some((id) => unitIds.includes(id)))
  if (own.length === 0 || own.length === lands.length) return name
  const regionsOf = (some: typeof lands) => some.flatMap(({ on }) => (on === 'whole' ? [] : on))
  if (lands.some(({ on }) => on === 'whole')) return name
  return name.replace(placesText(regionsOf(lands)), placesText(regionsOf(own)))
}
