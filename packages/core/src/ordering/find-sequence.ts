import { buildSequence } from './build-sequence.ts'
import { improveSequence } from './improve-sequence.ts'
import { leastCost, mostProvable, proveSequence } from './prove-sequence.ts'
import { linksOf, sequenceCost, type FoundSequence, type SequenceProblem } from './sequence.ts'

export interface SequenceEffort {
  /** Beginnings kept while building. */
  readonly width: number
  /** Sets looked at for the proof; none for larger problems than 46. */
  readonly expansions: number
}

/** Up to two dozen members are proved as a rule, in a second or two; beyond, a third of a second is tried. */
function usualEffort(size: number): SequenceEffort {
  return { width: size <= 100 ? 12 : 4, expansions: size <= 24 ? 60_000 : 6000 }
}

/** The cheapest row, proven where the effort allows, else the best found with a bound. Deterministic. */
export function findSequence(
  problem: SequenceProblem,
  effort: SequenceEffort = usualEffort(problem.size),
): FoundSequence {
  if (problem.size === 0) return { order: [], cost: 0, bound: 0, proven: true }
  const links = linksOf(problem)
  const order = improveSequence(links, buildSequence(links, effort.width))
  const cost = sequenceCost(problem, order)
  if (problem.size > mostProvable) {
    const bound = leastCost(links)
    return { order, cost, bound, proven: cost <= bound + 1e-6 }
  }
  const proof = proveSequence(links, cost, effort.expansions)
  if (proof.order)
    return { order: proof.order, cost: sequenceCost(problem, proof.order), bound: proof.bound, proven: true }
  return { order, cost, bound: Math.min(cost, proof.bound), proven: proof.done }
}
