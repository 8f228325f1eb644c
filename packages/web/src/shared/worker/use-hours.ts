import type { Extra, FigureSources, StandardCosts } from '@seriatim/core/estimating'
import type { Standard } from '@seriatim/core/trade'
import type { UnitId } from '@seriatim/core/units'
import { useWorkedOut } from './use-worked-out.ts'

/** What each standard takes on each unit. */
export function useStandardCosts(sources: FigureSources): readonly StandardCosts[] | undefined {
  return useWorkedOut({
    lane: 'hours',
    name: 'standard-costs',
    about: sources.project.id,
    inputs: [sources],
    task: async (planner, _, pack) => planner.standardCosts(pack(sources)),
  })
}

const nothing: readonly Extra[] = []

/** Optional stages that fit into what is over. */
export function useExtras(
  sources: FigureSources,
  standardOf: ReadonlyMap<UnitId, Standard>,
  seconds: number,
  safety: number,
): readonly Extra[] {
  const extras = useWorkedOut({
    lane: 'hours',
    name: 'extras',
    about: sources.project.id,
    inputs: [sources, [...standardOf].flat().join(), seconds, safety],
    task: async (planner, _, pack) => planner.extrasFor(pack(sources), standardOf, seconds, safety),
  })
  return extras ?? nothing
}
