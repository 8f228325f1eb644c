import type { SessionRule } from '../trade/index.ts'
import { seconds } from '../units/index.ts'

export type ReadHours =
  | { readonly ok: true; readonly rules: readonly SessionRule[] }
  | { readonly ok: false; readonly error: string }

const dayNames = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun']
const shortest = 300
const longest = 16 * 3600
const mostWeeks = 8

const days = String.raw`(?:mon|tues?|wed(?:nes)?|thu(?:rs?)?|fri|sat(?:ur)?|sun)(?:days?)?|weekdays?|weekends?|every day|daily`
const clock = String.raw`\d{1,2}(?:[:.h]\d{2})?\s*(?:am|pm)?`
const dayRun = new RegExp(
  String.raw`\s*(?:(every other|every (\d) weeks|every)\s+)?(?:(?:and|on|also)\s+)?(${days})\b(?:\s*(?:-|–|to)\s*(${days})\b)?`,
  'y',
)
const hourRun = new RegExp(
  String.raw`\s*(?:,|:)?\s*(?:from\s+|at\s+)?(${clock})\s*(?:(?:-|–|to|until|till)\s*(${clock})|(?:,|for)?\s*(\d+(?:[.,]\d+)?)\s*h(?:ours?|rs?)?\b)`,
  'y',
)
const between = /[\s,;.&+]*(?:and\b)?\s*/y

/**
 * Reads hours as people write them: `Tue, Thu 19:30–22:00, Sat 14:00–18:00`, `weekdays 7pm-9:30pm`, `Mon–Wed 20:00 for 2 h`,
 * `every other Sun 10–13`. Hours stand for the days before them. @param countedFrom a day in one of the weeks that count
 * where it is every other week. Fails with a sentence that names the place.
 */
export function readHours(text: string, countedFrom: SessionRule['countedFrom'] = null): ReadHours {
  const said = text.toLowerCase().trim()
  const wrong = (error: string): ReadHours => ({ ok: false, error })
  if (said === '') return wrong('Say when you paint, such as Tue, Thu 19:30–22:00.')
  const rules: SessionRule[] = []
  let at = 0
  const take = (pattern: RegExp) => {
    pattern.lastIndex = at
    const match = pattern.exec(said)
    if (match) at = pattern.lastIndex
    return match
  }
  while (at < said.length) {
    const weekdays = new Set<number>()
    let everyWeeks = 1
    for (let day = take(dayRun); day; day = take(dayRun)) {
      if (day[1] === 'every other') everyWeeks = 2
      if (day[2] !== undefined) everyWeeks = Math.min(Math.max(Number(day[2]), 1), mostWeeks)
      for (const each of daysMeant(day[3] ?? '', day[4])) weekdays.add(each)
      take(between)
    }
    const rest = text.trim().slice(at, at + 20)
    if (weekdays.size === 0) return wrong(`“${rest}” is no day: write Mon, Tue, weekdays or Sat–Sun.`)
    const hours = take(hourRun)
    if (!hours)
      return wrong(
        `Say from when to when ${rest === '' ? 'at the end' : `before “${rest}”`}, such as 19:30–22:00.`,
      )
    const span = spanOf(hours[1] ?? '', hours[2], hours[3])
    if (span === null)
      return wrong(
        `“${hours[0].replace(/^[\s,:]+/, '')}”: give times such as 19:30–22:00, from 5 minutes to 16 hours apart.`,
      )
    rules.push({
      weekdays: [...weekdays].sort((a, b) => a - b),
      ...span,
      everyWeeks,
      countedFrom: everyWeeks === 1 ? null : countedFrom,
    })
    take(between)
  }
  return { ok: true, rules }
}

/** What `readHours` reads back; the week that every other one is counted from is not in it. */
export function hoursText(rules: readonly SessionRule[]): string {
  return rules
    .map(({ weekdays, startsAt, lengthSeconds, everyWeeks }) => {
      const names = weekdays.map((day) =>
        (dayNames[day - 1] ?? '').replace(/^./, (letter) => letter.toUpperCase()),
      )
      const often =
        everyWeeks === 1 ? '' : everyWeeks === 2 ? 'every other ' : `every ${String(everyWeeks)} weeks `
      return `${often}${names.join(', ')} ${startsAt}–${clockOf(minutesOf(startsAt) + lengthSeconds / 60)}`
    })
    .join(', ')
}

function daysMeant(first: string, last: string | undefined): readonly number[] {
  if (/^(?:every day|daily)/.test(first)) return [1, 2, 3, 4, 5, 6, 7]
  if (first.startsWith('weekday')) return [1, 2, 3, 4, 5]
  if (first.startsWith('weekend')) return [6, 7]
  const [from, until] = [first, last ?? first].map((name) => dayNames.indexOf(name.slice(0, 3)) + 1)
  if (!from || !until) return []
  const length = ((until - from + 7) % 7) + 1
  return Array.from({ length }, (_, index) => ((from - 1 + index) % 7) + 1)
}

function spanOf(
  from: string,
  to: string | undefined,
  length: string | undefined,
): Pick<SessionRule, 'startsAt' | 'lengthSeconds'> | null {
  // `7–10 pm` says it of both.
  const half = /[ap]m/.exec(to ?? '')?.[0]
  const starts = minutesOf(/[ap]m/.test(from) || half === undefined ? from : `${from}${half}`)
  const ends = to === undefined ? starts + Number((length ?? '').replace(',', '.')) * 60 : minutesOf(to)
  const lasts = to === undefined ? ends - starts : (ends - starts + 24 * 60) % (24 * 60)
  const lengthSeconds = Math.round(lasts * 60)
  if (!(starts < 24 * 60) || !(lengthSeconds >= shortest && lengthSeconds <= longest)) return null
  return { startsAt: clockOf(starts), lengthSeconds: seconds(lengthSeconds) }
}

/** Of the day; not a number for no time of day. */
function minutesOf(text: string): number {
  const match = /^(\d{1,2})(?:[:.h](\d{2}))?\s*(am|pm)?$/.exec(text.trim())
  const [hours, minutes] = [Number(match?.[1]), Number(match?.[2] ?? 0)]
  if (!match || minutes > 59 || hours > 24 || (match[3] && (hours < 1 || hours > 12))) return Number.NaN
  return ((match[3] ? (hours % 12) + (match[3] === 'pm' ? 12 : 0) : hours) % 24) * 60 + minutes
}

function clockOf(minutes: number): string {
  const two = (value: number) => String(value).padStart(2, '0')
  const day = Math.round(minutes) % (24 * 60)
  return `${two(Math.floor(day / 60))}:${two(day % 60)}`
}
