/** An amount in the smallest unit of its currency (cents, pence, yen): a whole number. */
export type Minor = number & { readonly __unit: 'minor' }

/** Whole minor units, half up and down away from nothing. @throws RangeError not a finite number. */
export function minor(amount: number): Minor {
  if (!Number.isFinite(amount)) throw new RangeError(`no amount of money: ${String(amount)}`)
  const whole = Math.sign(amount) * Math.round(Math.abs(amount))
  return (whole === 0 ? 0 : whole) as Minor
}

export function sumOf(amounts: readonly Minor[]): Minor {
  return amounts.reduce((sum, each) => sum + each, 0) as Minor
}

/** How many digits of a currency stand behind the point: 2 for most, 0 for some. @param currency ISO 4217. */
export function minorDigits(currency: string): number {
  return (
    new Intl.NumberFormat('en', { style: 'currency', currency }).resolvedOptions().maximumFractionDigits ?? 2
  )
}

/** Whether it is the code of a currency, as ISO 4217 has them. */
export function isCurrency(code: string): boolean {
  return Intl.supportedValuesOf('currency').includes(code)
}
