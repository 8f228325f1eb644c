declare const unit: unique symbol

/** Whole seconds, zero or more: the core's only duration. */
export type Seconds = number & { readonly [unit]: 's' }

/** @throws RangeError a fraction or a negative number here is a caller's bug. */
export function seconds(value: number): Seconds {
  if (!Number.isSafeInteger(value) || value < 0) {
    throw new RangeError(`not a whole number of seconds: ${String(value)}`)
  }
  return value as Seconds
}

/** Minutes as people type them, to the nearest whole second. @throws RangeError as `seconds`. */
export function minutes(value: number): Seconds {
  return seconds(Math.round(value * 60))
}
