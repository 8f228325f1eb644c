import type { BuilderState } from './builder-state.ts'
import type { PlanInstance, PlanTask } from './instance.ts'

/** From memory: half an hour and an hour and a half. */
const usual = { stage: 1800, kind: 5400 }

/** Adds up how long one stage, or one kind of work, goes on beyond what is still pleasant. */
export function samenessCounter(
  { batches, bores = usual }: PlanInstance,
  { familySession, runs, sums }: BuilderState,
) {
  return (batch: number, task: PlanTask, painter: number, session: number, worked: number) => {
    const at = painter * 4
    const kind = batches[batch]?.kind ?? 0
    const goesOn = familySession[painter] === session
    const stageRun = goesOn && runs[at] === task.stage ? (runs[at + 1] ?? 0) : 0
    const kindRun = goesOn && runs[at + 2] === kind ? (runs[at + 3] ?? 0) : 0
    sums.sameness += beyond(stageRun, worked, bores.stage) + beyond(kindRun, worked, bores.kind)
    runs[at] = task.stage
    runs[at + 1] = stageRun + worked
    runs[at + 2] = kind
    runs[at + 3] = kindRun + worked
  }
}

/** How much of the new work lies beyond where a run gets long. */
function beyond(run: number, worked: number, long: number): number {
  return Math.max(0, run + worked - long) - Math.max(0, run - long)
}
