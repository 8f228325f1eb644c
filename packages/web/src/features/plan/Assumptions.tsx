import { rulesOf } from '@seriatim/core/calendar'
import { recipeSchools } from '@seriatim/core/recipe'
import { standards, type Planning, type Unit } from '@seriatim/core/trade'
import type { ReactNode } from 'react'
import { Link } from 'react-router'
import type { ShownSources } from '../../shared/figures.ts'
import { plural, hoursText } from '../../shared/format/index.ts'
import { useCurrentProject, useEdit, withUnit } from '../../shared/project/index.ts'
import { controlLook } from '../../shared/ui/index.ts'

/** Of sessions, in hundredths. */
const missed = [0, 5, 10, 15, 20, 30, 40]

interface AssumptionsProps {
  readonly sources: ShownSources | null
  readonly onPlanning: (planning: Planning, said: string) => void
}

/** All that the plan takes for granted, each to be put right at its place or a tap away. */
export function Assumptions({ sources, onPlanning }: AssumptionsProps) {
  const project = useCurrentProject()
  const edit = useEdit()
  const { planning, units, recipes, evenings } = project
  const skipped = Math.round(planning.skipShare * 100)
  const setStandard = (unit: Unit, text: string) => {
    const standard = standards.find((each) => each === text)
    if (standard) edit(project, withUnit(project, { ...unit, standard }), `${unit.name}: ${standard}.`)
  }
  return (
    <dl className="ticket grid gap-x-6 px-4 py-1 md:grid-cols-2">
      {units.map((unit) => {
        const recipe = recipes.find((each) => each.unitIds.includes(unit.id))
        const school = recipeSchools.find(({ id }) => id === recipe?.school)?.name.toLowerCase()
        return (
          <Row key={unit.id} name={unit.name} to={recipe ? `../recipe?recipe=${recipe.id}` : '../recipe?new'}>
            {plural(unit.models.length, 'model')}, {unit.size},{' '}
            {recipe ? (school ?? 'a recipe of your own') : 'no recipe yet'}
            <Choice
              label={`Standard of ${unit.name}`}
              value={unit.standard}
              options={standards.map((value) => ({ value, text: `to ${value}` }))}
              onChoose={(text) => setStandard(unit, text)}
            />
          </Row>
        )
      })}
      <Row name="Sessions" to="../sessions">
        {hoursText(rulesOf(evenings))}
        {planning.painters.length > 1 ? `; ${plural(planning.painters.length, 'painter')}` : ''}
        <Choice
          label="Missed sessions"
          value={String(skipped)}
          options={[...new Set([...missed, skipped])]
            .toSorted((a, b) => a - b)
            .map((share) => ({
              value: String(share),
              text: share === 0 ? 'none missed' : `${String(share)} in 100 missed`,
            }))}
          onChoose={(share) =>
            onPlanning(
              { ...planning, skipShare: Number(share) / 100 },
              `${share} in 100 sessions are missed.`,
            )
          }
        />
      </Row>
      <Row name="Pace" to="../logbook">
        {paceText(sources)}
      </Row>
      <Row name="Drying" to="/air">
        {(sources?.readings ?? []).length > 0
          ? 'by your readings of the air'
          : 'as in a usual room: the middle of each range'}
        {planning.rackPlaces === null
          ? '; the rack has room for all'
          : `; the rack holds ${plural(planning.rackPlaces, 'model')}`}
      </Row>
      <Row name="Spraying" to="../sessions">
        {planning.sprayHours === null
          ? 'at any hour'
          : `from ${planning.sprayHours.from} to ${planning.sprayHours.until}`}
        {`, ${plural(planning.sprayPlaces, 'place')} to spray, ${plural(planning.airbrushes, 'airbrush', 'airbrushes')}`}
      </Row>
    </dl>
  )
}

interface ChoiceProps {
  readonly label: string
  readonly value: string
  readonly options: readonly { readonly value: string; readonly text: string }[]
  readonly onChoose: (value: string) => void
}

function Choice({ label, value, options, onChoose }: ChoiceProps) {
  return (
    <select
      aria-label={label}
      className={`${controlLook} w-auto!`}
      value={value}
      onChange={(event) => onChoose(event.target.value)}
    >
      {options.map((option) => (
        <option key={option.value} value={option.value}>
          {option.text}
        </option>
      ))}
    </select>
  )
}

function Row({
  name,
  to,
  children,
}: {
  readonly name: string
  readonly to: string
  readonly children: ReactNode
}) {
  return (
    <div className="grid grid-cols-[6.5rem_minmax(0,1fr)_auto] items-center gap-x-3 border-b border-paper-edge py-1.5">
      <dt className="font-bold">{name}</dt>
      <dd className="flex flex-wrap items-center justify-between gap-x-4 gap-y-1">{children}</dd>
      <dd>
        <Link to={to} className="inline-flex min-h-11 items-center font-bold underline underline-offset-4">
          Change<span className="sr-only"> {name}</span>
        </Link>
      </dd>
    </div>
  )
}

function paceText(sources: ShownSources | null): string {
  const progress = sources?.progress
  const own = progress?.laps.length ?? 0
  const remembered = progress?.remembered.length ?? 0
  const elsewhere = (sources?.known ?? []).length
  const parts = [
    ...(own > 0 ? [`${plural(own, 'timing')} of yours`] : []),
    ...(elsewhere > 0 ? ['what you painted before'] : []),
    ...(remembered > 0 ? ['what you remember of your last unit'] : []),
  ]
  return parts.length > 0 ? `from ${parts.join(', ')}` : 'common practice: nothing is known of yours yet'
}
