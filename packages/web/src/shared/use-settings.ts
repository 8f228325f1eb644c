import type { ProjectSettings } from '@seriatim/contract'
import { useProjectChange } from './api/index.ts'
import { useCurrentProject } from './project-context.ts'

/** Writes the project's settings with some of them changed; the toast says what and takes it back. */
export function useSettings() {
  const project = useCurrentProject()
  const change = useProjectChange(project.id)
  const { id: _id, revision: _revision, units: _units, recipes: _recipes, line: _line, ...settings } = project
  return (some: Partial<ProjectSettings>, said: string) =>
    change.mutate({ change: { kind: 'settings', settings: { ...settings, ...some } }, said })
}
