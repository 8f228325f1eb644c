import type { ChangeId, ProjectId } from '@seriatim/core/units'

const numbers = new Map<ProjectId, number>()
const revisions = new Map<ChangeId, number>()

/** The highest number of this page's changes that the server has. */
export function deliveredNumber(id: ProjectId): number {
  return numbers.get(id) ?? 0
}

/** The revision a change of this page became, once the server has it. */
export function revisionOf(change: ChangeId): number | undefined {
  return revisions.get(change)
}

export function noteDelivered(
  project: ProjectId,
  change: { readonly id: ChangeId; readonly number: number },
  revision: number | null,
): void {
  numbers.set(project, Math.max(deliveredNumber(project), change.number))
  if (revision !== null) revisions.set(change.id, revision)
}
