import { sumOf, type BuilderState } from './builder-state.ts'
import type { PlanInstance } from './instance.ts'
import type { Place } from './place-finder.ts'

const can = 0
const airbrush = 1

/** Adds up what people dislike in an evening; called before the state takes up the stretch. */
export function botherCounter(
  { batches, prices }: PlanInstance,
  { session: sessionOf, lastStation, lastKind, potRun, sums }: BuilderState,
) {
  const kinds = Int32Array.from(batches, (batch) => batch.kind)
  const tooShort = (worked: number) =>
    prices && worked < prices.short ? prices.shortStretch * (1 - worked / prices.short) : 0
  return (
    batch: number,
    station: number,
    { painter, session, opensPot, count, start, setUp, end }: Place,
  ) => {
    if (!prices) return
    const goesOn = sessionOf[painter] === session
    const kind = kinds[batch] ?? 0
    const worked = end - start - setUp
    let sum = 0
    if (opensPot) sum += prices.paintChange + (count === 1 ? prices.potForOne : 0)
    if (!goesOn || lastStation[painter] !== station) {
      if (station === can) sum += prices.sprayTrip
      if (station === airbrush) sum += prices.airbrush
    }
    if (goesOn && lastKind[painter] !== -1 && lastKind[painter] !== kind) sum += prices.unitChange
    // The same pot over another batch is the same stretch to the hands.
    const before = goesOn && !opensPot && setUp === 0 ? (potRun[painter] ?? 0) : 0
    sum += tooShort(before + worked) - (before > 0 ? tooShort(before) : 0)
    potRun[painter] = before + worked
    sums[sumOf.bother] = (sums[sumOf.bother] ?? 0) + sum
    lastStation[painter] = station
    lastKind[painter] = kind
  }
}
