/** `2 h 05`, `45 min`, `3½ min`, `20 s`: short enough for a glance at the desk. */
export function durationText(wholeSeconds: number): string {
  const total = Math.max(0, Math.round(wholeSeconds))
  if (total < 60) return `${String(total)} s`
  if (total < 600 && total % 60 === 30) return `${String(Math.floor(total / 60))}½ min`
  const roundedMinutes = Math.round(total / 60)
  if (roundedMinutes < 60) return `${String(roundedMinutes)} min`
  const hours = Math.floor(roundedMinutes / 60)
  const rest = roundedMinutes % 60
  if (hours >= 48 && rest === 0 && hours % 24 === 0) return `${String(hours / 24)} days`
  return rest === 0 ? `${String(hours)} h` : `${String(hours)} h ${String(rest).padStart(2, '0')}`
}

/** A range that holds in four cases of five: `1:24–4:36`, `18–26 min`, `45 min – 1 h 20`. */
export function rangeText({ low, high }: { readonly low: number; readonly high: number }): string {
  if (high < 600) return `${stopwatchText(Math.round(low))}–${stopwatchText(Math.round(high))}`
  const [from, to] = [durationText(low), durationText(high)]
  if (from === to) return from
  const unit = / (s|min)$/.exec(from)?.[0]
  return unit !== undefined && to.endsWith(unit) ? `${from.slice(0, -unit.length)}–${to}` : `${from} – ${to}`
}

/** A countdown or a stopwatch: `4:09`, `1:02:30`. */
export function stopwatchText(wholeSeconds: number): string {
  const total = Math.max(0, Math.floor(wholeSeconds))
  const hours = Math.floor(total / 3600)
  const mins = Math.floor((total % 3600) / 60)
  const rest = String(total % 60).padStart(2, '0')
  return hours > 0 ? `${String(hours)}:${String(mins).padStart(2, '0')}:${rest}` : `${String(mins)}:${rest}`
}

/** Both ends of a drying range: `15–30 min`, `none`. */
export function waitRangeText(min: number, max: number): string {
  if (max === 0) return 'none'
  if (min === max) return durationText(min)
  const [low, high] = [durationText(min), durationText(max)]
  return low.endsWith(' min') && high.endsWith(' min') ? `${low.slice(0, -4)}–${high}` : `${low} – ${high}`
}

const fractions: Readonly<Record<string, string>> = { '½': '.5', '¼': '.25', '¾': '.75' }

/**
 * Minutes as people type them: `4.5`, `4,5`, `4½`, `1:30` (minutes and seconds), `2 h`, `1 h 30`, `5 days`, `40 s`.
 * Gives whole seconds, or null when it is none of these.
 */
export function parseMinutesText(text: string): number | null {
  const plain = text
    .trim()
    .toLowerCase()
    .replace(/[½¼¾]/g, (sign) => fractions[sign] ?? '')
    .replace(',', '.')
  const number = String.raw`(\d+(?:\.\d+)?|\.\d+)`
  const match = (pattern: string) => new RegExp(`^${pattern}$`).exec(plain)
  const onlyMinutes = match(String.raw`${number}\s*(?:m|min)?`)
  if (onlyMinutes) return Math.round(Number(onlyMinutes[1]) * 60)
  const clock = match(String.raw`(\d+):([0-5]\d)`)
  if (clock) return Number(clock[1]) * 60 + Number(clock[2])
  const hours = match(String.raw`${number}\s*h(?:\s*(\d{1,2})\s*(?:m|min)?)?`)
  if (hours) return Math.round(Number(hours[1]) * 3600) + Number(hours[2] ?? 0) * 60
  const days = match(String.raw`${number}\s*(?:d|days?)(?:\s*(\d{1,2})\s*h)?`)
  if (days) return Math.round(Number(days[1]) * 86_400) + Number(days[2] ?? 0) * 3600
  const wholeSeconds = match(String.raw`${number}\s*s`)
  if (wholeSeconds) return Math.round(Number(wholeSeconds[1]))
  return null
}

/** What `parseMinutesText` reads back to the same seconds. */
export function minutesInputText(wholeSeconds: number): string {
  if (wholeSeconds % 60 === 0) return String(wholeSeconds / 60)
  const exact = Math.round((wholeSeconds / 60) * 100) / 100
  return Math.round(exact * 60) === wholeSeconds ? String(exact) : `${String(wholeSeconds)} s`
}
