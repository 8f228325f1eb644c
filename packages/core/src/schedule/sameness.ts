import { sumOf, type BuilderState } from './builder-state.ts'
import type { PlanInstance } from './instance.ts'

/** From memory: half an hour and an hour and a half. */
const usual = { stage: 1800, kind: 5400 }

/** Adds up how long one stage, or one kind of work, goes on beyond what is still pleasant. */
export function samenessCounter(
  { batches, bores = usual }: PlanInstance,
  { session: sessionOf, runs, sums }: BuilderState,
) {
  const kinds = Int32Array.from(batches, (batch) => batch.kind)
  const stages = Int32Array.from(
    batches.flatMap((batch) => batch.tasks),
    (task) => task.stage,
  )
  return (batch: number, task: number, painter: number, session: number, worked: number) => {
    const at = painter * 4
    const kind = kinds[batch] ?? 0
    const stage = stages[task] ?? 0
    const goesOn = sessionOf[painter] === session
    const stageRun = goesOn && runs[at] === stage ? (runs[at + 1] ?? 0) : 0
    const kindRun = goesOn && runs[at + 2] === kind ? (runs[at + 3] ?? 0) : 0
    sums[sumOf.sameness] =
      (sums[sumOf.sameness] ?? 0) +
      beyond(stageRun, worked, bores.stage) +
      beyond(kindRun, worked, bores.kind)
    runs[at] = stage
    runs[at + 1] = stageRun + worked
    runs[at + 2] = kind
    runs[at + 3] = kindRun + worked
  }
}

/** How much of the new work lies beyond where a run gets long. */
function beyond(run: number, worked: number, long: number): number {
  return Math.max(0, run + worked - long) - Math.max(0, run - long)
}
