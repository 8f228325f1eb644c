import type { Step } from './recipe.ts'
import type { StepId } from '../units/index.ts'
import type { Model, Unit } from './job.ts'

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

/**
 * The unit with `variant` given to `count` of its models: first to those that are looked at (leaders, bearers, whoever
 * is no trooper), then evenly through the roster. Who has it keeps it.
 */
export function giveWhereSeen(unit: Unit, variant: string, count: number): Unit {
  const has = (model: Model) => model.variants.includes(variant)
  const seen = unit.models.filter((model) => !has(model) && model.role !== 'trooper')
  const others = unit.models.filter((model) => !has(model) && model.role === 'trooper')
  const left = Math.max(0, count - unit.models.filter(has).length)
  const first = seen.slice(0, left)
  const rest = Math.min(others.length, left - first.length)
  const evenly = Array.from(
    { length: rest },
    (_, index) => others[Math.floor(((index + 0.5) * others.length) / rest)],
  )
  const chosen = new Set([...first, ...evenly])
  return {
    ...unit,
    models: unit.models.map((model) =>
      chosen.has(model) ? { ...model, variants: [...model.variants, variant] } : model,
    ),
  }
}
