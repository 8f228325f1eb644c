import type { Stage } from '../trade/stage.ts'
import type { ProgressEvent } from '../progress/event.ts'
import type { Unit } from '../trade/job.ts'
import { plainPlanning, type Project } from '../trade/project.ts'
import type { EventId, ModelId, ProjectId, StageId, UnitId } from '../units/ids.ts'
import { addSeconds, instant } from '../units/instant.ts'
import { minutes, seconds } from '../units/seconds.ts'

/** A Tuesday, half an hour before the desk opens. */
export const noon = instant(Date.parse('2026-11-24T19:00:00Z'))

export function stage(name: string, some: Partial<Stage> = {}): Stage {
  return {
    id: name as StageId,
    name,
    material: name,
    touch: { kind: 'whole' },
    handsOnSecondsPerModel: minutes(1),
    setUpSeconds: seconds(0),
    dryingMinSeconds: seconds(0),
    dryingMaxSeconds: seconds(0),
    nextWithinSeconds: null,
    notNeededBy: [],
    limits: [],
    tableReady: false,
    cautions: [],
    note: '',
    technique: null,
    typed: [],
    steps: [],
    ...some,
  }
}

export function drying(wholeMinutes: number): Pick<Stage, 'dryingMinSeconds' | 'dryingMaxSeconds'> {
  return { dryingMinSeconds: minutes(wholeMinutes), dryingMaxSeconds: minutes(wholeMinutes) }
}

export function unit(name: string, count: number): Unit {
  return {
    id: name as UnitId,
    name,
    standard: 'display',
    size: 'foot',
    detail: 'usual',
    perHolder: 1,
    pilot: [],
    joinedAt: null,
    models: Array.from({ length: count }, (_, index) => ({
      id: `${name}-${String(index + 1)}` as ModelId,
      name: `${name} ${String(index + 1)}`,
      role: 'trooper',
      variants: [],
      points: 1,
    })),
  }
}

export function project(
  units: readonly Unit[],
  line: readonly Stage[],
  some: Partial<Project> = {},
): Project {
  return {
    id: 'project' as ProjectId,
    name: 'Project',
    dueOn: null,
    commission: null,
    evenings: {
      weekdays: [1, 2, 3, 4, 5, 6, 7],
      startsAt: '19:30',
      lengthSeconds: minutes(150),
      also: [],
      timeZone: 'UTC',
    },
    batchSize: 12,
    firstBatch: null,
    batchesInHand: null,
    planning: plainPlanning,
    units,
    recipes: [],
    line,
    ...some,
  }
}

type Naked<E> = E extends ProgressEvent ? Omit<E, 'id' | 'at'> : never

/** Events one minute apart, with ids in order. */
export function log(...events: readonly Naked<ProgressEvent>[]): ProgressEvent[] {
  return events.map((event, index) => ({ ...event, id: eventId(index), at: addSeconds(noon, index * 60) }))
}

export const eventId = (index: number) => `event-${String(index).padStart(3, '0')}` as EventId
export const models = (...names: readonly string[]) => names as readonly ModelId[]
export const stageId = (name: string) => name as StageId
