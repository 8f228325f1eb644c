import type { AirReading } from '@seriatim/contract'
import { airNow, dewPoint, simulatedAir, waitFactor, type Air } from '@seriatim/core/air'
import { instant } from '@seriatim/core/units'
import { useMemo } from 'react'
import { useAir, useAirChange } from '../../shared/api/index.ts'
import { BringCsvButton } from '../../shared/csv/index.ts'
import { clockText, dayText, plural, decimalText } from '../../shared/format/index.ts'
import { Button, ErrorState, Figure, Headline, LoadingState } from '../../shared/ui/index.ts'
import { useNow } from '../../shared/use-now.ts'
import { airReader } from './air-csv.ts'
import { ReadingForm } from './ReadingForm.tsx'
import { SprayDays } from './SprayDays.tsx'
import { takenBack } from './taken-back.ts'

const hour = 3600 * 1000
const simulatedHours = 6 * 24

export function AirPage() {
  const air = useAir()
  if (air.data) return <AirDesk readings={air.data} />
  if (air.error) return <ErrorState error={air.error} onRetry={() => void air.refetch()} />
  return <LoadingState what="the air" />
}

function AirDesk({ readings }: { readonly readings: readonly AirReading[] }) {
  const now = useNow(60)
  const change = useAirChange()
  const reader = useMemo(() => airReader(instant(now)), [now])
  const here = airNow(readings, now, 'indoors')
  const outside = airNow(readings, now, 'outdoors')
  const simulated = readings.filter((reading) => reading.source === 'simulated').length

  const put = (taken: readonly AirReading[], said: string) =>
    change.mutate({
      kind: 'put',
      readings: taken,
      said,
      undo: () =>
        change.mutate({
          kind: 'put',
          readings: [],
          takenBack: takenBack(taken, readings),
          said: `${plural(taken.length, 'reading')} taken back.`,
        }),
    })
  const bring = (taken: readonly AirReading[]) => put(taken, `${plural(taken.length, 'reading')} of the air.`)
  const simulate = () => {
    // From the full hour on, so that running it again says the same of the same hours.
    const from = instant(Math.floor(now / hour) * hour)
    const day = Math.floor(now / (24 * hour))
    change.mutate({
      kind: 'put',
      readings: simulatedAir(from, simulatedHours, day).map((reading) => ({
        ...reading,
        source: 'simulated' as const,
      })),
      said: 'The simulated thermo-hygrometers are running.',
    })
  }

  return (
    <>
      <Headline
        sub={
          <>
            {here ? (
              <AirFigures air={here} />
            ) : (
              <p>Without a reading at the desk, waits are those of 20 °C and 50 %.</p>
            )}
            {outside ? <p>Outdoors, where cans are used: {airText(outside)}.</p> : null}
          </>
        }
        actions={
          <>
            <BringCsvButton
              label="Hourly CSV"
              title="Readings of the air from CSV"
              description="Time, temperature in °C and humidity in %, hourly or otherwise; a column “place” says indoors or outdoors."
              placeholder={'time,temperature,humidity,place\n2026-11-24 19:00,19.5,48,indoors'}
              reader={reader}
              what={['reading', 'readings']}
              onTake={bring}
            />
            {simulated > 0 ? (
              <Button
                onClick={() =>
                  change.mutate({ kind: 'remove-simulated', said: 'The simulated devices are off.' })
                }
              >
                Switch the simulated devices off
              </Button>
            ) : (
              <Button onClick={simulate}>Run the simulated thermo-hygrometers</Button>
            )}
          </>
        }
      >
        {headlineOf(here)}
      </Headline>
      <div className="grid items-start gap-5 lg:grid-cols-[minmax(0,1fr)_20rem]">
        <SprayDays readings={readings} now={now} />
        <div className="grid gap-5">
          <ReadingForm
            onSave={(reading) =>
              put(
                [{ ...reading, at: instant(now), source: 'typed' }],
                reading.place === 'indoors'
                  ? 'The waits follow this air.'
                  : 'Spray weather follows this air.',
              )
            }
          />
          <Latest readings={readings} now={now} />
        </div>
      </div>
    </>
  )
}

function headlineOf(here: Air | null): string {
  if (!here) return 'How is the air at the desk?'
  const factor = waitFactor(here, 'water')
  const what = airText(here)
  if (factor > 1.1) return `${what}: water-borne paint dries slowly, waits ${decimal(factor)} times as long`
  if (factor < 0.9) return `${what}: water-borne paint dries fast, waits ${decimal(factor)} of the usual`
  return `${what}: paint dries as usual`
}

function AirFigures({ air }: { readonly air: Air }) {
  return (
    <p>
      Dew point{' '}
      <Figure
        name="Dew point"
        explanation={
          <>
            <p>
              The temperature at which this air’s water begins to settle: Magnus formula with the coefficients
              of Alduchov and Eskridge (1996).
            </p>
            <p>Spray only on what is at least 3 °C warmer, as coatings work does (cf. ISO 8502-4).</p>
          </>
        }
      >
        {decimal(dewPoint(air))} °C
      </Figure>
      ; waits of water-borne paint{' '}
      <Figure
        name="Waits of water-borne paint"
        explanation={
          <>
            <p>
              They follow the drying power of the air: how much more water it could take, against that of 20
              °C and 50 %.
            </p>
            <p>From half to four times the usual; beyond that the paint itself decides.</p>
          </>
        }
      >
        × {decimal(waitFactor(air, 'water'))}
      </Figure>
      , of oil and spirit{' '}
      <Figure
        name="Waits of oil and spirit"
        explanation={<p>They follow the temperature: half as long for every 10 °C more (common practice).</p>}
      >
        × {decimal(waitFactor(air, 'spirit'))}
      </Figure>
      .
    </p>
  )
}

const airText = ({ celsius, humidity }: Air) => `${decimal(celsius)} °C and ${String(Math.round(humidity))} %`

const shownReadings = 8

function Latest({ readings, now }: { readonly readings: readonly AirReading[]; readonly now: number }) {
  const past = readings
    .filter((reading) => reading.at <= now)
    .slice(-shownReadings)
    .toReversed()
  if (past.length === 0) return null
  return (
    <section className="ticket p-4" aria-labelledby="latest-air">
      <h2 id="latest-air" className="text-lg">
        Latest readings
      </h2>
      <table className="figures mt-1 w-full text-sm">
        <thead className="sr-only">
          <tr>
            <th scope="col">When</th>
            <th scope="col">Temperature</th>
            <th scope="col">Humidity</th>
          </tr>
        </thead>
        <tbody>
          {past.map((reading) => (
            <tr key={`${String(reading.at)} ${reading.place}`} className="border-t border-paper-edge">
              <td className="py-1">
                {dayText(reading.at)} {clockText(reading.at)}
                <span className="block text-ink-soft">
                  {reading.place}, {reading.source}
                </span>
              </td>
              <td className="text-right whitespace-nowrap">{decimal(reading.celsius)} °C</td>
              <td className="text-right whitespace-nowrap">{Math.round(reading.humidity)} %</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  )
}

function decimal(value: number): string {
  return decimalText(Math.round(value * 10) / 10, 1).replace('-', '−')
}
