import { batchTime, type BatchTimes } from '@seriatim/core/estimating'
import type {
  Feel,
  InspectionVerdict,
  Outcome,
  ProgressEvent,
  RememberedUnit,
  StageWait,
  Verdict,
} from '@seriatim/core/progress'
import { dryingWait, type Mix, type Project } from '@seriatim/core/trade'
import {
  seconds,
  type EventId,
  type Instant,
  type ModelId,
  type Seconds,
  type StageId,
} from '@seriatim/core/units'
import { useMemo } from 'react'
import { v7 } from 'uuid'
import { clockNow } from '../clock.ts'
import { deviceId, nextNumber, usePainterHere } from '../device.ts'
import { outbox } from '../outbox/index.ts'
import { progressStore } from './progress-store.ts'

/** What is said of a stage on the pilot. */
export interface Judged {
  readonly verdict: Verdict
  readonly note: string
  /** The colour that is wanted instead. */
  readonly mix: Mix | null
}

/**
 * What a painter can record; each call is one new event. A punch takes along the wait its coat has and what the hole
 * is worth, as they are on the screen now.
 */
export function useRecorder(
  project: Pick<Project, 'id' | 'planning' | 'line' | 'units'>,
  times?: BatchTimes,
) {
  const painter = usePainterHere(project)
  return useMemo(() => {
    const record = (event: ProgressEvent) => {
      outbox.record({ kind: 'event', projectId: project.id, event })
      progressStore(project.id).record([event])
      return event.id
    }
    const base = () => ({
      id: v7() as EventId,
      at: clockNow(),
      by: { device: deviceId, number: nextNumber(), painter },
    })
    const waitOf = (stageId: StageId) => {
      const stage = project.line.find((each) => each.id === stageId)
      return stage ? { drySeconds: dryingWait(stage) } : {}
    }
    return {
      punch: (stageId: StageId, modelIds: readonly ModelId[]) =>
        record({
          ...base(),
          kind: 'punched',
          stageId,
          modelIds,
          ...waitOf(stageId),
          ...worthOf(project, stageId, modelIds, times),
        }),
      /** What slipped stays as it is: the models count as through, and nothing is wet. */
      leave: (stageId: StageId, modelIds: readonly ModelId[]) =>
        record({
          ...base(),
          kind: 'punched',
          stageId,
          modelIds,
          drySeconds: seconds(0),
          worthSeconds: seconds(0),
        }),
      clear: (stageId: StageId, modelIds: readonly ModelId[]) =>
        record({ ...base(), kind: 'cleared', stageId, modelIds }),
      skip: (stageId: StageId, modelIds: readonly ModelId[], note = '') =>
        record({ ...base(), kind: 'skipped', stageId, modelIds, note }),
      touchUp: (stageId: StageId, modelIds: readonly ModelId[], note: string, region: string | null = null) =>
        record({
          ...base(),
          kind: 'touch-up',
          stageId,
          modelIds,
          note,
          ...(region === null ? {} : { region }),
        }),
      feel: (stageId: StageId, modelIds: readonly ModelId[], feels: Feel) =>
        record({ ...base(), kind: 'felt', stageId, modelIds, feels }),
      inspect: (modelIds: readonly ModelId[], verdict: InspectionVerdict, note: string) =>
        record({ ...base(), kind: 'inspected', modelIds, verdict, note }),
      startClock: (stageId: StageId, modelIds: readonly ModelId[]) =>
        record({ ...base(), kind: 'clock-started', stageId, modelIds }),
      /** @param at when it was to stop, where it ran on since. */
      stopClock: (targetId: EventId, at: Instant = clockNow()) =>
        record({ ...base(), at, kind: 'clock-stopped', targetId }),
      /** @param at when it was done, where that is told later. */
      milestone: (
        stageIds: readonly StageId[],
        modelIds: readonly ModelId[],
        workSeconds: Seconds,
        at: Instant = clockNow(),
      ) =>
        record({
          ...base(),
          at,
          kind: 'milestone',
          stageIds,
          modelIds,
          workSeconds,
          waits: project.line.flatMap((stage): StageWait[] =>
            stageIds.includes(stage.id) ? [{ stageId: stage.id, drySeconds: dryingWait(stage) }] : [],
          ),
        }),
      judge: (stageId: StageId, modelIds: readonly ModelId[], { verdict, note, mix }: Judged) =>
        record({ ...base(), kind: 'judged', stageId, modelIds, verdict, note, ...(mix ? { mix } : {}) }),
      went: (stageId: StageId, modelIds: readonly ModelId[], outcome: Outcome) =>
        record({ ...base(), kind: 'went', stageId, modelIds, outcome }),
      used: (stageId: StageId, modelIds: readonly ModelId[], mix: Mix, note: string) =>
        record({ ...base(), kind: 'used', stageId, modelIds, mix, note }),
      correctLap: (targetId: EventId, workSeconds: Seconds | null, note: string) =>
        record({ ...base(), kind: 'lap-corrected', targetId, workSeconds, note }),
      remember: (unit: RememberedUnit) => record({ ...base(), kind: 'remembered', ...unit }),
      undo: (targetId: EventId) => record({ ...base(), kind: 'undone', targetId }),
    }
  }, [project, painter, times])
}

/** What a hole of these models is worth at the stage, on average. */
function worthOf(
  { line, units }: Pick<Project, 'line' | 'units'>,
  stageId: StageId,
  modelIds: readonly ModelId[],
  times: BatchTimes | undefined,
): { readonly worthSeconds?: Seconds } {
  const stage = line.find((each) => each.id === stageId)
  if (!stage || !times) return {}
  const chosen = new Set(modelIds)
  const worths = units.flatMap((unit) => {
    const worth = batchTime(stage, unit.id, times).secondsPerModel
    return unit.models.flatMap((model) => (chosen.has(model.id) ? [worth] : []))
  })
  if (worths.length === 0) return {}
  return { worthSeconds: Math.round(worths.reduce((sum, each) => sum + each, 0) / worths.length) as Seconds }
}
