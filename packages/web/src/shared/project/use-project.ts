import type { ProjectId } from '@seriatim/core/units'
import { useQuery } from '@tanstack/react-query'
import { createContext, use, useMemo, useState } from 'react'
import { projectQuery } from '../api/index.ts'
import { useWaiting } from '../outbox/index.ts'
import { deliveredNumber } from './delivered.ts'
import { replay, type ShownProject } from './replay.ts'

/** The project with all that was changed here, whether the server has it yet or not. */
export function useProject(id: ProjectId) {
  const { data, error, refetch, failureReason } = useQuery(projectQuery(id))
  const waiting = useWaiting(id)
  const project = useMemo(
    () => (data ? replay(data, waiting, deliveredNumber(id)) : undefined),
    [data, waiting, id],
  )
  return { project, error, refetch, failureReason }
}

export const ProjectContext = createContext<ShownProject | null>(null)

/** The project whose road this is. @throws Error outside of one. */
export function useCurrentProject(): ShownProject {
  const project = use(ProjectContext)
  if (!project) throw new Error('no project here')
  return project
}

/**
 * The project as it was when this component came up. A form states its changes against what it showed: what others
 * write while it is open is not overwritten by fields nobody touched here.
 */
export function useProjectAtOpening(): ShownProject {
  const project = useCurrentProject()
  return useState(project)[0]
}
