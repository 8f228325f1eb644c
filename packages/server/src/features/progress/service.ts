import type { EventId, ProgressEvent, ProjectId, StageId } from '@seriatim/core'
import type { Problem } from '@seriatim/contract'
import type { Database } from '../../db/client.ts'
import { RequestProblem } from '../../http/problem.ts'
import { appendEvents, knownIds, readEventsById } from './repository.ts'

/**
 * Appends events to the log. Sending the same event again changes nothing; the same id with another
 * content is refused whole, as is an event that names a stage, a model or an event nobody knows.
 */
export async function recordEvents(
  db: Database,
  projectId: ProjectId,
  events: readonly ProgressEvent[],
): Promise<void> {
  const targets = events.flatMap((event) => ('targetId' in event ? [event.targetId] : []))
  const recorded = await readEventsById(db, [...events.map((event) => event.id), ...targets])
  const byId = new Map(recorded.map((each) => [each.event.id, each]))
  for (const event of events) {
    const twin = byId.get(event.id)
    if (twin && (twin.projectId !== projectId || contentOf(twin.event) !== contentOf(event))) {
      throw new RequestProblem('event-id-reused', `The id ${event.id} is taken by another event.`)
    }
  }
  const fresh = events.filter((event) => !byId.has(event.id))
  if (fresh.length === 0) return
  const ours = new Set<EventId>([
    ...recorded.filter((each) => each.projectId === projectId).map((each) => each.event.id),
    ...events.map((event) => event.id),
  ])
  const errors = await unknownReferences(db, projectId, events, ours)
  if (errors.length > 0) {
    throw new RequestProblem(
      'unknown-reference',
      errors[0]?.message ?? 'Something named here does not exist.',
      errors,
    )
  }
  await db.transaction((tx) => appendEvents(tx, projectId, fresh))
}

function contentOf(event: ProgressEvent): string {
  const ids: readonly string[] =
    'targetId' in event ? [event.targetId] : [...stagesIn(event), ...[...new Set(event.modelIds)].sort()]
  const said = [
    'note' in event ? event.note : '',
    'workSeconds' in event ? event.workSeconds : '',
    'verdict' in event ? event.verdict : '',
  ]
  return [event.kind, event.at, ...said, ...ids].join('|')
}

function stagesIn(event: Extract<ProgressEvent, { modelIds: unknown }>): readonly StageId[] {
  return event.kind === 'milestone' ? event.stageIds : [event.stageId]
}

async function unknownReferences(
  db: Database,
  projectId: ProjectId,
  events: readonly ProgressEvent[],
  ours: ReadonlySet<EventId>,
): Promise<NonNullable<Problem['errors']>> {
  const known = await knownIds(db, projectId)
  const errors: NonNullable<Problem['errors']> = []
  events.forEach((event, index) => {
    const at = `events[${String(index)}]`
    if ('targetId' in event) {
      if (!ours.has(event.targetId))
        errors.push({ path: `${at}.targetId`, message: 'This project has no such event.' })
      return
    }
    stagesIn(event).forEach((stageId, position) => {
      if (known.stages.has(stageId)) return
      const path = event.kind === 'milestone' ? `stageIds[${String(position)}]` : 'stageId'
      errors.push({ path: `${at}.${path}`, message: 'This project has no such stage.' })
    })
    event.modelIds.forEach((modelId, position) => {
      if (!known.models.has(modelId)) {
        errors.push({
          path: `${at}.modelIds[${String(position)}]`,
          message: 'This project has no such model.',
        })
      }
    })
  })
  return errors
}
