import { instant, type Instant } from '@seriatim/core/units'

const key = 'seriatim.clock'
/** A difference that a request's own time may make is none. */
const noticeable = 2000

let ahead = readAhead()

/** This moment by the server's clock, as far as it is known: a device whose own clock is off records the right time. */
export function clockNow(): Instant {
  return instant(Date.now() + ahead)
}

/** Takes the server's word for what time it was when it answered a request sent and answered at these moments. */
export function heardServerTime(server: Instant, sentAt: number, answeredAt: number): void {
  const difference = server - Math.round((sentAt + answeredAt) / 2)
  const next = Math.abs(difference) > noticeable + (answeredAt - sentAt) ? difference : 0
  if (Math.abs(next - ahead) <= noticeable) return
  ahead = next
  try {
    localStorage.setItem(key, String(ahead))
  } catch {
    // Known until the page is closed, then.
  }
}

function readAhead(): number {
  const kept = Number(localStorage.getItem(key) ?? 0)
  return Number.isSafeInteger(kept) ? kept : 0
}
