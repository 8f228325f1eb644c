import { english } from './system.ts'
import { minor, minorDigits, type Minor } from '@seriatim/core/money'

/** `€ 1,280.00`: minor units as people write them. */
export function moneyText(amount: Minor, currency: string): string {
  const digits = minorDigits(currency)
  return new Intl.NumberFormat(english, { style: 'currency', currency }).format(amount / 10 ** digits)
}

/** What `parseMoney` reads back to the same amount. */
export function moneyInputText(amount: Minor, currency: string): string {
  return moneyText(amount, currency).replace(/[^\d.,-]/g, '')
}

const grouped = (sign: string) => new RegExp(`^(\\d{1,3}(?:\\${sign}\\d{3})+|\\d+)$`)

/**
 * Money as people type it: `12`, `12.50`, `12,5`, `1,280.00`, `1.280,00`; `null` when it is none, or finer than the
 * currency goes. A comma before three digits parts thousands; a point never does, but where a comma follows.
 */
export function parseMoney(text: string, currency: string): Minor | null {
  const digits = minorDigits(currency)
  const plain = text.trim().replace(/[\s\u00A0]/g, '')
  const [comma, point] = [plain.lastIndexOf(','), plain.lastIndexOf('.')]
  const isCommaPoint = comma > point && (point >= 0 || !/^-?\d{1,3}(,\d{3})+$/.test(plain))
  const at = isCommaPoint ? comma : point
  const sign = plain.startsWith('-') ? -1 : 1
  const whole = plain.slice(sign < 0 ? 1 : 0, at < 0 ? undefined : at)
  const rest = at < 0 ? '' : plain.slice(at + 1)
  if (!grouped(isCommaPoint ? '.' : ',').test(whole)) return null
  if (rest.length > digits || (at >= 0 && !/^\d+$/.test(rest))) return null
  const amount = Number(whole.replace(/[.,]/g, '')) * 10 ** digits + Number(rest.padEnd(digits, '0'))
  return Number.isSafeInteger(amount) ? minor(sign * amount) : null
}
