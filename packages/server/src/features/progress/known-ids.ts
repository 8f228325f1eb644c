import type { EventId, ModelId, ProgressEvent, ProjectId, StageId } from '@seriatim/core'
import type { Database } from '../../db/client.ts'
import { eventsOfProject, idsOfProject } from './repository.ts'

/** Stages and models seen to be a project's. They stay so for good, since nothing is ever deleted. */
const seen = new Map<ProjectId, Set<string>>()

interface Unknown {
  /** What an event names that the project does not have, as a sentence, or `null`. */
  (event: ProgressEvent): string | null
  readonly isKnownEvent: (id: EventId) => boolean
}

/** Looks up what these events name; what was seen before is not asked again. */
export async function unknownIn(
  db: Database,
  projectId: ProjectId,
  events: readonly ProgressEvent[],
): Promise<Unknown> {
  const known = seen.get(projectId) ?? new Set<string>()
  seen.set(projectId, known)
  const isNew = (id: string) => !known.has(id)
  const stages = new Set<StageId>(events.flatMap(stagesOf).filter(isNew))
  const models = new Set<ModelId>(
    events.flatMap((event) => ('modelIds' in event ? event.modelIds : [])).filter(isNew),
  )
  if (stages.size > 0 || models.size > 0)
    for (const id of await idsOfProject(db, projectId, { stages: [...stages], models: [...models] })) known.add(id)
  const targets = events.flatMap((event) => ('targetId' in event ? [event.targetId] : []))
  const there = new Set(await eventsOfProject(db, projectId, targets))
  return Object.assign((event: ProgressEvent) => faultOf(event, known), {
    isKnownEvent: (id: EventId) => there.has(id),
  })
}

function faultOf(event: ProgressEvent, known: ReadonlySet<string>): string | null {
  if (stagesOf(event).some((id) => !known.has(id))) return 'There is no such stage in this project.'
  if ('modelIds' in event && event.modelIds.some((id) => !known.has(id)))
    return 'There is no such model in this project.'
  return null
}

function stagesOf(event: ProgressEvent): readonly StageId[] {
  if (event.kind === 'milestone') return event.stageIds
  return 'stageId' in event ? [event.stageId] : []
}
