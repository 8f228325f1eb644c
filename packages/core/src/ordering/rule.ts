import type { Preferences, RuleId, Step } from '../trade/index.ts'
import { meetOnAModel, shareRegion, type StepFacts, touchEachOther } from '../recipe/index.ts'
import type { StepId } from '../units/index.ts'

/** What breaking a rule does: spoils the work, wastes time, or is what some painters do on purpose. */
export type Severity = 'spoils' | 'wastes' | 'your call'

/** Said as a finding, not as a matter of taste at the recipe. */
export const isFault = ({ severity }: { readonly severity: Severity }): boolean => severity !== 'your call'

/** A change that mends a finding; `applyMend` carries it out. */
export type Mend =
  | { readonly kind: 'move'; readonly stepId: StepId; readonly before: StepId | null }
  | { readonly kind: 'insert'; readonly step: Omit<Step, 'id'>; readonly before: StepId | null }
  | { readonly kind: 'change'; readonly stepId: StepId; readonly change: Partial<Omit<Step, 'id'>> }
  | { readonly kind: 'remove'; readonly stepId: StepId }
  | { readonly kind: 'join'; readonly stepIds: readonly StepId[] }

/** A broken rule: which steps, why it matters, the minutes at stake and what mends it. */
export interface Finding {
  readonly rule: RuleId
  readonly severity: Severity
  readonly stepIds: readonly StepId[]
  readonly reason: string
  /** For one model. */
  readonly secondsAtStake: number
  readonly mend: Mend | null
}

/** The order in which a recipe's steps are looked at, and what its painter prefers. */
export interface Judged {
  readonly inOrder: readonly StepFacts[]
  readonly preferences: Preferences
  /** Name of the largest region that is neither metal nor base. */
  readonly main: string
}

/**
 * "This before that." Used twice: the optimiser keeps to it (a hard rule) or pays for breaking it (the
 * others), and a hand-made order is checked against it.
 */
export interface OrderRule {
  readonly id: RuleId
  readonly severity: Severity
  readonly where: 'same region' | 'touching' | 'same model'
  readonly first: (facts: StepFacts) => boolean
  readonly then: (facts: StepFacts) => boolean
  readonly only?: (first: StepFacts, then: StepFacts) => boolean
  /** Whether the painter wants it at all; a switch that is off is silent everywhere. */
  readonly isOn?: (preferences: Preferences) => boolean
  /** Where the order is only a wish: whether it is worth a word when it is not kept. */
  readonly isFinding?: (first: StepFacts, then: StepFacts, judged: Judged) => boolean
  readonly why: string
  readonly secondsAtStake: (first: StepFacts, then: StepFacts) => number
}

/** Whether the rule says that `first` comes before `then`. */
export function ruleApplies(rule: OrderRule, first: StepFacts, then: StepFacts): boolean {
  return (
    rule.first(first) &&
    rule.then(then) &&
    inReach(rule.where, first, then) &&
    (rule.only?.(first, then) ?? true)
  )
}

function inReach(where: OrderRule['where'], a: StepFacts, b: StepFacts): boolean {
  switch (where) {
    case 'same region':
      return shareRegion(a, b)
    case 'touching':
      return touchEachOther(a, b)
    case 'same model':
      return meetOnAModel(a, b)
  }
}
