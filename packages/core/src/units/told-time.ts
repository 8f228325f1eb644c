import { numberWords } from './number-words.ts'
import { seconds, type Seconds } from './seconds.ts'

/** A time as somebody tells it from memory: its middle, and how far it may lie off (deviation of its logarithm). */
export interface ToldTime {
  readonly seconds: Seconds
  readonly deviation: number
}

const words: Readonly<Record<string, number>> = { ...numberWords, a: 1, an: 1, couple: 2, few: 3 }

/** Hours in each, and how surely; an evening, a day and a weekend at the desk are from memory. */
const spans: readonly (readonly [name: RegExp, hours: number, deviation: number])[] = [
  [/^(?:minutes?|mins?|m)$/, 1 / 60, 0.15],
  [/^(?:hours?|hrs?|h)$/, 1, 0.15],
  [/^(?:evenings?|nights?|sessions?|sittings?)$/, 2.5, 0.3],
  [/^(?:mornings?|afternoons?)$/, 3, 0.3],
  [/^days?$/, 6, 0.35],
  [/^weekends?$/, 10, 0.4],
]

const number = String.raw`(?:\d+(?:[.,]\d+)?\s*½?|½|(?:a couple of|a few|a half|half an?|${Object.keys(words).join('|')})\b)`
const amount = new RegExp(
  String.raw`(${number})(?:\s*(?:-|–|to|or)\s*(${number}))?\s*(and a half\s+)?([a-z]+)(\s+and a half)?`,
  'g',
)

function numberOf(text: string): number {
  const plain = text.trim().replace(',', '.')
  if (/½$/.test(plain)) return (Number.parseFloat(plain) || 0) + 0.5
  if (/^\d/.test(plain)) return Number.parseFloat(plain)
  if (/^(?:half|a half)/.test(plain)) return 0.5
  return words[/couple|few/.exec(plain)?.[0] ?? plain] ?? Number.NaN
}

interface Amount {
  readonly low: number
  readonly high: number
  readonly hours: number
  readonly deviation: number
}

function amountsIn(text: string): readonly Amount[] {
  return [...text.matchAll(amount)].flatMap(
    ([, first = '', second, half, unit = '', halfAfter]): Amount[] => {
      const span = spans.find(([name]) => name.test(unit))
      if (!span) return []
      const more = half !== undefined || halfAfter !== undefined ? 0.5 : 0
      const low = numberOf(first) + more
      const high = second === undefined ? low : numberOf(second) + more
      return Number.isFinite(low) && Number.isFinite(high)
        ? [{ low, high, hours: span[1], deviation: span[2] }]
        : []
    },
  )
}

const vaguely = /\b(?:about|around|roughly|maybe|perhaps|some|or so|ish|couple|few|guess)\b|~/
const eachOne = /\b(?:each|apiece|a model|per model|a figure|one by one)\b/

/**
 * Reads a time as people tell it: `3 h`, `90 min`, `1:30`, `about three evenings of two hours`, `20 minutes each`,
 * `6-7 hours`, `a weekend`. @param models as many as it was told of, for what is told of each. @returns `null` for no time.
 */
export function readToldTime(told: string, models: number): ToldTime | null {
  const text = told
    .toLowerCase()
    .replaceAll(
      /(\d+):([0-5]\d)/g,
      (_, hours: string, minutes: string) => `${String(Number(hours) * 60 + Number(minutes))} min`,
    )
  const [first, ...others] = amountsIn(text)
  if (!first) return null
  // "Three evenings of two hours": the length of each is told.
  const inner = / of |\bà\b| at | x |×/.test(text) ? others[0] : undefined
  const added = inner ? [] : others.filter((each) => each.hours < first.hours)
  const length = inner ? (inner.hours * (inner.low + inner.high)) / 2 : first.hours
  const more = added.reduce((sum, each) => sum + (each.hours * (each.low + each.high)) / 2, 0)
  const hours = ((first.low + first.high) / 2) * length + more
  const all = hours * 3600 * (eachOne.test(text) ? models : 1)
  if (!(all >= 60 && all <= mostSeconds)) return null
  const spread = first.high > first.low ? Math.log(first.high / Math.max(first.low, 0.01)) / 2 : 0
  const sure = inner ? inner.deviation : first.deviation
  return {
    seconds: seconds(Math.round(all)),
    deviation: Math.hypot(sure, spread, vaguely.test(text) ? 0.12 : 0),
  }
}

/** Nobody remembers more than some years of evenings. */
const mostSeconds = 5000 * 3600
