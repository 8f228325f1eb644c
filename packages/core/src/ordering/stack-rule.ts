import { formOf, type Material, plainStep, type RuleId, type Step } from '../trade/index.ts'
import type { StepFacts } from '../recipe/index.ts'
import { groundsUnder, type Ground } from './grounds.ts'
import type { Mend, Severity } from './rule.ts'

/** The layers of one region, from the bottom up, in the order they go on. */
interface Stack {
  readonly region: string
  /** The largest region: what is put all over is judged by it. */
  readonly isMain: boolean
  readonly layers: readonly StepFacts[]
  readonly shelf: readonly Material[]
  /** The first step of the recipe that is paint: where something under all paint goes. */
  readonly firstPaint: StepFacts | undefined
}

export interface Fault {
  readonly layers: readonly StepFacts[]
  readonly reason: string
  readonly secondsAtStake: number
  /** What may mend it, the best first. */
  readonly mends: readonly (Mend | null)[]
  /** Where it is not as grave as the rule usually is, or graver. */
  readonly severity?: Severity
}

/** What a layer needs below, above or between. */
export interface StackRule {
  readonly id: RuleId
  readonly severity: Severity
  readonly check: (stack: Stack) => readonly Fault[]
}

interface Looked {
  readonly layer: StepFacts
  readonly below: readonly StepFacts[]
  readonly above: readonly StepFacts[]
  readonly ground: Ground | null
  readonly stack: Stack
}

/** One fault a layer at most, for rules that look at a layer and what lies around it. */
export function eachLayer(check: (looked: Looked) => Fault | null): StackRule['check'] {
  return (stack) => {
    const grounds = groundsUnder(stack.layers)
    return stack.layers.flatMap((layer, index) => {
      const fault = check({
        layer,
        below: stack.layers.slice(0, index),
        above: stack.layers.slice(index + 1),
        ground: grounds[index] ?? null,
        stack,
      })
      return fault ? [fault] : []
    })
  }
}

/** What suits, in stock before what is not, then by `rank`, the least first. */
export function cheapest(
  shelf: readonly Material[],
  suits: (material: Material) => boolean,
  rank: (material: Material) => number = () => 0,
): Material | null {
  const fitting = shelf
    .filter(suits)
    .sort(
      (a, b) => Number(b.stockMl > 0) - Number(a.stockMl > 0) || rank(a) - rank(b) || (a.id < b.id ? -1 : 1),
    )
  return fitting[0] ?? null
}

export const isCan = (material: Material) => formOf(material) === 'can'

export function insertBefore(
  layer: StepFacts,
  material: Material | null,
  some: Pick<Step, 'technique'> & Partial<Step>,
): Mend | null {
  if (!material) return null
  return {
    kind: 'insert',
    before: layer.step.id,
    step: {
      ...plainStep,
      on: layer.step.on,
      except: layer.step.except,
      mix: [{ materialId: material.id, parts: 1 }],
      standard: layer.step.standard,
      roles: layer.step.roles,
      ...some,
    },
  }
}

export const everywhere = { on: 'whole', except: [] } as const

const sprayVarnish = (kind: Material['kind']) => (material: Material) =>
  material.kind === kind && isCan(material)

/** Sprayed over everything, or over the layer's own regions where that would spoil others. */
export function sealBefore(
  layer: StepFacts,
  shelf: readonly Material[],
  kind: Material['kind'],
): readonly (Mend | null)[] {
  const varnish = cheapest(shelf, sprayVarnish(kind))
  return [
    insertBefore(layer, varnish, { technique: 'spray', ...everywhere }),
    insertBefore(layer, varnish, { technique: 'spray' }),
  ]
}
