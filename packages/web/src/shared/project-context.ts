import type { StoredProject } from '@seriatim/contract'
import { createContext, use } from 'react'

export const ProjectContext = createContext<StoredProject | null>(null)

/** The project whose road this is. @throws Error outside of one. */
export function useCurrentProject(): StoredProject {
  const project = use(ProjectContext)
  if (!project) throw new Error('no project here')
  return project
}
