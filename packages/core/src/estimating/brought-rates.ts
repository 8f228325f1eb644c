import type { Size, Technique } from '../trade/index.ts'
import type { PaceObservation } from './rates.ts'

/** A pace as it was kept elsewhere: times the preset, and on how many laps it stands. */
interface Brought {
  readonly technique: Technique
  readonly size: Size
  readonly factor: number
  readonly laps: number
}

/** Brought rates as what laps would have shown: one sum of many for each technique and size. */
export function broughtObservations(rates: readonly Brought[]): readonly PaceObservation[] {
  return rates.map(({ technique, size, factor, laps }) => ({
    technique,
    size,
    cell: '',
    factor,
    models: 1,
    laps,
  }))
}
