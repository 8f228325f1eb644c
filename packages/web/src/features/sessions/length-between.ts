/** Seconds from one wall-clock time to the next of the other; `null` when that is no session. */
export function lengthBetween(from: string, to: string): number | null {
  const clock = /^([01]\d|2[0-3]):([0-5]\d)$/
  const [a, b] = [clock.exec(from), clock.exec(to)]
  if (!a || !b) return null
  const minutes = (match: RegExpExecArray) => Number(match[1]) * 60 + Number(match[2])
  const length = ((minutes(b) - minutes(a) + 24 * 60) % (24 * 60)) * 60
  return length >= 300 && length <= 16 * 3600 ? length : null
}
