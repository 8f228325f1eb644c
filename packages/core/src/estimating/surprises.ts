import type { StageId, UnitId } from '../units/index.ts'
import type { ObservedTime } from './observe-times.ts'

/** What a stage took on a unit, by its laps, against what was expected of the same models before any of them. */
export interface Surprise {
  readonly stageId: StageId
  readonly unitId: UnitId
  readonly models: number
  readonly tookSeconds: number
  readonly expectedSeconds: number
}

/** Less than this is none: seconds in all, and a share of what was expected. */
const least = { seconds: 120, share: 0.2 }

/**
 * Stages whose laps went far from the presets on a unit, the most minutes first. Laps that teach nothing say nothing here;
 * milestones go over several stages, so they name none.
 */
export function surprises(observed: readonly ObservedTime[]): readonly Surprise[] {
  const sums = new Map<string, Surprise>()
  for (const { kind, silent, stageIds, unitId, models, countedSeconds, expectedSeconds } of observed) {
    const [stageId] = stageIds
    if (kind !== 'lap' || silent !== null || stageId === undefined || unitId === null) continue
    const key = `${stageId} ${unitId}`
    const sum = sums.get(key)
    sums.set(key, {
      stageId,
      unitId,
      models: (sum?.models ?? 0) + models,
      tookSeconds: (sum?.tookSeconds ?? 0) + countedSeconds,
      expectedSeconds: (sum?.expectedSeconds ?? 0) + expectedSeconds,
    })
  }
  const off = ({ tookSeconds, expectedSeconds }: Surprise) => Math.abs(tookSeconds - expectedSeconds)
  return [...sums.values()]
    .filter((each) => off(each) >= least.seconds && off(each) >= each.expectedSeconds * least.share)
    .sort((a, b) => off(b) - off(a))
}
