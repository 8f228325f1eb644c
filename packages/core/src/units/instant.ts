declare const unit: unique symbol

/** A moment: epoch milliseconds. Zone and "now" are always arguments. */
export type Instant = number & { readonly [unit]: 'ms' }

/** @throws RangeError anything that is not a whole, finite number of milliseconds. */
export function instant(epochMilliseconds: number): Instant {
  if (!Number.isSafeInteger(epochMilliseconds)) {
    throw new RangeError(`not an instant: ${String(epochMilliseconds)}`)
  }
  return epochMilliseconds as Instant
}

/** The moment `later` seconds after `from`; negative seconds go back. */
export function addSeconds(from: Instant, later: number): Instant {
  return instant(from + Math.round(later) * 1000)
}
