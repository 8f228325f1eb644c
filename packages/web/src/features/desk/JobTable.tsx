import { countModels, type Project } from '@seriatim/core/trade'
import type { Instant, ProjectId } from '@seriatim/core/units'
import { clsx } from 'clsx'
import type { ReactNode } from 'react'
import { Link } from 'react-router'
import { dueText, percentText } from '../../shared/finish-text.ts'
import { dayText, plural } from '../../shared/format/index.ts'
import { Button, ScrollRegion } from '../../shared/ui/index.ts'
import type { JobShown } from '../../shared/worker/index.ts'

interface JobTableProps {
  /** Chooses whose hours hold. */
  readonly hours: ReactNode
  readonly jobs: readonly Project[]
  readonly shown: readonly JobShown[]
  /** As it was before a job was left out or rushed; `null` while nothing is. */
  readonly before: readonly JobShown[] | null
  /** What was asked is not laid yet: all stands as before. */
  readonly isWorking: boolean
  readonly timeZone: string
  readonly left: ReadonlySet<ProjectId>
  readonly rush: ProjectId | null
  readonly onLeft: (id: ProjectId) => void
  readonly onRush: (id: ProjectId) => void
}

/** Job by job: when it is done among the others, with which odds, and who pays with which date. */
export function JobTable({
  hours,
  jobs,
  shown,
  before,
  isWorking,
  timeZone,
  left,
  rush,
  onLeft,
  onRush,
}: JobTableProps) {
  return (
    <section className="ticket p-4" aria-labelledby="jobs">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <h2 id="jobs" className="text-xl">
          The jobs on it
        </h2>
        {hours}
      </div>
      <ScrollRegion label="Jobs at the desk">
        <table className="mt-2 w-full min-w-[48rem] text-left">
          <thead className="text-sm text-ink-soft">
            <tr>
              <th scope="col" className="py-1">
                Job
              </th>
              <th scope="col" className="px-2">
                Due
              </th>
              <th scope="col" className="px-2">
                Done by, in 8 of 10 cases
              </th>
              <th scope="col" className="px-2">
                Odds of the date
              </th>
              <th scope="col" className="px-2">
                If done alone
              </th>
              <th scope="col">
                <span className="sr-only">What if</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {jobs.map((job) => {
              const isOut = left.has(job.id)
              const now = shown.find((each) => each.projectId === job.id)
              const was = before?.find((each) => each.projectId === job.id)
              return (
                <tr key={job.id} className={clsx('border-t border-paper-edge', isOut && 'text-ink-soft')}>
                  <th scope="row" className="py-2 pr-2">
                    <Link to={`/projects/${job.id}/plan`} className="underline-offset-4 hover:underline">
                      {job.name}
                    </Link>
                    <span className="block text-sm font-normal text-ink-soft">
                      {plural(countModels(job), 'model')}
                    </span>
                  </th>
                  <td className="px-2">{dueText(job)}</td>
                  <td className="px-2">
                    {isOut ? 'left out' : now ? <DoneBy now={now} was={was} timeZone={timeZone} /> : '–'}
                  </td>
                  <td
                    className={clsx(
                      'figures px-2',
                      !isOut && (now?.odds ?? 1) < 0.5 && 'font-bold text-hands',
                    )}
                  >
                    {isOut || !now ? '–' : <Odds of={now} />}
                  </td>
                  <td className="px-2">{now?.aloneAt ? dayText(now.aloneAt, timeZone) : '–'}</td>
                  <td className="py-2 text-right">
                    <span className="inline-flex gap-2">
                      <Button
                        aria-pressed={rush === job.id}
                        disabled={isOut || now?.doneAt === null}
                        weight={rush === job.id ? 'main' : 'plain'}
                        onClick={() => onRush(job.id)}
                      >
                        Rush<span className="sr-only"> {job.name}</span>
                      </Button>
                      <Button
                        aria-pressed={isOut}
                        disabled={!isOut && left.size === jobs.length - 1}
                        onClick={() => onLeft(job.id)}
                      >
                        {isOut ? 'Take in' : 'Leave out'}
                        <span className="sr-only"> {job.name}</span>
                      </Button>
                    </span>
                  </td>
                </tr>
              )
            })}
          </tbody>
        </table>
      </ScrollRegion>
      {isWorking ? <p className="mt-2 text-sm text-ink-soft">Working out what if …</p> : null}
      {before ? (
        <p className="mt-2 text-sm text-ink-soft">
          What if: nothing is changed by it. Days sooner or later are against the plan of all jobs as they
          stand.
        </p>
      ) : null}
    </section>
  )
}

interface DoneByProps {
  readonly now: JobShown
  readonly was: JobShown | undefined
  readonly timeZone: string
}

function DoneBy({ now, was, timeZone }: DoneByProps) {
  if (now.doneAt === null) return <>done</>
  if (now.doneBy === undefined)
    return (
      <>
        <b>…</b>
        <span className="block text-sm">
          {was ? differenceText(was.doneAt, now.doneAt) : dayText(now.doneAt, timeZone)} if all goes well
        </span>
      </>
    )
  return (
    <>
      <b>{now.doneBy === null ? 'beyond the calendar' : dayText(now.doneBy, timeZone)}</b>
      {was ? <span className="block text-sm">{differenceText(was.doneBy ?? null, now.doneBy)}</span> : null}
    </>
  )
}

function Odds({ of: { odds, due, doneAt } }: { readonly of: JobShown }) {
  if (odds === undefined) return <>{due === null || doneAt === null ? '–' : '…'}</>
  return <>{odds === null ? '–' : percentText(odds)}</>
}

const day = 86_400_000

function differenceText(was: Instant | null, now: Instant | null): string {
  if (was === null || now === null) return ''
  const days = Math.round((now - was) / day)
  if (days === 0) return 'as before'
  return `${plural(Math.abs(days), 'day')} ${days < 0 ? 'sooner' : 'later'}`
}
