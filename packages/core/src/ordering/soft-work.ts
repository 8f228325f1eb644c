import { openTimes } from '../presets/index.ts'
import type { StepFacts } from '../recipe/index.ts'
import type { Material } from '../trade/index.ts'

/** How long what is soft bears what comes next: a wipe, or grit strewn into glue; `null` where it has to be dry. */
export function workableTill(soft: StepFacts, next: StepFacts): Material['workable'] {
  const { material } = soft
  if (!material) return null
  if (material.kind !== 'glue') return isWipe(next) ? material.workable : null
  if (!isStrewn(next)) return null
  return material.workable ?? (material.carrier === 'water' ? openTimes.whiteGlue : openTimes.superGlue)
}

/** Wiped, or strewn on: what a soft coat is there for. */
export function isSoftWork(facts: StepFacts): boolean {
  return isWipe(facts) || isStrewn(facts)
}

function isWipe({ step }: StepFacts): boolean {
  return step.technique === 'wipe'
}

function isStrewn({ step, material }: StepFacts): boolean {
  return step.technique === 'sprinkle' && (material?.kind === 'grit' || material?.kind === 'flock')
}
