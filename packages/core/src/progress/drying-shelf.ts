import type { Stage } from '../line/stage.ts'
import type { Batch } from '../project/batches.ts'
import type { Project } from '../project/project.ts'
import type { Instant } from '../units/instant.ts'
import type { Progress } from './progress.ts'
import { holeState } from './hole-state.ts'

/** Models of one batch drying after one stage. */
export interface DryingEntry {
  readonly batch: Batch
  readonly stage: Stage
  readonly models: number
  readonly since: Instant
  /** When the last of them is dry. */
  readonly until: Instant
}

/** What is drying at `now`, the soonest dry first. */
export function dryingShelf(
  project: Pick<Project, 'line'>,
  batches: readonly Batch[],
  progress: Progress,
  now: Instant,
): readonly DryingEntry[] {
  const entries: DryingEntry[] = []
  for (const batch of batches) {
    for (const stage of project.line) {
      const drying = batch.models
        .map((model) => holeState(progress, batch.unitId, model, stage, now))
        .filter((hole) => hole.kind === 'drying')
      const last = drying.reduce<(typeof drying)[number] | null>(
        (latest, hole) => (latest && latest.until >= hole.until ? latest : hole),
        null,
      )
      if (last) entries.push({ batch, stage, models: drying.length, since: last.since, until: last.until })
    }
  }
  return entries.sort((a, b) => a.until - b.until)
}
