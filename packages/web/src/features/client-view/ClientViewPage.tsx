import type { SharedProgress } from '@seriatim/contract'
import type { HoleState } from '@seriatim/core/progress'
import { useQuery } from '@tanstack/react-query'
import { useParams } from 'react-router'
import { ApiProblem, readShared, useSharedPicture } from '../../shared/api/index.ts'
import { dateText, dayText, plural, shareDoneText } from '../../shared/format/index.ts'
import { ErrorState, LoadingState, PunchStrip } from '../../shared/ui/index.ts'
import { useNow } from '../../shared/use-now.ts'

const askAgainAfter = 60_000

/** What a client sees behind their link, without signing in: how far it is, and nothing else. */
export function ClientViewPage() {
  const { token = '' } = useParams()
  const { data, error, refetch } = useQuery({
    queryKey: ['shared', token],
    queryFn: ({ signal }) => readShared(token, signal),
    refetchInterval: askAgainAfter,
  })
  return (
    <main className="mx-auto max-w-3xl px-4 py-6 sm:px-6">
      {data ? (
        <Shown shared={data} token={token} />
      ) : error instanceof ApiProblem ? (
        <section role="alert" className="ticket mx-auto mt-10 max-w-xl p-8">
          <h1 className="text-2xl">Nothing to see here</h1>
          <p className="mt-2 text-ink-soft">{error.message}</p>
        </section>
      ) : error ? (
        <ErrorState error={error} onRetry={() => void refetch()} />
      ) : (
        <LoadingState what="how far it is" />
      )}
    </main>
  )
}

function Shown({ shared, token }: { readonly shared: SharedProgress; readonly token: string }) {
  const now = useNow(60)
  const next = nextMilestone(shared.units)
  const { studio, project, units, dueOn, deliveredOn, testModel, photos, lastAt, validUntil } = shared
  return (
    <>
      <p className="text-sm text-ink-soft">{studio}</p>
      <h1 className="mt-1 text-3xl">{project}</h1>
      <p className="mt-2 text-lg">{sentenceOf(shared)}</p>
      <dl className="mt-4 grid grid-cols-[auto_1fr] gap-x-6 gap-y-1">
        <dt className="text-ink-soft">Date</dt>
        <dd>
          {deliveredOn !== null
            ? `delivered ${dateText(deliveredOn)}`
            : dueOn === null
              ? 'not agreed yet'
              : dateText(dueOn)}
        </dd>
        {testModel ? (
          <>
            <dt className="text-ink-soft">Test model</dt>
            <dd>
              {testModel.name},{' '}
              {testModel.agreedOn === null ? 'waits for your yes' : `agreed ${dateText(testModel.agreedOn)}`}
            </dd>
          </>
        ) : null}
        {next === null || deliveredOn !== null ? null : (
          <>
            <dt className="text-ink-soft">Next</dt>
            <dd>{next}</dd>
          </>
        )}
        <dt className="text-ink-soft">Last painted on</dt>
        <dd>{lastAt === null ? 'not begun yet' : dayText(lastAt)}</dd>
      </dl>
      <ul className="mt-6 grid gap-4">
        {units.map((unit) => (
          <li key={unit.name} className="ticket p-4">
            <div className="flex flex-wrap items-baseline justify-between gap-x-4">
              <h2 className="text-xl">{unit.name}</h2>
              <p className="text-sm text-ink-soft">
                {plural(unit.models, 'model')}, to {unit.standard}
              </p>
            </div>
            <div className="mt-2">
              <PunchStrip
                label={`${unit.name}: ${String(unit.strip.filter((share) => share === 1).length)} of ${plural(unit.strip.length, 'stage')} done on all of them`}
                holes={unit.strip.map((share, index) => ({
                  id: String(index),
                  state: stateOf(share),
                  stopLine: false,
                }))}
                now={now}
                size={22}
              />
            </div>
            <p className="mt-2">{unitSentence(unit)}</p>
          </li>
        ))}
      </ul>
      {photos.length > 0 ? (
        <ul className="mt-6 grid gap-4 sm:grid-cols-2" aria-label="Pictures">
          {photos.map((photo) => (
            <SharedPicture key={photo.id} token={token} photo={photo} />
          ))}
        </ul>
      ) : null}
      <p className="mt-6 text-sm text-ink-soft">
        A hole is a stage of the work: punched through when every model of the unit has been through it, half
        when some have. This page holds until {dayText(validUntil)}.
      </p>
    </>
  )
}

function SharedPicture({
  token,
  photo,
}: {
  readonly token: string
  readonly photo: SharedProgress['photos'][number]
}) {
  const picture = useSharedPicture(token, photo.id)
  return (
    <li className="ticket p-2">
      <figure>
        <div className="flex aspect-4/3 items-center justify-center bg-paper-dim">
          {picture.data ? (
            <img
              src={picture.data}
              // The words below say what it shows.
              alt={photo.caption === '' ? 'The models as they are' : ''}
              className="max-h-full max-w-full"
            />
          ) : null}
        </div>
        {photo.caption === '' ? null : <figcaption className="mt-1">{photo.caption}</figcaption>}
      </figure>
    </li>
  )
}

function stateOf(share: number): HoleState {
  return { kind: share === 1 ? 'done' : share > 0 ? 'in-hand' : 'to-do' }
}

function sentenceOf({ done, units, deliveredOn }: SharedProgress): string {
  const models = units.reduce((sum, unit) => sum + unit.models, 0)
  const finished = units.reduce((sum, unit) => sum + unit.finished, 0)
  if (deliveredOn !== null) return `All ${plural(models, 'model')} are painted and on their way.`
  if (finished === models && models > 0) return `All ${plural(models, 'model')} are painted.`
  if (done === 0) return `${plural(models, 'model')}; the painting has not begun.`
  return `${shareDoneText(done)} of the work is done; ${String(finished)} of ${plural(models, 'model')} finished.`
}

/** What is reached next: the unit that is in hand ready for the table, then finished; `null` when all are. */
function nextMilestone(units: SharedProgress['units']): string | null {
  const toTable = units.filter((unit) => unit.tableReady < unit.models)
  const unit = toTable.find(({ strip }) => strip.some((share) => share > 0)) ?? toTable[0]
  if (unit) return `${unit.name}: ${plural(unit.models - unit.tableReady, 'model')} ready for the table`
  const rest = units.find(({ finished, models }) => finished < models)
  return rest ? `${rest.name}: the finishing of ${plural(rest.models - rest.finished, 'model')}` : null
}

function unitSentence({ models, tableReady, finished }: SharedProgress['units'][number]): string {
  if (finished === models) return 'Finished.'
  if (tableReady === 0) return 'None is ready for the table yet.'
  const ready = `${String(tableReady)} of ${String(models)} ready for the table`
  return finished === tableReady ? `${ready}.` : `${ready}, ${String(finished)} of them finished.`
}
