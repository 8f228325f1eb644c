import { type Size, sizes, type Technique, techniques } from '../trade/index.ts'
import type { Instant } from '../units/index.ts'
import { paceOf, type PaceObservation, type PaceRange, type Rates } from './rates.ts'

/** An observation with its moment; what was brought from elsewhere has none. */
export interface DatedObservation extends PaceObservation {
  readonly at: Instant | null
}

/** A painter's rate with a technique on a size. */
export interface RateRow {
  readonly technique: Technique
  readonly size: Size
  /** Odd laps and shared spans count for a part. */
  readonly laps: number
  readonly pace: PaceRange
  /** What the laps alone say, without preset and neighbours: times the preset. */
  readonly measured: number
  /** Time of the later half of the laps over that of the earlier; null before six laps. */
  readonly trend: number | null
}

const fewestForTrend = 6

/** A row for every technique and size with a lap; `rates` are those learned from these observations. */
export function rateRows(observations: readonly DatedObservation[], rates: Rates): readonly RateRow[] {
  const groups = new Map<string, { log: number; laps: number; at: Instant | null }[]>()
  observations.forEach((each, index) => {
    const laps = each.laps * (rates.counted[index] ?? 0)
    if (laps === 0 || each.technique === null || each.told) return
    const key = `${each.technique}|${each.size}`
    const group = groups.get(key) ?? []
    groups.set(key, group)
    group.push({ log: Math.log(each.factor), laps, at: each.at })
  })
  return techniques.flatMap((technique) =>
    sizes.flatMap((size): RateRow[] => {
      const group = groups.get(`${technique}|${size}`)
      if (!group) return []
      return [
        {
          technique,
          size,
          laps: group.reduce((sum, each) => sum + each.laps, 0),
          pace: paceOf(rates, technique, size),
          measured: Math.exp(meanLog(group)),
          trend: trendOf(group),
        },
      ]
    }),
  )
}

function meanLog(group: readonly { readonly log: number; readonly laps: number }[]): number {
  const laps = group.reduce((sum, each) => sum + each.laps, 0)
  return group.reduce((sum, each) => sum + each.laps * each.log, 0) / laps
}

function trendOf(group: readonly { log: number; laps: number; at: Instant | null }[]): number | null {
  const dated = group.filter((each) => each.at !== null).sort((a, b) => (a.at ?? 0) - (b.at ?? 0))
  if (dated.length < fewestForTrend) return null
  const middle = Math.floor(dated.length / 2)
  return Math.exp(meanLog(dated.slice(middle)) - meanLog(dated.slice(0, middle)))
}
