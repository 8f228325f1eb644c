import type { EventId, Instant, PainterId } from '../units/index.ts'
import type { ProgressEvent } from './event.ts'
import type { Clock } from './progress.ts'
import { insertSorted } from './sorted-events.ts'

export type ClockEvent = Extract<ProgressEvent, { kind: 'clock-started' | 'clock-stopped' }>

/** A stretch of time on a clock. */
export interface Timed extends Clock {
  readonly stoppedAt: Instant
}

/** One painter's clock: a start stops the one before, a stop aims at the start it stops. */
export interface ClockLog {
  readonly add: (event: ClockEvent, isTaken: (id: EventId) => boolean) => void
  /** The standing of one of its events changed. */
  readonly upset: () => void
  /** `kept`: how many of the stretches are the same as at the last reading. */
  readonly read: (isTaken: (id: EventId) => boolean) => {
    readonly running: Clock | null
    readonly timed: readonly Timed[]
    readonly kept: number
  }
}

export function createClockLog(painter: PainterId | null): ClockLog {
  const events: ClockEvent[] = []
  const timed: Timed[] = []
  let running: Clock | null = null
  let isStale = false
  let readBefore = 0

  function stop(at: Instant): void {
    if (running) timed.push({ ...running, stoppedAt: at })
    running = null
  }

  function take(event: ClockEvent): void {
    if (event.kind === 'clock-stopped') {
      if (running?.eventId === event.targetId) stop(event.at)
      return
    }
    stop(event.at)
    running = {
      eventId: event.id,
      painter,
      stageId: event.stageId,
      modelIds: event.modelIds,
      startedAt: event.at,
    }
  }

  return {
    add: (event, isTaken) => {
      if (!insertSorted(events, event)) isStale = true
      else if (!isStale && !isTaken(event.id)) take(event)
    },
    upset: () => {
      isStale = true
    },
    read: (isTaken) => {
      let kept = readBefore
      if (isStale) {
        kept = 0
        timed.length = 0
        running = null
        for (const event of events) if (!isTaken(event.id)) take(event)
        isStale = false
      }
      readBefore = timed.length
      return { running, timed, kept }
    },
  }
}
