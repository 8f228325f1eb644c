import type { Client, ProjectSummary } from '@seriatim/contract'
import { useQuery } from '@tanstack/react-query'
import { Link } from 'react-router'
import { projectListQuery, useClients } from '../../shared/api/index.ts'
import { finishText, percentText } from '../../shared/finish-text.ts'
import { dateText, plural } from '../../shared/format/index.ts'
import { ErrorState, Headline, LoadingState, ScrollRegion } from '../../shared/ui/index.ts'
import { ClientList } from './ClientList.tsx'
import { PricesForm } from './PricesForm.tsx'

/** What is painted for others: every commission with its client, its date and how it stands; and what the studio charges. */
export function CommissionsPage() {
  const projects = useQuery(projectListQuery)
  const clients = useClients()
  const error = projects.error ?? clients.error
  if (error && !projects.data) return <ErrorState error={error} onRetry={() => void projects.refetch()} />
  if (!projects.data || !clients.data) return <LoadingState what="the commissions" />
  const jobs = projects.data.filter((each) => each.commission !== null)
  const open = jobs.filter((each) => each.commission?.deliveredOn === null)
  return (
    <>
      <Headline
        sub={
          jobs.length === 0
            ? 'A project becomes a commission where it says for whom it is painted: from its roster, under Commission.'
            : 'Dates are those of each project by itself; All at one desk plans them together.'
        }
        actions={
          <Link to="/desk" className="font-bold underline underline-offset-4">
            All at one desk
          </Link>
        }
      >
        {headlineOf(open)}
      </Headline>
      {jobs.length > 0 ? <JobTable jobs={jobs} clients={clients.data} /> : null}
      <div className="mt-4 grid grid-cols-1 items-start gap-4 lg:grid-cols-2">
        <ClientList clients={clients.data} />
        <PricesForm />
      </div>
    </>
  )
}

function headlineOf(open: readonly ProjectSummary[]): string {
  if (open.length === 0) return 'Nothing is promised to anybody'
  const late = open.filter((each) => (each.finish?.odds ?? 1) < 0.5).length
  const promised = `${plural(open.length, 'commission')} in the studio`
  if (late === 0) return promised
  return `${promised}, ${late === 1 ? 'one' : String(late)} of them likely to be late`
}

function JobTable({
  jobs,
  clients,
}: {
  readonly jobs: readonly ProjectSummary[]
  readonly clients: readonly Client[]
}) {
  return (
    <section className="ticket p-4" aria-label="Commissions">
      <ScrollRegion label="Commissions in a table">
        <table className="w-full min-w-[46rem] text-left">
          <thead className="text-sm text-ink-soft">
            <tr>
              {['Commission', 'For', 'Table-ready', 'Date', 'As it stands', 'Odds of the date'].map(
                (name) => (
                  <th key={name} scope="col" className="px-2 py-1 first:pl-0">
                    {name}
                  </th>
                ),
              )}
            </tr>
          </thead>
          <tbody>
            {jobs.map((job) => {
              const { commission, finish } = job
              const isDelivered = commission?.deliveredOn !== null
              return (
                <tr key={job.id} className="border-t border-paper-edge">
                  <th scope="row" className="py-2 pr-2">
                    <Link
                      to={`/projects/${job.id}/commission`}
                      className="underline underline-offset-4 hover:decoration-2"
                    >
                      {job.name}
                    </Link>
                  </th>
                  <td className="px-2">
                    {clients.find((client) => client.id === commission?.clientId)?.name ??
                      'nobody known here'}
                  </td>
                  <td className="figures px-2">
                    {job.modelsTableReady} of {job.models}
                  </td>
                  <td className="px-2">{job.dueOn === null ? 'none' : dateText(job.dueOn)}</td>
                  <td className="px-2">
                    {commission?.deliveredOn
                      ? `delivered ${dateText(commission.deliveredOn)}`
                      : finish
                        ? finishText({ p80: finish.doneBy })
                        : 'not planned yet'}
                  </td>
                  <td className="figures px-2">
                    {isDelivered || finish === null || finish.odds === null ? '–' : percentText(finish.odds)}
                  </td>
                </tr>
              )
            })}
          </tbody>
        </table>
      </ScrollRegion>
    </section>
  )
}
