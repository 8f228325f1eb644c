import type { Batch, Job, Stage } from '../trade/index.ts'
import { addSeconds, type Instant, type ModelId, type StageId } from '../units/index.ts'
import type { Progress } from './progress.ts'
import { holeState } from './hole-state.ts'

/** Models of one batch drying after one stage. */
export interface DryingEntry {
  readonly batch: Batch
  readonly stage: Stage
  readonly modelIds: readonly ModelId[]
  readonly since: Instant
  /** When the last of them is dry. */
  readonly until: Instant
}

/** What is drying at `now`, the soonest dry first. */
export function dryingShelf(
  project: Pick<Job, 'line'>,
  batches: readonly Batch[],
  progress: Progress,
  now: Instant,
): readonly DryingEntry[] {
  return batches
    .flatMap((batch) => dryingOf(project.line, batch, progress, now))
    .sort((a, b) => a.until - b.until)
}

/** Goes by the marks there are: of a large project's stages and models few are wet at a time. */
function dryingOf(
  line: readonly Stage[],
  batch: Batch,
  progress: Progress,
  now: Instant,
): readonly DryingEntry[] {
  const wet = new Set<StageId>()
  for (const model of batch.models)
    for (const [stageId, mark] of progress.marks.get(model.id) ?? [])
      if (mark.kind === 'punched' && (mark.drySeconds === null || addSeconds(mark.at, mark.drySeconds) > now))
        wet.add(stageId)
  return line.flatMap((stage) => {
    if (!wet.has(stage.id)) return []
    const drying = batch.models.flatMap((model) => {
      const hole = holeState(progress, batch.unitId, model, stage, now)
      return hole.kind === 'drying' ? [{ ...hole, id: model.id }] : []
    })
    const last = drying.reduce<(typeof drying)[number] | null>(
      (latest, hole) => (latest && latest.until >= hole.until ? latest : hole),
      null,
    )
    if (!last) return []
    const modelIds = drying.map((hole) => hole.id)
    return [{ batch, stage, modelIds, since: last.since, until: last.until }]
  })
}
