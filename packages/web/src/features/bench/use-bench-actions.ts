import { isThrough, type Clock, type Progress } from '@seriatim/core/progress'
import { batchName, type Project } from '@seriatim/core/trade'
import type { EventId, Instant, ModelId } from '@seriatim/core/units'
import { useCallback } from 'react'
import { toast } from 'sonner'
import { clockNow } from '../../shared/clock.ts'
import { stopwatchText } from '../../shared/format/index.ts'
import type { useRecorder } from '../../shared/progress/index.ts'
import { isLastOfClock, type BenchTask } from './bench-task.ts'

type Recorder = ReturnType<typeof useRecorder>

/** What the bench's keys and buttons do; each is one or two new events. */
export interface BenchActions {
  readonly start: () => void
  readonly next: () => void
  readonly allDone: () => void
  /** The models that are left go without this stage, or keep the slip that waits for a dab. */
  readonly notNeeded: () => void
  readonly stop: () => void
  /** Stops the clock at a moment that lies back: it ran on by itself since. */
  readonly stopAt: (moment: Instant) => void
  readonly undo: () => void
  readonly redo: () => void
}

export function useBenchActions(
  project: Project,
  progress: Progress,
  task: BenchTask | null,
  recorder: Recorder,
  running: Clock | null,
): BenchActions {
  const { lastUndoable, lastUndo } = progress

  const finishClock = useCallback(
    (targetId: EventId, justDone: readonly ModelId[], at = clockNow()) => {
      recorder.stopClock(targetId, at)
      const stage = project.line.find((each) => each.id === running?.stageId)
      if (!running || !stage) return
      const through = running.modelIds.filter((id) => justDone.includes(id) || isThrough(progress, id, stage))
      const spent = (at - running.startedAt) / 1000
      const each = through.length > 0 ? `, ${stopwatchText(spent / through.length)} each` : ''
      toast(`${stage.name}: ${stopwatchText(spent)} on the clock${each}.`)
    },
    [project, progress, recorder, running],
  )

  const start = useCallback(() => {
    if (task && task.left.length > 0) recorder.startClock(task.stage.id, task.left)
  }, [task, recorder])

  const punch = useCallback(
    (modelIds: readonly ModelId[]) => {
      if (!task || modelIds.length === 0) return
      recorder.punch(task.stage.id, modelIds)
      if (!running || modelIds.length < task.left.length) return
      // What has to follow soon is done group by group; else a clock ends with the last of what it was started on.
      if (task.later.length > 0 || isLastOfClock(project, progress, running, modelIds))
        finishClock(running.eventId, modelIds)
    },
    [project, progress, task, recorder, running, finishClock],
  )

  return {
    start,
    next: useCallback(() => punch(task?.left.slice(0, 1) ?? []), [punch, task]),
    allDone: useCallback(() => punch(task?.left ?? []), [punch, task]),
    notNeeded: useCallback(() => {
      if (!task || task.left.length === 0) return
      const id = task.touchUp
        ? recorder.leave(task.stage.id, task.left)
        : recorder.skip(task.stage.id, task.left)
      if (running && isLastOfClock(project, progress, running, task.left)) finishClock(running.eventId, [])
      const how = task.touchUp ? 'stay as they are' : 'go without it'
      toast(`${task.stage.name}: ${String(task.left.length)} ${how}.`, {
        action: { label: 'Undo', onClick: () => recorder.undo(id) },
      })
    }, [project, progress, task, recorder, running, finishClock]),
    stop: useCallback(() => {
      if (running) finishClock(running.eventId, [])
    }, [running, finishClock]),
    stopAt: useCallback(
      (moment) => {
        if (running) finishClock(running.eventId, [], moment)
      },
      [running, finishClock],
    ),
    undo: useCallback(() => {
      if (lastUndoable) recorder.undo(lastUndoable.id)
    }, [lastUndoable, recorder]),
    redo: useCallback(() => {
      if (lastUndo) recorder.undo(lastUndo)
    }, [lastUndo, recorder]),
  }
}

/** What an undo would take back, in words. */
export function undoText(project: Project, progress: Progress): string | null {
  const event = progress.lastUndoable
  if (!event) return null
  switch (event.kind) {
    case 'punched':
      return `${String(event.modelIds.length)} punched at ${stageName(project, event.stageId)}`
    case 'cleared':
      return `${String(event.modelIds.length)} cleared at ${stageName(project, event.stageId)}`
    case 'skipped':
      return `${String(event.modelIds.length)} going without ${stageName(project, event.stageId)}`
    case 'touch-up':
      return `touch-up at ${stageName(project, event.stageId)}`
    case 'clock-started':
      return `clock started at ${stageName(project, event.stageId)}`
    case 'clock-stopped':
      return 'clock stopped'
    case 'milestone':
      return `milestone of ${String(event.modelIds.length)} models`
    case 'judged':
      return `verdict on ${stageName(project, event.stageId)}`
    case 'used':
      return `other paint at ${stageName(project, event.stageId)}`
    case 'went':
      return `“${event.outcome}” at ${stageName(project, event.stageId)}`
    case 'felt':
      return `${event.feels === 'dry' ? 'dry already' : 'still tacky'} at ${stageName(project, event.stageId)}`
    case 'inspected':
      return `inspection of ${String(event.modelIds.length)} models`
    case 'lap-corrected':
      return event.workSeconds === null ? 'lap left out' : 'lap mended'
    case 'remembered':
      return 'a unit remembered'
    case 'undone':
      return null
  }
}

function stageName(project: Project, id: string): string {
  return project.line.find((stage) => stage.id === id)?.name ?? 'a stage no longer among the stages'
}

/** `Reed-pikes B, 6 models` */
export function taskWhere(task: BenchTask): string {
  return `${batchName(task.batch)}, ${String(task.modelIds.length)} model${task.modelIds.length === 1 ? '' : 's'}`
}
