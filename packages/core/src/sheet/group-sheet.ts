import { type Batch, batchName } from '../trade/index.ts'
import type { ModelId } from '../units/index.ts'
import type { ModelStanding } from './model-standing.ts'

export const sheetGroupings = ['unit', 'role', 'batch'] as const
export type SheetGrouping = (typeof sheetGroupings)[number]

export const sheetFilters = [
  'all',
  'to do',
  'late',
  'drying',
  'touch-up',
  'table-ready',
  'to inspect',
  'inspected',
] as const
export type SheetFilter = (typeof sheetFilters)[number]

/** Models that stand together on the sheet. */
export interface SheetGroup {
  readonly key: string
  readonly name: string
  readonly members: readonly ModelStanding[]
  /** Points of all, and of those that are table-ready. */
  readonly points: number
  readonly pointsOnTable: number
}

/** What of a model can be typed to find it: every word, anywhere in its name, unit, role or variants. */
function isFound({ model, unit }: ModelStanding, words: readonly string[]): boolean {
  const text = [model.name, unit.name, model.role, ...model.variants].join(' ').toLowerCase()
  return words.every((word) => text.includes(word))
}

/**
 * Whether the sheet shows it; what waits to be looked at is table-ready, dry and without a touch-up.
 * @param late models whose work ends after the date, as the plan has it.
 */
export function passes(standing: ModelStanding, filter: SheetFilter, late: ReadonlySet<ModelId>): boolean {
  switch (filter) {
    case 'all':
      return true
    case 'to do':
      return !standing.isTableReady
    case 'late':
      return late.has(standing.model.id)
    case 'drying':
      return standing.dries
    case 'touch-up':
      return standing.touchUps > 0
    case 'table-ready':
      return standing.isTableReady
    case 'to inspect':
      return (
        standing.isTableReady && !standing.dries && standing.touchUps === 0 && standing.inspection === null
      )
    case 'inspected':
      return standing.inspection !== null
  }
}

/** The sheet as it was asked for; a group of which nothing is left is not there. */
export function groupSheet(
  standings: readonly ModelStanding[],
  batches: readonly Batch[],
  wish: { readonly by: SheetGrouping; readonly show: SheetFilter; readonly find: string },
  late: ReadonlySet<ModelId>,
): readonly SheetGroup[] {
  const batchOf = new Map<ModelId, Batch>()
  if (wish.by === 'batch')
    for (const batch of batches) for (const { id } of batch.models) batchOf.set(id, batch)
  const words = wish.find.toLowerCase().split(/\s+/).filter(Boolean)
  const groups = new Map<string, { name: string; members: ModelStanding[] }>()
  for (const standing of standings) {
    if (!passes(standing, wish.show, late) || !isFound(standing, words)) continue
    const batch = batchOf.get(standing.model.id)
    const [key, name] =
      wish.by === 'unit'
        ? [standing.unit.id, standing.unit.name]
        : wish.by === 'role'
          ? [standing.model.role, standing.model.role || 'no role']
          : [batch?.id ?? '', batch ? batchName(batch) : 'no batch']
    const group = groups.get(key) ?? { name, members: [] }
    groups.set(key, group)
    group.members.push(standing)
  }
  return [...groups].map(([key, { name, members }]) => ({
    key,
    name,
    members,
    points: pointsOf(members),
    pointsOnTable: pointsOf(members.filter((each) => each.isTableReady)),
  }))
}

export function pointsOf(standings: readonly ModelStanding[]): number {
  return standings.reduce((sum, { model }) => sum + model.points, 0)
}
