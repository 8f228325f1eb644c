import { dryingWait, type Model, type Stage, takesStage } from '../trade/index.ts'
import { addSeconds, type Instant, type ModelId, type StageId, type UnitId } from '../units/index.ts'
import type { Progress, Used } from './progress.ts'

/** One hole of a punch strip: a model at a stage. */
export type HoleState =
  | { readonly kind: 'to-do' }
  | { readonly kind: 'in-hand' }
  | { readonly kind: 'drying'; readonly since: Instant; readonly until: Instant }
  | { readonly kind: 'done' }
  | { readonly kind: 'touch-up'; readonly note: string; readonly region: string | null }
  | { readonly kind: 'not-needed' }

export function holeState(
  progress: Progress,
  unitId: UnitId,
  model: Pick<Model, 'id' | 'role' | 'variants'>,
  stage: Stage,
  now: Instant,
): HoleState {
  if (!takesStage(stage, unitId, model)) return { kind: 'not-needed' }
  const mark = progress.marks.get(model.id)?.get(stage.id)
  if (mark?.kind === 'skipped') return { kind: 'not-needed' }
  if (mark?.kind === 'touch-up') return { kind: 'touch-up', note: mark.note, region: mark.region }
  if (mark) {
    const until = addSeconds(mark.at, mark.drySeconds ?? dryingWait(stage))
    return until > now ? { kind: 'drying', since: mark.at, until } : { kind: 'done' }
  }
  const inHand = progress.running.some(
    (clock) => clock.stageId === stage.id && clock.modelIds.includes(model.id),
  )
  return { kind: inHand ? 'in-hand' : 'to-do' }
}

/** Goes without the stage by a decision at the desk: it is neither done nor to do. */
export function isSkipped(
  { marks }: Pick<Progress, 'marks'>,
  modelId: ModelId,
  { id }: Pick<Stage, 'id'>,
): boolean {
  return marks.get(modelId)?.get(id)?.kind === 'skipped'
}

/** Some stage is marked on the model. */
export function isBegun({ marks }: Pick<Progress, 'marks'>, modelId: ModelId): boolean {
  return (marks.get(modelId)?.size ?? 0) > 0
}

/** Through the stage, dry or not; a touch-up is small and asked for apart, so it counts as through. */
export function isThrough(progress: Progress, modelId: ModelId, stage: Stage): boolean {
  return progress.marks.get(modelId)?.has(stage.id) ?? false
}

/** Whether a hole is still to be punched: to do, in hand, or waiting for a dab. */
export function isOpenHole({ kind }: HoleState): boolean {
  return kind === 'to-do' || kind === 'in-hand' || kind === 'touch-up'
}

/** Whether the stage has been put on, dry or not; a touch-up counts as through, as in `isThrough`. */
export function isThroughHole({ kind }: HoleState): boolean {
  return kind === 'done' || kind === 'drying' || kind === 'touch-up'
}

/** What was last noted as used at a stage on any of these models; `null`: what the recipe says. */
export function lastUsed(
  { used }: Pick<Progress, 'used'>,
  stageId: StageId,
  modelIds: readonly ModelId[],
): Used | null {
  return (
    used.findLast((each) => each.stageId === stageId && each.modelIds.some((id) => modelIds.includes(id))) ??
    null
  )
}

/** Where and what a slip is, as far as it was said. */
export function slipText({
  region,
  note,
}: {
  readonly region: string | null
  readonly note: string
}): string {
  return [region, note].filter(Boolean).join(', ')
}
