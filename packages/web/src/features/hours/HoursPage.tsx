import { paintedBy, painterSessions } from '@seriatim/core/calendar'
import { affordStandards, type Goal, type StandardCosts } from '@seriatim/core/estimating'
import { type Project, type Standard, dateOf } from '@seriatim/core/trade'
import type { Instant, UnitId } from '@seriatim/core/units'
import { useMemo, useState } from 'react'
import { dueText, finishText } from '../../shared/finish-text.ts'
import { durationText, parseMinutesText, plural } from '../../shared/format/index.ts'
import { useCurrentProject, useEdit } from '../../shared/project/index.ts'
import {
  Button,
  CheckField,
  ErrorState,
  Headline,
  LoadingState,
  NothingYet,
  TextField,
} from '../../shared/ui/index.ts'
import { useExtras, useStandardCosts } from '../../shared/worker/index.ts'
import { useFinish } from '../../shared/use-finish.ts'
import { useCurrentFigures, type ShownSources } from '../../shared/figures.ts'
import { ExtraList } from './ExtraList.tsx'
import { StandardTable } from './StandardTable.tsx'

export function HoursPage() {
  const { written: project, sources, error, refetch } = useCurrentFigures()
  if (project.units.length === 0 || (project.line.length === 0 && project.recipes.length === 0)) {
    return (
      <NothingYet
        headline="What fits into the hours?"
        missing={project.units.length === 0 ? 'models' : 'stages'}
      >
        With models and stages it is worked out here which standard, stages and units fit.
      </NothingYet>
    )
  }
  if (sources) return <Hours sources={sources} />
  if (error) return <ErrorState error={error} onRetry={refetch} />
  return <LoadingState what="the hours" />
}

const usualBox = 6 * 3600
const mostSessions = 400

function Hours({ sources }: { readonly sources: ShownSources }) {
  const costs = useStandardCosts(sources)
  return costs ? <TimeBox sources={sources} costs={costs} /> : <LoadingState what="the hours" />
}

/** So many hours: what fits into them. */
function TimeBox({
  sources,
  costs,
}: {
  readonly sources: ShownSources
  readonly costs: readonly StandardCosts[]
}) {
  const project = useCurrentProject()
  const edit = useEdit()
  const untilDate = useMemo(() => hoursUntilDate(project, sources.clock), [project, sources.clock])
  const [text, setText] = useState(() => durationText(untilDate ?? usualBox))
  const [goal, setGoal] = useState<Goal>('models')
  const [safe, setSafe] = useState(false)
  const [left, setLeft] = useState<ReadonlySet<UnitId>>(new Set())
  const finish = useFinish(sources)
  const available = parseMinutesText(text)
  const units = project.units.filter((unit) => !left.has(unit.id))
  const safety = safe ? safetyOf(costs) : 1
  const afforded = affordStandards(units, costs, {
    availableSeconds: available ?? 0,
    goal,
    safety,
  })
  const spent = afforded.reduce((sum, each) => sum + each.seconds, 0)
  const standardOf = new Map(
    afforded.flatMap((each) => (each.standard ? [[each.unitId, each.standard] as const] : [])),
  )
  const extras = useExtras(sources, standardOf, (available ?? 0) - spent, safety)
  const differing = project.units.filter((unit) => {
    const standard = standardOf.get(unit.id)
    return standard !== undefined && standard !== unit.standard
  })
  const take = () => {
    const units = project.units.map((unit) => ({
      ...unit,
      standard: standardOf.get(unit.id) ?? unit.standard,
    }))
    const named = differing.map((unit) => `${unit.name} to ${standardOf.get(unit.id) ?? ''}`).join(', ')
    edit(project, { ...project, units }, `Painted: ${named}.`)
  }

  return (
    <>
      <Headline
        sub={`${subOf(afforded.length, spent, available ?? 0)}${finish && project.line.length > 0 ? `; as it stands ${finishText(finish, project)}` : ''}`}
      >
        {headlineOf(project, standardOf, available)}
      </Headline>
      <section
        className="ticket mb-5 grid items-start gap-x-8 gap-y-3 p-4 md:grid-cols-[14rem_auto_1fr]"
        aria-label="The hours"
      >
        <div>
          <TextField
            label="Hours there are"
            value={text}
            onChange={(event) => setText(event.target.value)}
            error={available === null ? 'Give a time such as 6 h, 7 h 30 or 90.' : undefined}
            hint={
              untilDate === null || project.dueOn === null
                ? 'A time-box: what fits into it?'
                : `Until ${dueText(project)} there are ${durationText(untilDate)} at the desk, of everybody’s sessions.`
            }
          />
          {untilDate !== null && available !== untilDate ? (
            <Button weight="quiet" className="px-0!" onClick={() => setText(durationText(untilDate))}>
              Those until the date
            </Button>
          ) : null}
        </div>
        <fieldset>
          <legend className="text-sm font-bold">First</legend>
          {(['models', 'points'] as const).map((each) => (
            <CheckField
              key={each}
              kind="radio"
              name="goal"
              label={each === 'models' ? 'table-ready models' : 'points'}
              checked={goal === each}
              onChange={() => setGoal(each)}
            />
          ))}
          <br />
          <CheckField
            label="On the safe side: nine times in ten"
            checked={safe}
            onChange={(event) => setSafe(event.target.checked)}
          />
        </fieldset>
        <fieldset>
          <legend className="text-sm font-bold">Units in it</legend>
          <div className="flex flex-wrap gap-x-3">
            {project.units.map((unit) => (
              <CheckField
                key={unit.id}
                label={unit.name}
                checked={!left.has(unit.id)}
                onChange={() => setLeft(toggled(left, unit.id))}
              />
            ))}
          </div>
        </fieldset>
      </section>
      <StandardTable
        units={units}
        costs={costs}
        afforded={afforded}
        safety={safety}
        overSeconds={(available ?? 0) - spent}
        actions={
          <Button weight="main" disabled={differing.length === 0} onClick={take}>
            {differing.length === 0 ? 'The roster has these standards' : 'Take these standards'}
          </Button>
        }
      />
      <ExtraList extras={extras} units={project.units} />
    </>
  )
}

function toggled(set: ReadonlySet<UnitId>, id: UnitId): ReadonlySet<UnitId> {
  const next = new Set(set)
  if (!next.delete(id)) next.add(id)
  return next
}

/** What remains of everybody's sessions until the date, days off left out; null without a date. */
function hoursUntilDate(project: Project, now: Instant): number | null {
  const until = paintedBy(dateOf(project), project)
  if (until === null) return null
  return project.planning.painters
    .flatMap((painter) => painterSessions(painter, project.evenings, now, mostSessions).sessions)
    .filter((session) => session.startsAt < until)
    .reduce(
      (sum, { startsAt, endsAt }) => sum + (Math.min(endsAt, until) - Math.max(startsAt, now)) / 1000,
      0,
    )
}

/** How much longer than likely nine in ten totals are at most. */
function safetyOf(costs: readonly StandardCosts[]): number {
  const sum = (key: 'likely' | 'high') => costs.reduce((all, each) => all + each.left.tabletop[key], 0)
  const likely = sum('likely')
  return likely > 0 ? sum('high') / likely : 1
}

function headlineOf(
  project: Project,
  standardOf: ReadonlyMap<UnitId, Standard>,
  available: number | null,
): string {
  if (available === null) return 'How many hours are there?'
  const ready = project.units.filter((unit) => {
    const standard = standardOf.get(unit.id)
    return standard !== undefined && standard !== 'three-colour'
  })
  const models = ready.reduce((sum, unit) => sum + unit.models.length, 0)
  const three = [...standardOf.values()].filter((each) => each === 'three-colour').length
  const more = three > 0 ? `, and ${plural(three, 'unit')} in three colours` : ''
  return `${durationText(available)}: ${plural(models, 'model')} of ${plural(ready.length, 'unit')} table-ready${more}`
}

function subOf(units: number, spent: number, available: number): string {
  if (units === 0) return 'Tick the units that are to be painted'
  const over = available - spent
  return `These standards take ${durationText(spent)}, ${durationText(Math.abs(over))} ${over < 0 ? 'too much' : 'are over'}`
}
