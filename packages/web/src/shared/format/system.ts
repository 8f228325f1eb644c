/** How this reader's system writes numbers, times and weeks. The words are English whatever its language. */
const language = typeof navigator === 'undefined' ? 'en-GB' : navigator.language

/** An English that puts a date together as the reader's does. */
export const english = /^en\b/i.test(language) ? language : 'en-GB'

/** Whether its clock counts to twelve twice. */
export const isTwelveHours =
  new Intl.DateTimeFormat(language, { hour: 'numeric' }).resolvedOptions().hour12 === true

/** ISO weekday that its weeks begin with: Monday 1 … Sunday 7. */
export const firstWeekday = weekOf(language)

const whole = new Intl.NumberFormat(language)

/** `1,200` */
export function numberText(count: number): string {
  return whole.format(count)
}

const byDigits = new Map<number, Intl.NumberFormat>()

/** `2.5`, always with so many digits. */
export function decimalText(value: number, digits: number): string {
  let format = byDigits.get(digits)
  if (!format) {
    format = new Intl.NumberFormat(language, { minimumFractionDigits: digits, maximumFractionDigits: digits })
    byDigits.set(digits, format)
  }
  return format.format(value)
}

interface WeekInfo {
  readonly firstDay: number
}

/** Not every browser knows of weeks; a week then begins with Monday. */
function weekOf(tag: string): number {
  const locale: Intl.Locale & { readonly weekInfo?: WeekInfo; getWeekInfo?: () => WeekInfo } =
    new Intl.Locale(tag)
  return (locale.getWeekInfo?.() ?? locale.weekInfo)?.firstDay ?? 1
}
