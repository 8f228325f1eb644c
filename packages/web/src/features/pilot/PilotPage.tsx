import { localDateAt } from '@seriatim/core/calendar'
import {
  applyPilotProposal,
  pilotTotals,
  type PilotProposal,
  type PilotReport,
  type PilotStage,
} from '@seriatim/core/estimating'
import { keepVersion, type Shelf } from '@seriatim/core/recipe'
import type { Unit } from '@seriatim/core/trade'
import type { Instant } from '@seriatim/core/units'
import { Flag, Users } from 'lucide-react'
import { useState } from 'react'
import { Link, useParams } from 'react-router'
import { durationText, plural, rangeText } from '../../shared/format/index.ts'
import { useCurrentProject, useEdit, withUnit } from '../../shared/project/index.ts'
import { useRecorder } from '../../shared/progress/index.ts'
import { Button, EmptyState, ErrorState, Headline, LoadingState } from '../../shared/ui/index.ts'
import { useCurrentFigures, type ShownSources } from '../../shared/figures.ts'
import { usePilot } from '../../shared/worker/index.ts'
import { ChoosePilotDialog } from './ChoosePilotDialog.tsx'
import { LapSteps } from './LapSteps.tsx'
import { PilotStages } from './PilotStages.tsx'
import { VerdictDialog } from './VerdictDialog.tsx'

export function PilotPage() {
  const { written: project, sources, error, refetch } = useCurrentFigures()
  const { unitId } = useParams()
  const unit = project.units.find((each) => each.id === unitId)
  if (!unit) {
    return (
      <EmptyState title="There is no such unit">
        <Link to="../roster" className="font-bold underline underline-offset-4">
          To the roster
        </Link>
      </EmptyState>
    )
  }
  if (sources) return <Pilot key={unit.id} unit={unit} sources={sources} />
  if (error) return <ErrorState error={error} onRetry={refetch} />
  return <LoadingState what="the pilot" />
}

function Pilot({ unit, sources }: { readonly unit: Unit; readonly sources: ShownSources }) {
  const seen = usePilot(sources, unit)
  if (!seen) return <LoadingState what="the pilot" />
  return <PilotSeen {...seen} unit={unit} now={sources.clock} shelf={sources.shelf} />
}

/** The pilot's page once it is worked out. */
function PilotSeen({
  unit,
  now,
  shelf,
  report,
  proposals,
}: {
  readonly unit: Unit
  readonly now: Instant
  readonly shelf: Shelf
  readonly report: PilotReport
  readonly proposals: readonly PilotProposal[]
}) {
  const project = useCurrentProject()
  const edit = useEdit()
  const recorder = useRecorder(project)
  const [choosing, setChoosing] = useState(unit.pilot.length === 0)
  const [judging, setJudging] = useState<PilotStage | null>(null)
  const recipe = project.recipes.find((each) => each.unitIds.includes(unit.id))
  const isThrough = report.stages.length > 0 && report.stages.every((each) => each.done === each.models)

  const take = (proposal: PilotProposal) => {
    const next = applyPilotProposal(project, unit, proposal)
    const said =
      proposal.kind === 'leave out'
        ? `${proposal.stage.name} is left out.`
        : proposal.kind === 'recolour'
          ? `${proposal.text}, in the recipe and the stage order.`
          : 'The highlights are in the recipe. Take the order under Stages, and it has them too.'
    edit(project, { ...project, recipes: next.recipes, line: next.line }, said)
  }
  const keep = () => {
    if (!recipe) return
    const today = localDateAt(now, project.evenings.timeZone)
    const kept = keepVersion(recipe, today, `As the pilot of ${unit.name} was painted.`)
    edit(
      project,
      { ...project, recipes: project.recipes.map((each) => (each === recipe ? kept : each)) },
      `The pilot is the reference: version ${String(kept.versions.at(-1)?.number ?? 1)} of the recipe.`,
    )
  }

  return (
    <>
      <Headline
        sub={
          unit.pilot.length === 0
            ? 'Take one to five models through the whole line first, with the clock on: then the rest is known.'
            : `The pilot: ${plural(unit.pilot.length, 'model')} of ${String(unit.models.length)}. It goes first, by itself, and stays on the desk as the reference.`
        }
        actions={
          <>
            <Button weight={unit.pilot.length === 0 ? 'main' : 'plain'} onClick={() => setChoosing(true)}>
              <Users aria-hidden="true" size={18} /> Choose the pilot
            </Button>
            {isThrough && recipe ? (
              <Button weight="main" onClick={keep}>
                <Flag aria-hidden="true" size={18} /> Keep it as the reference
              </Button>
            ) : null}
            <Link
              to="../bench"
              className="flex min-h-11 items-center px-2 font-bold underline underline-offset-4"
            >
              To the bench
            </Link>
          </>
        }
      >
        {headlineOf(unit, report)}
      </Headline>
      {unit.pilot.length === 0 ? null : (
        <div className="grid items-start gap-5 lg:grid-cols-[minmax(0,1fr)_24rem]">
          <PilotStages report={report} onJudge={setJudging} />
          <div className="grid gap-5">
            <Proposals unit={unit} proposals={proposals} onTake={take} />
            <LapSteps report={report} />
          </div>
        </div>
      )}
      {choosing ? (
        <ChoosePilotDialog
          unit={unit}
          onClose={() => setChoosing(false)}
          onChoose={(pilot) => {
            edit(
              project,
              withUnit(project, { ...unit, pilot }),
              pilot.length === 0
                ? 'No pilot.'
                : `The pilot of ${unit.name}: ${plural(pilot.length, 'model')}.`,
            )
            setChoosing(false)
          }}
        />
      ) : null}
      {judging ? (
        <VerdictDialog
          stage={judging}
          onClose={() => setJudging(null)}
          shelf={shelf}
          onJudge={(judged) => {
            recorder.judge(judging.stage.id, unit.pilot, judged)
            setJudging(null)
          }}
        />
      ) : null}
    </>
  )
}

function headlineOf(unit: Unit, report: PilotReport): string {
  const { clock } = pilotTotals(report)
  const rest = report.rest.at(-1)
  if (unit.pilot.length === 0) return `${unit.name}: which model goes first?`
  const others =
    rest && rest.likely > 0
      ? `the others take ${durationText(rest.likely)} (${rangeText(rest)})`
      : 'the others are done'
  return clock === 0
    ? `${unit.name}: ${others}, before the first lap`
    : `${unit.name}: ${durationText(clock)} a pilot model, ${others}`
}

const takeTexts = { 'leave out': 'Leave it out', add: 'Add it', recolour: 'Change the paint' } as const

function changeText({ kind, seconds }: PilotProposal): string {
  if (kind === 'recolour' && Math.abs(seconds) < 30) return 'no other time'
  return `${durationText(Math.abs(seconds))} ${kind === 'leave out' || seconds < 0 ? 'less' : 'more'}`
}

function Proposals({
  unit,
  proposals,
  onTake,
}: {
  readonly unit: Unit
  readonly proposals: readonly PilotProposal[]
  readonly onTake: (proposal: PilotProposal) => void
}) {
  return (
    <section className="ticket p-4" aria-labelledby="pilot-says">
      <h2 id="pilot-says" className="text-xl">
        {proposals.length === 0 ? 'The pilot asks for no change' : 'What the pilot asks for'}
      </h2>
      {proposals.length === 0 ? (
        <p className="mt-1 text-sm text-ink-soft">
          Look at it from a metre, beside the others, and say of each stage what it did.
        </p>
      ) : null}
      <ul>
        {proposals.map((proposal) => (
          <li
            key={`${proposal.kind} ${proposal.stage.id}`}
            className="border-t border-paper-edge py-2 first:border-0"
          >
            <p>
              <b>{proposal.kind === 'leave out' ? `Leave out ${proposal.stage.name}` : proposal.text}</b>
              {proposal.note === '' ? '' : `: “${proposal.note}”`}
            </p>
            <p className="flex flex-wrap items-center justify-between gap-2 text-sm text-ink-soft">
              <span>
                {changeText(proposal)} for the rest of {unit.name}
              </span>
              <Button onClick={() => onTake(proposal)}>{takeTexts[proposal.kind]}</Button>
            </p>
          </li>
        ))}
      </ul>
    </section>
  )
}
