import { namedBy, type ProgressEvent } from '@seriatim/core/progress'
import type { EventId, ModelId, ProjectId, StageId } from '@seriatim/core/units'
import type { Database } from '../../db/client.ts'
import { eventsOfProject, modelsOfProject, stagesOfProject } from './repository.ts'

interface Known {
  readonly stages: Set<StageId>
  readonly models: Set<ModelId>
}

/** What events name that their project does not have. */
export interface Unknown {
  /** A sentence, or `null` when all of it is there. */
  readonly faultOf: (event: ProgressEvent) => string | null
  readonly isKnownEvent: (id: EventId) => boolean
}

/**
 * Looks up what events name. Stages and models seen to be a project's are remembered: they stay so for good, since
 * nothing is ever deleted.
 */
export function createKnownIds() {
  const seen = new Map<ProjectId, Known>()

  return async function unknownIn(
    db: Database,
    projectId: ProjectId,
    events: readonly ProgressEvent[],
  ): Promise<Unknown> {
    const known = seen.get(projectId) ?? { stages: new Set(), models: new Set() }
    seen.set(projectId, known)
    const stages = new Set(events.flatMap(stagesOf).filter((id) => !known.stages.has(id)))
    for (const id of await stagesOfProject(db, projectId, [...stages])) known.stages.add(id)
    const models = new Set(events.flatMap(modelsOf).filter((id) => !known.models.has(id)))
    for (const id of await modelsOfProject(db, projectId, [...models])) known.models.add(id)
    const targets = events.flatMap((event) => namedBy(event).targetId ?? [])
    const there = new Set(await eventsOfProject(db, projectId, targets))
    return {
      faultOf: (event) => {
        if (stagesOf(event).some((id) => !known.stages.has(id)))
          return 'There is no such stage in this project.'
        return modelsOf(event).some((id) => !known.models.has(id))
          ? 'There is no such model in this project.'
          : null
      },
      isKnownEvent: (id) => there.has(id),
    }
  }
}

const stagesOf = (event: ProgressEvent) => namedBy(event).stageIds
const modelsOf = (event: ProgressEvent) => namedBy(event).modelIds
