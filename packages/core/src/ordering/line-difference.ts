import type { Stage } from '../trade/index.ts'

/** What a line would become, stage by stage. */
export interface LineDifference {
  readonly fresh: readonly Stage[]
  readonly leaving: readonly Stage[]
  /** Those that pass others by: the fewest that, taken out and put in again, make the one row of the other. */
  readonly moved: readonly Stage[]
  /** In their place, with other work, other models or another wait. */
  readonly changed: readonly Stage[]
}

/** A line against the one it would become; stages are told by their identity. */
export function lineDifference(before: readonly Stage[], after: readonly Stage[]): LineDifference {
  const old = new Map(before.map((stage, place) => [stage.id, { stage, place }]))
  const kept = new Set(after.map((stage) => stage.id))
  const stayed = after.filter((stage) => old.has(stage.id))
  const inPlace = longestRising(stayed.map((stage) => old.get(stage.id)?.place ?? 0))
  return {
    fresh: after.filter((stage) => !old.has(stage.id)),
    leaving: before.filter((stage) => !kept.has(stage.id)),
    moved: stayed.filter((_, index) => !inPlace.has(index)),
    changed: stayed.filter((stage, index) => {
      const was = old.get(stage.id)?.stage
      return inPlace.has(index) && was !== undefined && workText(was) !== workText(stage)
    }),
  }
}

/** Whether the one line is the other, whatever a person calls its stages. */
export function isSameLine(before: readonly Stage[], after: readonly Stage[]): boolean {
  const { fresh, leaving, moved, changed } = lineDifference(before, after)
  return fresh.length + leaving.length + moved.length + changed.length === 0
}

/** What a stage is, apart from its name and from what people write on it. */
function workText({ steps, notNeededBy, limits, material, touch, ...waits }: Stage): string {
  return JSON.stringify([
    steps.map((step) => step.stepId),
    notNeededBy.toSorted(),
    limits.toSorted((a, b) => (a.unitId < b.unitId ? -1 : 1)).map(({ unitId, roles }) => [unitId, roles]),
    material,
    touch.kind === 'regions' ? touch.regions : touch.kind,
    [waits.dryingMinSeconds, waits.dryingMaxSeconds, waits.nextWithinSeconds],
  ])
}

/** Places of a longest rising row among the numbers (patience sorting; Fredman 1975). */
function longestRising(numbers: readonly number[]): ReadonlySet<number> {
  const ends: number[] = []
  const before = numbers.map((number, at) => {
    let pile = ends.findIndex((end) => (numbers[end] ?? 0) >= number)
    if (pile < 0) pile = ends.length
    ends[pile] = at
    return pile > 0 ? (ends[pile - 1] ?? -1) : -1
  })
  const row = new Set<number>()
  for (let at = ends.at(-1) ?? -1; at >= 0; at = before[at] ?? -1) row.add(at)
  return row
}
