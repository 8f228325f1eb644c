import { fairShares, planProblemText, type LinePlan } from '@seriatim/core/plan'
import { deskOf } from '@seriatim/core/trade'
import { withCapital, type ProjectId } from '@seriatim/core/units'
import { useMemo, useState } from 'react'
import { Link } from 'react-router'
import { useChooseHours, useHoursOf } from '../../shared/api/index.ts'
import { finishText } from '../../shared/finish-text.ts'
import { dayText, durationText, plural } from '../../shared/format/index.ts'
import { PlanNotes } from '../../shared/plan-notes.tsx'
import { RunSheetTicket } from '../../shared/run-sheet/index.ts'
import { EmptyState, ErrorState, Headline, LoadingState, SelectField } from '../../shared/ui/index.ts'
import { useJobs } from '../../shared/use-jobs.ts'
import {
  quickEffort,
  useDeskPlan,
  type DeskShown,
  type DeskWish,
  type JobShown,
} from '../../shared/worker/index.ts'
import { JobTable } from './JobTable.tsx'
import { QueueChart } from './QueueChart.tsx'
import { ShareTable } from './ShareTable.tsx'

const sheetsShown = 4

/** All projects at one desk: one plan, when each is done in it, and what a rush job would cost the others. */
export function DeskPage() {
  const { queue, error } = useJobs()
  const jobs = queue?.jobs
  const hours = useHoursOf()
  const choose = useChooseHours()
  const [left, setLeft] = useState<ReadonlySet<ProjectId>>(new Set())
  const [rush, setRush] = useState<ProjectId | null>(null)
  const host = jobs?.find(({ project }) => project.id === hours.data) ?? jobs?.[0]
  const all = useMemo(
    (): DeskWish | null => (queue && host ? { ...queue, desk: deskOf(host.project) } : null),
    [queue, host],
  )
  const projects = useMemo(() => jobs?.map((job) => job.project) ?? [], [jobs])
  const isChanged = left.size > 0 || rush !== null
  const before = useDeskPlan(all, 'as it is')
  const kept = before?.ok ? before.value.plan : null
  const alone = before?.ok ? before.value.jobs : null
  const wish = useMemo(
    () => (all && isChanged && kept && alone ? asWished(all, left, rush, kept, alone) : null),
    [all, isChanged, left, rush, kept, alone],
  )
  const wished = useDeskPlan(wish, 'as wished')
  const isWorking = isChanged && !wished
  const shown = isChanged && wished ? wished : before
  if (error && !jobs) return <ErrorState error={error} />
  if (!queue || !jobs || hours.data === undefined) return <LoadingState what="the desk" />
  if (!host) {
    return (
      <EmptyState title="Nothing to plan together yet">
        <p>Every project with models and stages is planned here, all at one desk.</p>
        <Link to="/projects" className="font-bold underline">
          To the projects
        </Link>
      </EmptyState>
    )
  }
  const hoursField = (
    <SelectField
      label="Hours, people and stations of"
      value={host.project.id}
      onChange={(event) => choose.mutate(event.target.value as ProjectId)}
      options={jobs.map(({ project }) => ({ value: project.id, text: project.name }))}
    />
  )
  if (!shown) return <LoadingState what="the plan of the desk" />
  if (!shown.ok) {
    return (
      <>
        <Headline actions={hoursField}>No plan holds</Headline>
        <EmptyState title={planProblemText(shown.error)}>
          <p>What is wrong is mended in the project itself; or another project’s hours are chosen above.</p>
        </EmptyState>
      </>
    )
  }
  const desk = shown.value
  return (
    <>
      <Headline sub={subOf(desk)}>
        {desk.forecast ? withCapital(finishText(desk.forecast, desk.desk)) : 'Drawing how it may go …'}
      </Headline>
      <PlanNotes
        notes={desk.plan.notes.filter(({ kind }) => kind === 'not-planned')}
        timeZone={desk.desk.evenings.timeZone}
      />
      <JobTable
        hours={hoursField}
        jobs={projects}
        shown={desk.jobs}
        before={isChanged && !isWorking && before?.ok ? before.value.jobs : null}
        isWorking={isWorking}
        timeZone={desk.desk.evenings.timeZone}
        left={left}
        rush={rush}
        onLeft={(id) => {
          const next = new Set(left)
          if (!next.delete(id)) next.add(id)
          // Something stays to be planned.
          if (next.size < jobs.length) setLeft(next)
          if (rush === id) setRush(null)
        }}
        onRush={(id) => setRush(rush === id ? null : id)}
      />
      <QueueChart desk={desk} jobs={projects} />
      <ShareTable shares={fairShares(desk.plan, queue.clock)} />
      <h2 className="mt-6 text-xl">What comes next</h2>
      <div className="mt-3 grid items-start gap-4 md:grid-cols-2">
        {desk.sheets.slice(0, sheetsShown).map((sheet) => (
          <RunSheetTicket
            key={`${String(sheet.session.startsAt)} ${String(sheet.session.painter)}`}
            sheet={sheet}
            project={{ evenings: desk.desk.evenings, recipes: jobs.flatMap((job) => job.project.recipes) }}
            painters={desk.plan.painters}
          />
        ))}
      </div>
    </>
  )
}

/** Without some jobs, and with one before everything else. */
function asWished(
  all: DeskWish,
  left: ReadonlySet<ProjectId>,
  rush: ProjectId | null,
  kept: LinePlan,
  alone: readonly JobShown[],
): DeskWish {
  const jobs = all.jobs.filter(({ project }) => !left.has(project.id))
  return {
    ...all,
    jobs,
    rush,
    before: { batches: kept.batches, stretches: kept.stretches, sessions: kept.sessions },
    aloneAt: new Map(alone.map((job) => [job.projectId, job.aloneAt])),
    effort: quickEffort,
  }
}

function subOf({ plan, desk, potsSaved }: DeskShown): string {
  const waits = plan.exposedSeconds >= 60 ? `, of them ${durationText(plan.exposedSeconds)} waiting` : ''
  const pots =
    potsSaved > 0
      ? ` Together ${plural(potsSaved, 'pot')} less ${potsSaved === 1 ? 'is' : 'are'} opened.`
      : ''
  const time = durationText(plan.handsOnSeconds + plan.exposedSeconds)
  return `${time} at the desk${waits}; ${dayText(plan.finishesAt, desk.evenings.timeZone)} if every session happens and every guess is met.${pots}`
}
