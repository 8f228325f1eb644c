import type { AirReading, AirTakenBack } from '@seriatim/contract'

const keyOf = ({ at, place }: AirReading) => `${String(at)} ${place}`

/** What takes readings back again: each with the one that stood at its moment and place before. */
export function takenBack(
  taken: readonly AirReading[],
  before: readonly AirReading[],
): readonly AirTakenBack[] {
  const known = new Map(before.map((reading) => [keyOf(reading), reading]))
  // Of two for one moment the later word stands.
  const last = new Map(taken.map((reading) => [keyOf(reading), reading]))
  return [...last].map(([key, reading]) => {
    const old = known.get(key)
    return {
      reading,
      before: old ? { celsius: old.celsius, humidity: old.humidity, source: old.source } : null,
    }
  })
}
