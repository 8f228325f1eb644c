import type { Step } from '../recipe/recipe.ts'
import type { StepId } from '../units/ids.ts'
import type { Model, Unit } from './project.ts'

/**
 * The unit with each model given one of `variants` that has none of them yet, the least used first, in roster
 * order: hair in four colours spread over the unit. Who has one keeps it.
 */
export function spreadVariants(unit: Unit, variants: readonly string[]): Unit {
  const used = new Map(variants.map((variant) => [variant, 0]))
  const count = (model: Model) => {
    for (const variant of model.variants)
      if (used.has(variant)) used.set(variant, (used.get(variant) ?? 0) + 1)
  }
  unit.models.forEach(count)
  const models = unit.models.map((model): Model => {
    if (variants.length === 0 || model.variants.some((variant) => used.has(variant))) return model
    const [least] = [...used].sort((a, b) => a[1] - b[1])
    const given = { ...model, variants: [...model.variants, least?.[0] ?? ''] }
    count(given)
    return given
  })
  return { ...unit, models }
}

/** The steps with one of them once for each variant; the first of these keeps its id. `newId` gives UUIDs. */
export function spreadStep(
  steps: readonly Step[],
  id: StepId,
  variants: readonly string[],
  newId: () => string,
): readonly Step[] {
  return steps.flatMap((step) =>
    step.id === id
      ? variants.map((variant, index) => ({
          ...step,
          id: index === 0 ? id : (newId() as StepId),
          roles: [variant],
        }))
      : [step],
  )
}
