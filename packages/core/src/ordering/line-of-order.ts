import type { Caution } from '../line/cautions.ts'
import type { Stage } from '../line/stage.ts'
import type { Project } from '../project/project.ts'
import type { Standard, StepRef } from '../recipe/recipe.ts'
import { joinWords, type Shelf, type StepFacts } from '../recipe/step-facts.ts'
import type { StageId } from '../units/ids.ts'
import { seconds } from '../units/seconds.ts'
import type { LineOrder, OrderedStage } from './order-line.ts'
import { openSeconds, type OrderedRecipe } from './pieces.ts'

/** The project's recipes with the units that follow them; recipes nobody follows are left out. */
export function followedRecipes(project: Pick<Project, 'recipes' | 'units'>): readonly OrderedRecipe[] {
  return project.recipes.flatMap((recipe) => {
    const units = project.units
      .filter((unit) => recipe.unitIds.includes(unit.id))
      .map((unit) => ({
        unitId: unit.id,
        name: unit.name,
        roles: unit.models.map((model) => model.role),
      }))
    return units.length > 0 ? [{ recipe, units }] : []
  })
}

/**
 * The ordered stages as the project's line. A stage keeps the identity, and with it the progress, of the one
 * on the old line that carried out most of its steps. `newId` gives UUIDs for the others.
 */
export function lineOfOrder(
  order: LineOrder,
  project: Pick<Project, 'units' | 'line'>,
  shelf: Shelf,
  tableReady: Standard,
  newId: () => string,
): readonly Stage[] {
  const taken = new Set<StageId>()
  const stops = order.stopLines.map((stop) => stop.after[tableReady] ?? -1)
  const lastNeeded = Math.max(-1, ...stops)
  return order.stages.map((ordered, index) => {
    const old = closestStage(project.line, ordered.steps, taken)
    if (old) taken.add(old.id)
    const models = project.units
      .filter((unit) => ordered.units.includes(unit.id))
      .reduce((sum, unit) => sum + unit.models.length, 0)
    const drying = ordered.facts.map((facts) => facts.drying)
    return {
      id: old?.id ?? (newId() as StageId),
      name: stageName(ordered),
      material: potName(ordered.facts, shelf),
      touch: touchOf(ordered),
      handsOnSecondsPerModel: seconds(Math.round(ordered.handsOnSeconds / Math.max(1, models))),
      setUpSeconds: seconds(Math.round(openSeconds(ordered.facts))),
      dryingMinSeconds: seconds(Math.max(0, ...drying.map((range) => range.min))),
      dryingMaxSeconds: seconds(Math.max(0, ...drying.map((range) => range.max))),
      notNeededBy: project.units.filter((unit) => !ordered.units.includes(unit.id)).map((unit) => unit.id),
      tableReady: index === lastNeeded,
      cautions: [...new Set(ordered.facts.flatMap(cautionsOf))],
      note: [...new Set(ordered.facts.map((facts) => facts.step.note))]
        .filter((note) => note !== '')
        .join(' '),
      steps: ordered.steps,
    }
  })
}

function closestStage(
  line: readonly Stage[],
  steps: readonly StepRef[],
  taken: ReadonlySet<StageId>,
): Stage | undefined {
  const wanted = new Set(steps.map((step) => step.stepId))
  const shared = (stage: Stage) => stage.steps.filter((step) => wanted.has(step.stepId)).length
  return line
    .filter((stage) => !taken.has(stage.id) && shared(stage) > 0)
    .sort((a, b) => shared(b) - shared(a))[0]
}

/** What is done where: `Base coat: coat and trousers`. */
function stageName({ facts }: OrderedStage): string {
  const [first] = facts
  if (!first) return ''
  const technique = first.step.technique
  const regions = [...new Set(facts.flatMap((each) => each.regions.map((region) => region.name)))]
  const where = facts.some((each) => each.whole)
    ? 'all over'
    : regions.length > 3
      ? 'details'
      : joinWords(regions)
  const name = `${technique.slice(0, 1).toUpperCase()}${technique.slice(1)}, ${where}`
  return name.slice(0, 60)
}

function potName(facts: readonly StepFacts[], shelf: Shelf): string {
  const mixes = facts.map(({ step }) => {
    if (step.mix.length === 1) return shelf.get(step.mix[0]?.materialId ?? ('' as never))?.name ?? ''
    return step.mix
      .map(({ materialId, parts }) => `${String(parts)} ${shelf.get(materialId)?.name ?? 'unknown'}`)
      .join(' : ')
  })
  return [...new Set(mixes)].join(' + ').slice(0, 80)
}

function touchOf({ facts }: OrderedStage): Stage['touch'] {
  if (facts.some((each) => each.whole)) return { kind: 'whole' }
  if (facts.every((each) => each.onBase)) return { kind: 'base' }
  return {
    kind: 'regions',
    regions: [...new Set(facts.flatMap((each) => each.regions.map(({ name }) => name)))],
  }
}

function cautionsOf(facts: StepFacts): readonly Caution[] {
  const kind = facts.material?.kind
  const spirit = facts.material?.carrier === 'spirit' && !facts.sprayed
  return [
    ...(facts.sprayed ? (['spray'] as const) : []),
    ...(spirit ? (['solvent'] as const) : []),
    ...(kind === 'oil' || kind === 'dip' ? (['oily-rags'] as const) : []),
    ...(kind === 'pigment' ? (['dust'] as const) : []),
    ...(facts.step.technique === 'prepare' ? (['knife', 'dust'] as const) : []),
  ]
}
