import type { AirReading } from '@seriatim/contract'
import { airOfCans, sprayWindows, type SprayWindow } from '@seriatim/core/air'
import { localDateAt, wallClock } from '@seriatim/core/calendar'
import { addDays, type Instant, type LocalDate } from '@seriatim/core/units'
import { clockText, dateText, durationText } from '../../shared/format/index.ts'
import { ScrollRegion } from '../../shared/ui/index.ts'

interface SprayDaysProps {
  readonly readings: readonly AirReading[]
  readonly now: Instant
}

const zone = Intl.DateTimeFormat().resolvedOptions().timeZone
const shownDays = 6
/** The hours in which somebody is up to spray: from memory. The night is nobody's spray weather, however dry it is. */
const [opens, closes] = [7, 22]
const clock = (hours: number) => `${String(hours).padStart(2, '0')}:00`

interface Day {
  readonly date: LocalDate
  readonly from: Instant
  readonly until: Instant
  readonly windows: readonly SprayWindow[]
}

/** When there is spray weather in the coming days, and what speaks against it when there is none. */
export function SprayDays({ readings, now }: SprayDaysProps) {
  const today = localDateAt(now, zone)
  const used = airOfCans(readings)
  const days = Array.from({ length: shownDays }, (_, index): Day => {
    const date = addDays(today, index)
    const from = wallClock(date, opens * 3600, zone)
    const until = wallClock(date, closes * 3600, zone)
    return { date, from, until, windows: sprayWindows(used, from, until) }
  }).filter((day) => day.windows.length > 0)
  const good = days.flatMap((day) => day.windows).filter((each) => isGood(each) && each.until > now)
  const total = good.reduce((sum, each) => sum + (each.until - Math.max(each.from, now)) / 1000, 0)
  const [next] = good

  return (
    <section className="ticket p-4" aria-labelledby="spray-weather">
      <h2 id="spray-weather" className="text-xl">
        {days.length === 0
          ? 'No reading of the days to come'
          : next
            ? `Spray weather: ${durationText(total)}, ${next.from <= now ? 'go now' : `next ${dayAndClock(next.from, today)}`}`
            : 'No spray weather in sight'}
      </h2>
      <p className="mt-1 text-sm text-ink-soft">
        10–30 °C, at most 70 % humidity, and 3 °C above the dew point; little wind is for you to see. Outdoors
        or in an extracting booth, with a fitting respirator, away from flames; the can’s own sheet goes
        first.
      </p>
      {days.length === 0 ? (
        <p className="mt-3">
          Bring an hourly forecast for outside, or run the simulated devices: they show how this will look.
        </p>
      ) : (
        <>
          <DayStrips days={days} now={now} />
          <details className="mt-3">
            <summary className="min-h-8 font-bold">In words</summary>
            <ul className="grid gap-2 text-sm">
              {days.map((day) => (
                <li key={day.date}>
                  <b>{dateText(day.date, today)}</b>: {day.windows.map(windowText).join('; ')}.
                </li>
              ))}
            </ul>
          </details>
        </>
      )}
    </section>
  )
}

const isGood = (window: SprayWindow) => window.against.length === 0

function dayAndClock(moment: Instant, today: LocalDate): string {
  const date = localDateAt(moment, zone)
  const time = clockText(moment, zone)
  return date === today ? `today ${time}` : `${dateText(date, today)} ${time}`
}

function sprayText(window: SprayWindow, day: Day): string {
  if (window.from === day.from && window.until === day.until)
    return `spray from ${clock(opens)} to ${clock(closes)}`
  return `spray ${clockText(window.from, zone)}–${clockText(window.until, zone)}`
}

function windowText(window: SprayWindow): string {
  const what = isGood(window) ? 'spray' : window.against.join(', ')
  return `${clockText(window.from, zone)}–${clockText(window.until, zone)} ${what}`
}

const left = 92
const width = 760
const rowHeight = 46

/** A strip a day, of the hours in which somebody is up: open where one may spray, hatched with the reason where not. */
function DayStrips({ days, now }: { readonly days: readonly Day[]; readonly now: Instant }) {
  const height = days.length * rowHeight + 24
  const today = days[0]?.date ?? localDateAt(now, zone)
  return (
    <ScrollRegion label="Spray weather by day" className="mt-3">
      <svg
        viewBox={`0 0 ${String(width)} ${String(height)}`}
        className="figures w-full min-w-[40rem] text-[12px]"
        role="img"
        aria-label="Hours of spray weather; the same in words below"
      >
        <defs>
          <pattern
            id="no-spray"
            width="7"
            height="7"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <line x1="0" x2="0" y1="0" y2="7" className="stroke-rule" strokeWidth="2" />
          </pattern>
        </defs>
        {days.map((day, index) => {
          const y = index * rowHeight
          const at = (moment: number) =>
            left + ((width - left - 8) * (moment - day.from)) / (day.until - day.from)
          return (
            <g key={day.date}>
              <text x="0" y={y + 26} className="fill-ink font-bold">
                {dateText(day.date, today)}
              </text>
              {day.windows.map((each) => {
                const x = at(each.from)
                const wide = at(each.until) - x
                const good = isGood(each)
                const words = good ? sprayText(each, day) : each.against[0]
                return (
                  <g key={each.from}>
                    <title>{windowText(each)}</title>
                    <rect
                      x={x}
                      y={y + 6}
                      width={Math.max(1, wide)}
                      height={rowHeight - 14}
                      className={good ? 'fill-paper stroke-done' : 'stroke-rule'}
                      strokeWidth={good ? 3 : 1}
                      {...(good ? {} : { fill: 'url(#no-spray)' })}
                    />
                    {wide > (words ?? '').length * 7.4 ? (
                      <g>
                        {good ? null : (
                          <rect
                            x={x + wide / 2 - (words ?? '').length * 3.8}
                            y={y + 14}
                            width={(words ?? '').length * 7.6}
                            height={16}
                            className="fill-paper"
                          />
                        )}
                        <text
                          x={x + wide / 2}
                          y={y + 26}
                          textAnchor="middle"
                          className={good ? 'fill-done font-bold' : 'fill-ink-soft'}
                        >
                          {words}
                        </text>
                      </g>
                    ) : null}
                  </g>
                )
              })}
              {now >= day.from && now < day.until ? (
                <line
                  x1={at(now)}
                  x2={at(now)}
                  y1={y + 2}
                  y2={y + rowHeight - 4}
                  className="stroke-hands"
                  strokeWidth="2.5"
                />
              ) : null}
            </g>
          )
        })}
        {[7, 10, 13, 16, 19, 22].map((oclock) => (
          <text
            key={oclock}
            x={left + ((width - left - 8) * (oclock - opens)) / (closes - opens)}
            y={height - 6}
            textAnchor={oclock === closes ? 'end' : 'middle'}
            className="fill-ink-soft"
          >
            {clock(oclock)}
          </text>
        ))}
      </svg>
    </ScrollRegion>
  )
}
