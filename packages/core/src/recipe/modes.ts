import type { Seconds } from '../units/index.ts'
import { factsOf, type Shelf } from './step-facts.ts'
import { type Recipe, type Step, type Technique, techniqueFacts } from '../trade/index.ts'
import { setUpPresets } from '../presets/index.ts'

/** One way to do a step, and what it takes for everyone. */
export interface ModeTime {
  readonly technique: Technique
  /** Set-ups and hands-on work of all models. */
  readonly seconds: number
}

/** How many take a step, and in how many goes: each go pays the set-up. */
export interface Takers {
  readonly models: number
  /** As many models on foot have their surface. */
  readonly footModels: number
  readonly batches: number
}

/** The ways of a step, the quickest first; of two as quick the one written first. */
export function modeTimes(
  recipe: Recipe,
  step: Step,
  shelf: Shelf,
  { models, batches }: Pick<Takers, 'models' | 'batches'>,
): readonly ModeTime[] {
  const tool = setUpPresets[techniqueFacts[step.technique].tool].change * 60
  const ways = [{ technique: step.technique, setUpSeconds: tool as Seconds }, ...step.otherModes]
  return ways
    .map(({ technique, setUpSeconds }): ModeTime => {
      const [facts] = factsOf({ ...recipe, steps: [{ ...step, technique }] }, shelf)
      return { technique, seconds: batches * setUpSeconds + models * (facts?.handsOnSecondsPerModel ?? 0) }
    })
    .sort((a, b) => a.seconds - b.seconds)
}
