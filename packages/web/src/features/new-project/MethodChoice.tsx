import { foldProgress, type RememberedUnit } from '@seriatim/core/progress'
import { recipeSchools, type Shelf } from '@seriatim/core/recipe'
import type { Project } from '@seriatim/core/trade'
import { useMemo } from 'react'
import { clockNow } from '../../shared/clock.ts'
import { useSources } from '../../shared/figures.ts'
import { useSettled } from '../../shared/use-settled.ts'
import { WayTable, type Way } from '../../shared/ways/index.ts'
import { useWays } from '../../shared/worker/index.ts'
import { draftRecipes, withUsual, type DraftUnit } from './draft.ts'
import { recordOf } from './last-time.ts'

interface Asked {
  /** Without a recipe. */
  readonly project: Project
  readonly units: readonly DraftUnit[]
  readonly shelf: Shelf
  readonly remembered: RememberedUnit | null
}

interface MethodChoiceProps {
  /** `null` while there is nothing to paint, or no hours for it. */
  readonly asked: Asked | null
  readonly timeZone: string
  readonly chosen: string
  readonly onChoose: (id: string) => void
}

const ways = recipeSchools.map(({ id, name, idea, good, bad }): Way => ({
  id,
  name,
  idea,
  strong: good,
  weak: bad,
  lost: [],
}))
const beingWorkedOut = ways.map(() => undefined)
const nothing = ways.map(() => null)

/** It is worked out when the hands rest: each method plans all of it once. */
const rests = { atFirst: 700, later: 700 }

/** The methods side by side, for these models in these evenings. */
export function MethodChoice({ asked, ...rest }: MethodChoiceProps) {
  const settled = useSettled(asked, rests)
  if (settled && asked) return <Compared asked={settled} isBehind={settled !== asked} {...rest} />
  return (
    <WayTable
      legend={asked ? legend : 'How? Say what, and each comes with its hours'}
      ways={ways}
      outcomes={asked ? beingWorkedOut : nothing}
      {...rest}
    />
  )
}

const legend = 'How? With the hours for all of it'

interface ComparedProps extends Omit<MethodChoiceProps, 'asked'> {
  readonly asked: Asked
  readonly isBehind: boolean
}

function Compared({ asked, isBehind, ...rest }: ComparedProps) {
  const { project, units, shelf, remembered } = asked
  const progress = useMemo(
    () => foldProgress(remembered ? [recordOf(remembered, clockNow())] : []),
    [remembered],
  )
  const sources = useSources(project, progress)
  const withStock = useMemo(() => sources && { ...sources, shelf: withUsual(shelf) }, [sources, shelf])
  const recipes = useMemo(() => recipeSchools.map(({ id }) => draftRecipes(units, id, shelf)), [units, shelf])
  const outcomes = useWays(withStock, project.units, recipes)
  return <WayTable legend={legend} ways={ways} outcomes={isBehind ? beingWorkedOut : outcomes} {...rest} />
}
