import type { LineEstimate } from '@seriatim/core/estimating'
import type { LinePlan } from '@seriatim/core/plan'
import { batchSizesText, type Planning, type Project } from '@seriatim/core/trade'
import type { Instant } from '@seriatim/core/units'
import { useInView } from 'react-intersection-observer'
import { Link, useSearchParams } from 'react-router'
import { dayText, plural } from '../../shared/format/index.ts'
import { useCurrentProject, useSettings } from '../../shared/project/index.ts'
import { ErrorState, Fold, Headline, LoadingState } from '../../shared/ui/index.ts'
import { PlanNotes } from '../../shared/plan-notes.tsx'
import { useNarrow } from '../../shared/use-narrow.ts'
import { LastUnit } from '../../shared/remember/index.ts'
import { RunSheetTicket } from '../../shared/run-sheet/index.ts'
import type { ShownSources } from '../../shared/figures.ts'
import { useForecast, useOdds, useTeamworks, type PlanShown } from '../../shared/worker/index.ts'
import { Assumptions } from './Assumptions.tsx'
import { BatchList } from './BatchList.tsx'
import { BatchWishes } from './BatchWishes.tsx'
import { BatchWishPrice } from './BatchWishPrice.tsx'
import { BatchSizeControl } from './BatchSizeControl.tsx'
import { ChangesSince } from './ChangesSince.tsx'
import { LaterSheets } from './LaterSheets.tsx'
import { NoPlan } from './NoPlan.tsx'
import { OddsTicket } from './OddsTicket.tsx'
import { PlanControls } from './PlanControls.tsx'
import { batchesLeft, PlanFigures, planHeadline } from './PlanFigures.tsx'
import { PlanTable } from './PlanTable.tsx'
import { PlanWishes } from './PlanWishes.tsx'
import { StringChart } from './StringChart.tsx'
import { TeamworkTable } from './TeamworkTable.tsx'
import { useBatchSize } from './use-batch-size.ts'
import { usePlanSeen } from './use-plan-seen.ts'

export function PlanPage() {
  const seen = usePlanSeen()
  const { project, progress, planned, plan, ready, shown, room, estimate, now, sheets } = seen
  const { error, refetch, earlier, changes, bearable, learnt, sources } = seen
  const setSettings = useSettings()
  const setBatchSize = useBatchSize(project, plan, progress)
  const setPlanning = (planning: Planning, said: string) => setSettings({ planning }, said)
  const narrow = useNarrow()
  const isNew = useSearchParams()[0].has('new')

  if (error && !progress) return <ErrorState error={error} onRetry={refetch} />
  if (planned.error) return <ErrorState error={planned.error} onRetry={() => void planned.refetch()} />
  if (planned.data && !planned.data.ok) {
    return <NoPlan problem={planned.data.error} />
  }
  if (!plan) return <LoadingState what="the plan" />

  const [tonight, ...later] = sheets ?? []
  const figures = <PlanFigures plan={plan} project={project} room={room} />
  const split = batchSizesText(plan.batches)
  const batches = batchesLeft(plan)
  const { timeZone } = project.evenings
  return (
    <>
      <Headline sub={narrow ? undefined : figures} actions={narrow ? undefined : <PlanControls />}>
        <PlanTitle plan={plan} project={project} shown={shown} />
      </Headline>
      <PlanNotes notes={plan.notes} timeZone={project.evenings.timeZone} />
      <LastUnit project={project} progress={progress} sources={sources ?? null} />
      <BatchWishPrice plan={plan} sources={ready ?? null} />
      <div
        aria-busy={planned.isPlaceholderData}
        className={
          planned.isPlaceholderData ? 'outline-2 outline-offset-8 outline-rule outline-dashed' : undefined
        }
      >
        <div className="grid grid-cols-1 items-start gap-x-5 gap-y-4 lg:grid-cols-[19rem_minmax(0,1fr)]">
          {sheets ? null : <p className="ticket p-4 text-ink-soft">The run sheet is being written …</p>}
          {tonight ? (
            <section
              aria-label="The next session"
              className="lg:max-h-[calc(100dvh-13rem)] lg:overflow-y-auto"
              tabIndex={0}
            >
              <RunSheetTicket sheet={tonight} project={project} painters={plan.painters} />
            </section>
          ) : null}
          {narrow ? (
            <div className="grid gap-3">
              {figures}
              <div className="flex flex-wrap gap-2">
                <PlanControls />
              </div>
            </div>
          ) : null}
          <StringChart plan={plan} project={project} now={now} onPlanning={setPlanning} />
        </div>
        <p className="mt-2 mb-4 flex flex-wrap items-center gap-x-6">
          <Link
            to="../paper"
            className="inline-flex min-h-11 items-center font-bold underline underline-offset-4"
          >
            Run sheet, tickets and cards on paper
          </Link>
        </p>
        <Fold id="plan.assumed" title="What this plan assumes" open={isNew} hint="all of it can be changed">
          <Assumptions sources={sources ?? null} onPlanning={setPlanning} />
        </Fold>
        <Fold id="plan.odds" title="How sure it is" hint="and what would help">
          <Odds shown={shown} estimate={estimate} now={now} />
        </Fold>
        {earlier && changes ? (
          <Fold id="plan.since" title="What has changed" hint={`since ${dayText(earlier.takenAt, timeZone)}`}>
            <ChangesSince before={earlier} changes={changes} timeZone={timeZone} />
          </Fold>
        ) : null}
        {sheets ? (
          <Fold
            id="plan.later"
            title="Later sessions"
            hint={later.length === 0 ? 'none after this one' : plural(later.length, 'session')}
          >
            <LaterSheets sheets={later} plan={plan} project={project} />
          </Fold>
        ) : null}
        <Fold id="plan.together" title="What goes together" hint={plural(batches.length, 'batch', 'batches')}>
          <BatchWishes plan={plan} progress={progress} />
          <BatchList plan={plan} />
          <BatchSizeControl sources={ready ?? null} plan={plan} chosen={split} progress={progress} />
        </Fold>
        <Fold id="plan.wishes" title="What matters most" hint="the date first, until you say otherwise">
          <PlanWishes
            planning={project.planning}
            batches={batches}
            learnt={learnt}
            bearable={bearable !== null && bearable.models < project.batchSize ? bearable : null}
            onBatchSize={(batchSize) =>
              setBatchSize({ batchSize, firstBatch: null }, `Batches of ${String(batchSize)}.`)
            }
            onChange={setPlanning}
          />
        </Fold>
        {project.planning.painters.length > 1 ? (
          <Fold
            id="plan.shared"
            title="Who does what"
            hint={plural(project.planning.painters.length, 'painter')}
          >
            <SharedWork sources={shown?.sources ?? null} onPlanning={setPlanning} />
          </Fold>
        ) : null}
        <Fold id="plan.table" title="The plan as a table">
          <PlanTable plan={plan} project={project} />
        </Fold>
      </div>
    </>
  )
}

/** What is worked out beside the page has components of its own: a result that comes in draws nothing else anew. */
function PlanTitle({
  plan,
  project,
  shown,
}: {
  readonly plan: LinePlan
  readonly project: Project
  readonly shown: PlanShown | null
}) {
  return planHeadline(plan, project, useForecast(shown))
}

/** What would help is tried when somebody comes to see it; the odds themselves stand in the headline. */
function Odds({
  shown,
  estimate,
  now,
}: {
  readonly shown: PlanShown | null
  readonly estimate: LineEstimate | undefined
  readonly now: Instant
}) {
  const { ref, inView } = useInView({ triggerOnce: true })
  const odds = useOdds(shown, inView ? estimate : null)
  return (
    <div ref={ref}>
      <OddsTicket odds={odds} now={now} />
    </div>
  )
}

function SharedWork({
  sources,
  onPlanning,
}: {
  readonly sources: ShownSources | null
  readonly onPlanning: (planning: Planning, said: string) => void
}) {
  const project = useCurrentProject()
  const tried = useTeamworks(sources)
  if (tried.length === 0) return null
  return (
    <TeamworkTable
      tried={tried}
      chosen={project.planning.teamwork}
      timeZone={project.evenings.timeZone}
      onChoose={(teamwork) =>
        onPlanning({ ...project.planning, teamwork }, 'The plan shares the work out this way.')
      }
    />
  )
}
