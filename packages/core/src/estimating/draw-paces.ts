import { spreadPresets } from '../presets/index.ts'
import type { PacePlace, Rates } from './rates.ts'

/** A standard normal number. */
export type RandomNormal = () => number

/** One painter as the rates allow: how far each place lies from its mean, as a logarithm. */
export interface DrawnPaces {
  /** Of a place; a stage not timed yet draws its own, the same whenever it is asked under the same name. */
  readonly at: (place: PacePlace, name: string) => number
  /** Standard deviation of the logarithm of a lap of one model. */
  readonly lap: number
}

/** @param freedom a draw of χ² with `2 · rates.shape` degrees of freedom. */
export function drawPaces(rates: Rates, normal: RandomNormal, freedom: number): DrawnPaces {
  const variance = (2 * rates.scale) / Math.max(1e-9, freedom)
  const lap = Math.sqrt(variance)
  const reach = lap * spreadPresets.unmodelled
  const deviations = new Float64Array(rates.nodes.length)
  rates.nodes.forEach((node, at) => {
    const above = node.up >= 0 ? (deviations[node.up] ?? 0) : 0
    deviations[at] = node.gain * above + Math.sqrt(node.own) * reach * normal()
  })
  const own = new Map<string, number>()
  return {
    lap,
    at: (place, name) => {
      const above = place.node === null ? 0 : (deviations[place.node] ?? 0)
      if (place.own === 0) return above
      let drawn = own.get(name)
      if (drawn === undefined) {
        drawn = Math.sqrt(place.own) * reach * normal()
        own.set(name, drawn)
      }
      return above + drawn
    },
  }
}
