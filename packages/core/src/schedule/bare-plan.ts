import type { PlanBatch, PlanInstance, PlanTask } from './instance.ts'

/** A task on the one model of a batch, on all of it, with nothing asked for; times in whatever the test counts in. */
export const bareTask = (some: Partial<PlanTask> = {}): PlanTask => ({
  stage: 0,
  family: 0,
  setUp: 0,
  again: some.setUp ?? 0,
  perModel: 1,
  wait: 0,
  maxWait: null,
  regions: 'whole',
  models: [0],
  station: null,
  windows: null,
  painters: null,
  onRack: false,
  others: [],
  joins: [],
  touchUp: null,
  ...some,
})

/** A batch of one model that keeps to its list. */
export const bareBatch = (tasks: readonly PlanTask[], some: Partial<PlanBatch> = {}): PlanBatch => ({
  models: 1,
  tasks,
  comesAfter: null,
  drying: [],
  begun: false,
  kind: 0,
  due: null,
  priority: 0,
  ...some,
})

/** One painter, always at the desk, whose pots stay open. */
export const barePlan = (batches: readonly PlanBatch[], some: Partial<PlanInstance> = {}): PlanInstance => ({
  batches,
  regionCount: 4,
  painters: [{ sessions: null, pace: 1 }],
  stations: [],
  windows: [],
  rack: null,
  potsCloseBetweenSessions: false,
  maySplit: false,
  inHandAtMost: null,
  openFamily: null,
  ...some,
})
