import { takeOffer, type FinishForecast, type Offer } from '@seriatim/core/forecasting'
import { mishapPresets } from '@seriatim/core/presets'
import type { Project } from '@seriatim/core/trade'
import { plural, numberText } from '../../shared/format/index.ts'
import { useCurrentProject, useEdit } from '../../shared/project/index.ts'
import { Button, Figure } from '../../shared/ui/index.ts'
import type { Odds, TriedOffer } from '../../shared/worker/index.ts'
import { dueText, percentText } from '../../shared/finish-text.ts'
import { dayOrLater, offerText, outcomeText } from './offer-text.ts'
import { OddsCurve } from './OddsCurve.tsx'

/** How it may go, what drives the spread, and what buys most. */
export function OddsTicket({
  odds,
  now,
}: {
  readonly odds: Odds
  readonly now: Parameters<typeof takeOffer>[2]
}) {
  const project = useCurrentProject()
  const { forecast, running, cancel, restart } = odds
  return (
    <section aria-labelledby="odds" className="ticket p-4">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <h2 id="odds" className="grow text-xl">
          {forecast ? oddsSentence(forecast, project) : 'Working out the odds'}
        </h2>
        {running ? (
          <p className="flex items-center gap-3 text-sm" role="status">
            <progress
              max={odds.total + 1}
              value={odds.offers.length + (forecast ? 1 : 0)}
              className="w-28"
              aria-label="Offers tried"
            />
            <Button onClick={cancel}>Stop</Button>
          </p>
        ) : forecast && odds.offers.length === odds.total ? null : (
          <Button onClick={restart}>Work out the odds</Button>
        )}
      </div>
      {forecast ? (
        <div className="mt-3 grid gap-x-8 gap-y-4 lg:grid-cols-[1.1fr_1fr]">
          <div>
            <OddsCurve forecast={forecast} project={project} />
            <Drivers forecast={forecast} project={project} />
          </div>
          <Offers before={forecast} offers={odds.offers} isTrying={running} now={now} />
        </div>
      ) : null}
    </section>
  )
}

function oddsSentence(forecast: FinishForecast, project: Project): string {
  const { timeZone } = project.evenings
  const p80 = dayOrLater(forecast.p80, timeZone)
  if (forecast.odds === null) return `Done by ${p80} in 8 of 10 cases`
  return `${percentText(forecast.odds)} to be done by ${dueText(project)}; ${p80} holds in 8 of 10 cases`
}

function Drivers({ forecast, project }: { readonly forecast: FinishForecast; readonly project: Project }) {
  const { timeZone } = project.evenings
  const nameOf = new Map(project.line.map((stage) => [stage.id, stage.name]))
  return (
    <div className="mt-2 grid gap-1 text-sm">
      <p className="flex flex-wrap gap-x-4">
        {([0.5, 0.8, 0.95] as const).map((share) => (
          <span key={share}>
            {percentText(share)}:{' '}
            <b className="figures">
              {dayOrLater(
                share === 0.5 ? forecast.p50 : share === 0.8 ? forecast.p80 : forecast.p95,
                timeZone,
              )}
            </b>
          </span>
        ))}
        <Figure
          name="Where the odds come from"
          explanation={
            <>
              <p>
                The plan laid anew {numberText(forecast.futures)} times, each with a pace for every stage as
                your laps allow, waits anywhere in their range, set-ups, slips (
                {String(Math.round(mishapPresets.slips * 100))} % of models, from memory) and{' '}
                {percentText(project.planning.skipShare)} of sessions falling out, some of them by the week.
                You keep to the order of the plan, and where that would mean waiting you take the next that
                can be begun.
              </p>
              <p>Source: the estimates and their ranges; the share of sessions is set under Sessions.</p>
            </>
          }
        >
          {plural(forecast.futures, 'simulation')}
        </Figure>
      </p>
      {forecast.drivers.length > 0 ? (
        <p>
          What moves the date most:{' '}
          {forecast.drivers.slice(0, 3).map(({ stageId, share }, index) => (
            <span key={stageId}>
              {index === 0 ? '' : ', '}
              <b>{nameOf.get(stageId)}</b> <span className="figures">{percentText(share)}</span>
            </span>
          ))}{' '}
          of the uncertainty.
        </p>
      ) : null}
    </div>
  )
}

function Offers({
  before,
  offers,
  isTrying,
  now,
}: {
  readonly before: FinishForecast
  readonly offers: readonly TriedOffer[]
  readonly isTrying: boolean
  readonly now: Parameters<typeof takeOffer>[2]
}) {
  const project = useCurrentProject()
  const edit = useEdit()
  const { timeZone } = project.evenings
  const take = (offer: Offer) => {
    const taken = takeOffer(project, offer, now)
    const said = `${offerText(offer, project)}: the plan follows.`
    edit(project, taken, said)
  }
  const gain = ({ forecast }: TriedOffer) =>
    (forecast.odds ?? 0) - (before.odds ?? 0) || (before.p80 ?? 0) - (forecast.p80 ?? Number.MAX_SAFE_INTEGER)
  // In the order they come in: a button is not to move away under the hand.
  const best = offers.reduce<TriedOffer | null>(
    (most, each) => (gain(each) > (most ? gain(most) : 0) ? each : most),
    null,
  )
  // What shows no difference is no help.
  const isHelp = (each: TriedOffer) =>
    gain(each) > 0 && !outcomeText(before, each.forecast, timeZone).endsWith(', as now')
  const helps = offers.filter(isHelp)
  const costs = offers.filter((each) => !isHelp(each))
  return (
    <div>
      <h3 className="text-base">What would help</h3>
      {helps.length === 0 ? (
        <p className="text-sm text-ink-soft">
          {isTrying ? 'What would help is being tried …' : 'Nothing tried brings the date nearer.'}
        </p>
      ) : null}
      <ul className="mt-1">
        {helps.map(({ offer, forecast }) => (
          <li
            key={JSON.stringify(offer)}
            className="flex flex-wrap items-center gap-x-3 border-t border-paper-edge py-0.5 text-sm"
          >
            <span className="min-w-0 grow">
              {offerText(offer, project)}
              {offer === best?.offer ? <b className="ml-2 text-xs text-done">buys most</b> : null}
            </span>
            <b className="figures">{outcomeText(before, forecast, timeZone)}</b>
            <Button
              weight="quiet"
              onClick={() => take(offer)}
              aria-label={`Take it: ${offerText(offer, project)}`}
            >
              Take it
            </Button>
          </li>
        ))}
      </ul>
      {costs.length > 0 ? (
        <>
          <h3 className="mt-3 text-base">What would cost, or change nothing</h3>
          <ul className="mt-1">
            {costs.map(({ offer, forecast }) => (
              <li
                key={JSON.stringify(offer)}
                className="flex flex-wrap items-center gap-x-3 border-t border-paper-edge py-0.5 text-sm text-ink-soft"
              >
                <span className="min-w-0 grow">{offerText(offer, project)}</span>
                <b className="figures">{outcomeText(before, forecast, timeZone)}</b>
              </li>
            ))}
          </ul>
        </>
      ) : null}
    </div>
  )
}
