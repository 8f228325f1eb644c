import { calendarFeed } from '@seriatim/contract'
import { dryingAlarms } from '@seriatim/core/bench'
import { calendarEntries } from '@seriatim/core/calendar'
import { plannedBatches } from '@seriatim/core/plan'
import type { Instant } from '@seriatim/core/units'
import type { Hono } from 'hono'
import type { Database } from '../../db/client.ts'
import type { Asking } from '../../http/serve-route.ts'
import { RequestProblem } from '../../http/problem.ts'
import { readPlan } from '../plans/repository.ts'
import type { Summaries } from '../projects/summaries.ts'
import { requireProject } from '../projects/service.ts'
import { calendarText } from './calendar-text.ts'

const daysAhead = 180

/** A project's sessions, its date and drying alarms for another calendar: as a file, or as a feed that is asked now and then. */
export function calendarRoutes(
  app: Hono<{ Bindings: Asking }>,
  db: Database,
  now: () => Instant,
  summaries: Summaries,
): void {
  app.get(calendarFeed.path, async (context) => {
    const params = calendarFeed.params.safeParse(context.req.param())
    if (!params.success) throw new RequestProblem('not-found', 'This address names nothing here.')
    const { revision } = await requireProject(db, params.data.id)
    const { project, progress } = await summaries.figuresOf(params.data.id)
    const batches = plannedBatches(project, await readPlan(db, params.data.id))
    const alarms = dryingAlarms(project, batches, progress, now())
    const entries = [...calendarEntries(project, now(), daysAhead), ...alarms]
    return context.body(calendarText({ project: { ...project, revision }, entries, now: now() }), 200, {
      'content-type': 'text/calendar; charset=utf-8',
      'content-disposition': 'attachment; filename="sessions.ics"',
    })
  })
}
