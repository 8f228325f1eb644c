import type { Minor } from '@seriatim/core/money'
import { parseMoney } from '../../shared/format/index.ts'

/** An amount that may be left out: `null` for nothing written, `undefined` for what is none. */
export function moneyMinorOrNone(text: string, currency: string): Minor | null | undefined {
  if (text.trim() === '') return null
  const amount = parseMoney(text, currency)
  return amount === null || amount < 0 ? undefined : amount
}
