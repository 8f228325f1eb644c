import type { Recipe, Step } from '../trade/index.ts'
import type { StepId } from '../units/index.ts'
import type { Mend } from './rule.ts'

/** The recipe with a finding's mend carried out. `newId` gives a UUID for a step that is added. */
export function applyMend(recipe: Recipe, mend: Mend, newId: () => string): Recipe {
  const { steps } = recipe
  switch (mend.kind) {
    case 'move': {
      const moving = steps.find((step) => step.id === mend.stepId)
      if (!moving) return recipe
      return { ...recipe, steps: insertBefore(without(steps, mend.stepId), moving, mend.before) }
    }
    case 'insert':
      return {
        ...recipe,
        steps: insertBefore(steps, { ...mend.step, id: newId() as StepId }, mend.before),
      }
    case 'change':
      return {
        ...recipe,
        steps: steps.map((step) => (step.id === mend.stepId ? { ...step, ...mend.change } : step)),
      }
    case 'remove':
      return { ...recipe, steps: without(steps, mend.stepId) }
    case 'join':
      return { ...recipe, steps: joined(steps, mend.stepIds) }
  }
}

/** The order with a move carried out. */
export function mendOrder(
  order: readonly StepId[],
  { stepId, before }: Extract<Mend, { kind: 'move' }>,
): readonly StepId[] {
  const rest = order.filter((id) => id !== stepId)
  const place = before === null ? -1 : rest.indexOf(before)
  return place < 0 ? [...rest, stepId] : rest.toSpliced(place, 0, stepId)
}

function without(steps: readonly Step[], id: StepId): readonly Step[] {
  return steps.filter((step) => step.id !== id)
}

function insertBefore(steps: readonly Step[], step: Step, before: StepId | null): readonly Step[] {
  const place = steps.findIndex((each) => each.id === before)
  return place < 0 ? [...steps, step] : [...steps.slice(0, place), step, ...steps.slice(place)]
}

/** All of them as one step, at the place of the last: every region has its lower layers by then. */
function joined(steps: readonly Step[], ids: readonly StepId[]): readonly Step[] {
  const parts = steps.filter((step) => ids.includes(step.id))
  const last = parts.at(-1)
  if (!last) return steps
  const on = parts.some((step) => step.on === 'whole')
    ? ('whole' as const)
    : [...new Set(parts.flatMap((step) => (step.on === 'whole' ? [] : step.on)))]
  return steps.flatMap((step) => {
    if (step.id === last.id) return [{ ...last, on }]
    return ids.includes(step.id) ? [] : [step]
  })
}

/** `Plan 2 coats`: what a mend does, as one says it. */
export function mendText(mend: Mend): string {
  switch (mend.kind) {
    case 'move':
      return 'Move it below'
    case 'insert':
      return 'Put the missing layer in'
    case 'change':
      if (mend.change.coats !== undefined) return `Plan ${String(mend.change.coats)} coats`
      if (mend.change.except) return 'Leave those out of it'
      return mend.change.on ? 'Go round them' : 'Give it its time'
    case 'remove':
      return 'Leave it out'
    case 'join':
      return 'Do them together'
  }
}
