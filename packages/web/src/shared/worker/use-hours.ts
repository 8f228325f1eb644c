import type { Extra, StandardCosts } from '@seriatim/core/estimating'
import type { Standard } from '@seriatim/core/trade'
import type { UnitId } from '@seriatim/core/units'
import type { WholeInput } from './planner.worker.ts'
import { useWorkedOut } from './use-worked-out.ts'

/** What each standard takes on each unit. */
export function useStandardCosts(input: WholeInput): readonly StandardCosts[] | undefined {
  return useWorkedOut({
    lane: 'hours',
    name: 'standard-costs',
    about: input.project.id,
    inputs: [input],
    task: async (planner, _, pack) => planner.standardCosts(pack(input)),
  })
}

const nothing: readonly Extra[] = []

/** Optional stages that fit into what is over. */
export function useExtras(
  input: WholeInput,
  standardOf: ReadonlyMap<UnitId, Standard>,
  seconds: number,
  safety: number,
): readonly Extra[] {
  const extras = useWorkedOut({
    lane: 'hours',
    name: 'extras',
    about: input.project.id,
    inputs: [input, [...standardOf].flat().join(), seconds, safety],
    task: async (planner, _, pack) => planner.extrasFor(pack(input), standardOf, seconds, safety),
  })
  return extras ?? nothing
}
