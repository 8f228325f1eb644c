import type { ProjectId } from '@seriatim/core/units'
import PgBoss from 'pg-boss'
import type { Logger } from 'pino'
import type { StudioId } from '../../db/schema/columns.ts'

/** A project that is to be planned. */
interface PlanToMake {
  readonly studio: StudioId
  readonly projectId: ProjectId
}

/** What is to be planned, by any process on this database: each job is done by one, and again where that one dies. */
export interface PlanQueue {
  /** Several words for a project that nobody has begun are one. */
  readonly ask: (plan: PlanToMake) => Promise<void>
  /** Does the jobs, one after the other. */
  readonly work: (make: (plan: PlanToMake) => Promise<void>) => Promise<void>
  /** A job that is under way is done first. */
  readonly close: () => Promise<void>
}

const name = 'plan'
/** Its tables stand apart from the data: jobs are no part of a backup. */
const jobSchema = 'seriatim_jobs'

/** Seconds from a word to its job, so that a painter's quick taps are one. */
const pause = 3
/** Seconds after which whoever does a job is taken for dead. */
const longest = 300

export async function openPlanQueue(url: string, log: Logger): Promise<PlanQueue> {
  const boss = new PgBoss({
    connectionString: url,
    schema: jobSchema,
    max: 3,
    schedule: false,
    maintenanceIntervalSeconds: 30,
    archiveCompletedAfterSeconds: 3600,
    deleteAfterHours: 24,
  })
  boss.on('error', (error) => log.warn({ reason: error.message }, 'the queue of plans'))
  await boss.start()
  const options = { name, policy: 'short', retryLimit: 3, retryDelay: 5, expireInSeconds: longest } as const
  await boss.createQueue(name, options)
  await boss.updateQueue(name, options)
  return {
    ask: async (plan) => {
      await boss.send(name, plan, { singletonKey: `${plan.studio} ${plan.projectId}`, startAfter: pause })
    },
    work: async (make) => {
      await boss.work<PlanToMake>(name, { pollingIntervalSeconds: 1 }, async ([job]) => {
        if (job) await make(job.data)
      })
    },
    close: () => boss.stop({ graceful: true, wait: true, timeout: 5000 }),
  }
}
