/** Air as a thermo-hygrometer shows it. */
export interface Air {
  readonly celsius: number
  /** Relative humidity, 0 to 100. */
  readonly humidity: number
}

/** Coefficients of the Magnus formula over water by Alduchov & Eskridge (1996): hPa, 1, °C. */
const magnus = { hectopascal: 6.1094, slope: 17.625, celsius: 243.04 }

/** What the presets of waits were taken at. */
const usualAir: Air = { celsius: 20, humidity: 50 }

/** Saturation vapour pressure over water in hPa; good to about 0.4 % from −40 to 50 °C. */
export function saturationPressure(celsius: number): number {
  return magnus.hectopascal * Math.exp((magnus.slope * celsius) / (magnus.celsius + celsius))
}

/** The temperature in °C at which the air's water begins to settle. @throws RangeError humidity not over 0 and up to 100. */
export function dewPoint({ celsius, humidity }: Air): number {
  if (!(humidity > 0 && humidity <= 100)) throw new RangeError(`not a relative humidity: ${String(humidity)}`)
  const gamma = Math.log(humidity / 100) + (magnus.slope * celsius) / (magnus.celsius + celsius)
  return (magnus.celsius * gamma) / (magnus.slope - gamma)
}

/** How much more water the air could take, in hPa: what dries. */
export function vapourDeficit({ celsius, humidity }: Air): number {
  return saturationPressure(celsius) * (1 - humidity / 100)
}

/** A wait is never stretched or cut beyond these: what the paint itself needs does not follow the air. */
const [shortest, longest] = [0.5, 4]

/**
 * What a wait of the presets becomes in this air, as a factor: water-borne paint by the drying power of the air
 * against 20 °C and 50 %, spirit and oil by temperature (half as long for every 10 °C more; common practice),
 * clamped to 0.5 to 4.
 */
export function waitFactor(air: Air, carrier: 'water' | 'spirit' | 'dry'): number {
  if (carrier === 'dry') return 1
  const factor =
    carrier === 'water'
      ? vapourDeficit(usualAir) / vapourDeficit(air)
      : 2 ** ((usualAir.celsius - air.celsius) / 10)
  return Math.min(longest, Math.max(shortest, factor))
}

/** Why it is no weather for a spray can. */
export type NoSpray = 'too cold' | 'too hot' | 'too damp' | 'too near the dew point'

/** Limits of spray weather: common practice; the margin to the dew point as in coatings work (ISO 8502-4). */
const sprayLimits = { coldest: 10, hottest: 30, dampest: 70, dewMargin: 3 }

/** What speaks against spraying in this air on a surface of the air's own temperature unless it is given. */
export function againstSpraying(air: Air, surfaceCelsius = air.celsius): readonly NoSpray[] {
  return [
    ...(air.celsius < sprayLimits.coldest ? (['too cold'] as const) : []),
    ...(air.celsius > sprayLimits.hottest ? (['too hot'] as const) : []),
    ...(air.humidity > sprayLimits.dampest ? (['too damp'] as const) : []),
    ...(surfaceCelsius < dewPoint(air) + sprayLimits.dewMargin ? (['too near the dew point'] as const) : []),
  ]
}
