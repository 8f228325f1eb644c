import type { ProjectSettings } from '@seriatim/contract'
import { useEdit } from './use-edit.ts'
import { useCurrentProject } from './use-project.ts'

/** Sets some of what a project says of itself; the toast says what and takes it back. */
export function useSettings() {
  const project = useCurrentProject()
  const edit = useEdit()
  return (some: Partial<ProjectSettings>, said: string) => edit(project, { ...project, ...some }, said)
}
