import { plainPlanning, type Project } from '@seriatim/core/trade'
import type { QueryKey } from '@tanstack/react-query'

/** What an older release kept on this device, with what projects have had since: wished for is nothing of that. */
export function asOfNow(queryKey: QueryKey, known: unknown): unknown {
  if (queryKey[0] !== 'project') return known
  const project = known as Project
  return { ...project, planning: { ...plainPlanning, ...project.planning } }
}
