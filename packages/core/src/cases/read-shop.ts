import { bareBatch, barePlan, bareTask, type PlanInstance } from '../schedule/index.ts'

/** Operations of a job in order: machine, minutes. */
export type Job = readonly (readonly [machine: number, minutes: number])[]

/** A shop in the planner's terms: a painter for each machine, who alone may work there; a job is a batch of one model. */
export function shopInstance(jobs: readonly Job[], machines: number): PlanInstance {
  const batches = jobs.map((job, kind) =>
    bareBatch(
      job.map(([machine, perModel], stage) => bareTask({ stage, perModel, painters: [machine] })),
      { kind },
    ),
  )
  return barePlan(batches, {
    regionCount: 0,
    painters: Array.from({ length: machines }, () => ({ sessions: null, pace: 1 })),
    bores: { stage: 1800, kind: 5400 },
  })
}

/** Published text form: jobs and machines, then a line a job of machine, minutes, in order. */
export function readJobShop(text: string): PlanInstance {
  const [head = '', ...lines] = text.trim().split('\n')
  const [, machines = 0] = head.trim().split(/\s+/).map(Number)
  const jobs = lines.map((line): Job => {
    const figures = line.trim().split(/\s+/).map(Number)
    return Array.from({ length: figures.length / 2 }, (_, at) => [
      figures[at * 2] ?? 0,
      figures[at * 2 + 1] ?? 0,
    ])
  })
  return shopInstance(jobs, machines)
}
