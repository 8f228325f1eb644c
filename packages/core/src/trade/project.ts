import type { PainterId } from '../units/index.ts'
import { usualBores, type Desk, type Painter } from './desk.ts'
import type { Job, Work } from './job.ts'
import type { Wishes } from './wishes.ts'

/** What of its desk and its wishes a project keeps apart from its settings. */
export type Planning = Omit<Desk, 'evenings' | 'batchesInHand'> &
  Omit<Wishes, 'dueOn' | 'batchSize' | 'firstBatch'>

/** With the project's evenings and nothing special. */
export const plainPainter: Omit<Painter, 'id' | 'name'> = {
  pace: 1,
  cannot: [],
  rules: [],
  off: [],
  dropped: [],
  extra: [],
}

/** One plain painter. */
export const plainPlanning: Planning = {
  painters: [{ id: 'you' as PainterId, name: 'You', ...plainPainter }],
  teamwork: 'free',
  aims: ['date', 'waiting'],
  first: [],
  pins: [],
  holders: [],
  batches: [],
  sprayPlaces: 1,
  airbrushes: 1,
  rackPlaces: null,
  sprayHours: null,
  skipShare: 0.1,
  bores: usualBores,
  fuss: 'usual',
  held: { all: false, batches: [], stages: [] },
  handOver: null,
}

/** A job as it is written down: with the desk it is painted at while it is alone, and what is wanted of its plan. */
export interface Project
  extends Job, Pick<Desk, 'evenings' | 'batchesInHand'>, Pick<Wishes, 'dueOn' | 'batchSize' | 'firstBatch'> {
  readonly planning: Planning
}

/** The desk as one project has it. */
export function deskOf({
  evenings,
  batchesInHand,
  planning,
}: Pick<Project, 'evenings' | 'batchesInHand' | 'planning'>): Desk {
  const {
    painters,
    teamwork,
    aims,
    sprayPlaces,
    airbrushes,
    rackPlaces,
    sprayHours,
    skipShare,
    bores,
    fuss,
  } = planning
  return {
    evenings,
    batchesInHand,
    painters,
    teamwork,
    aims,
    sprayPlaces,
    airbrushes,
    rackPlaces,
    sprayHours,
    skipShare,
    bores,
    fuss,
  }
}

/** What one project wants of its plan. */
export function wishesOf({
  dueOn,
  batchSize,
  firstBatch,
  planning,
}: Pick<Project, 'dueOn' | 'batchSize' | 'firstBatch' | 'planning'>): Wishes {
  const { handOver, batches, first, pins, held, holders } = planning
  return { dueOn, handOver, batchSize, firstBatch, batches, first, pins, held, holders }
}

/** By when one project is wanted. */
export function dateOf({
  dueOn,
  planning: { handOver },
}: Pick<Project, 'dueOn' | 'planning'>): Pick<Wishes, 'dueOn' | 'handOver'> {
  return { dueOn, handOver }
}

/** What is planned, where, and as it is wanted. */
export interface Parts {
  readonly work: Work
  readonly desk: Desk
  readonly wishes: Wishes
}

/** The parts of a project by itself. */
export function partsOf(project: Project): Parts {
  const { units, recipes, line } = project
  return { work: { units, recipes, line }, desk: deskOf(project), wishes: wishesOf(project) }
}
