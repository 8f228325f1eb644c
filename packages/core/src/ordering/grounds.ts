import { extentPresets } from '../presets/index.ts'
import type { StepFacts } from '../recipe/index.ts'
import type { Technique } from '../trade/index.ts'

/** How light a region is where light falls and in its recesses: CIE L*. */
export interface Ground {
  readonly lit: number
  readonly deep: number
}

/** Below this CIE L* a ground is dark enough for metal: what is missed does not show. */
export const darkBelow = 50

interface Reach {
  /** Shares of what is raised and of what lies deep that get the colour. */
  readonly lit: number
  readonly deep: number
}

const everywhere: Reach = { lit: 1, deep: 1 }

/** From memory; what is not named here gets everywhere. */
const reaches: Partial<Record<Technique, Reach>> = {
  layer: { lit: 1, deep: 0.1 },
  edge: { lit: 0.15, deep: 0 },
  detail: { lit: 0.3, deep: 0.1 },
  chip: { lit: 0.1, deep: 0 },
  'dry brush': { lit: 0.75, deep: 0 },
  wash: { lit: 0.25, deep: 0.9 },
  'pin wash': { lit: 0, deep: 0.7 },
  dip: { lit: 0.5, deep: 1 },
  stipple: { lit: 0.6, deep: 0.5 },
}

const fromAbove: Reach = { lit: 1, deep: 0.15 }
const fromBelow: Reach = { lit: 0.1, deep: 0.7 }

function reachOf({ step, fromAbove: isAbove }: StepFacts): Reach {
  if (isAbove) return step.spray?.from === 'below' ? fromBelow : fromAbove
  const { lit, deep } = reaches[step.technique] ?? everywhere
  const share = extentPresets[step.extent]
  return { lit: lit * share, deep: deep * share }
}

/** What a film that hides little takes away of the light under it, in one coat; from memory. */
const tint = 0.6
/** A sprayed or brushed light ink hides more than its pot says, since it goes on in passes. */
const lightInk = 0.75

/** The ground after one more layer; what has no colour changes nothing. `null` is bare plastic. */
function after(ground: Ground | null, layer: StepFacts): Ground | null {
  const { material, lightness, step } = layer
  if (!material) return ground
  const reach = reachOf(layer)
  const blend = (under: number, share: number, strength: number) =>
    under + share * strength * (lightness - under)
  if (opaque.has(material.kind)) {
    const strength = 1 - (1 - Math.max(0.7, material.opacity)) ** step.coats
    const under = ground ?? { lit: lightness, deep: lightness }
    return { lit: blend(under.lit, reach.lit, strength), deep: blend(under.deep, reach.deep, strength) }
  }
  if (!ground || !films.has(material.kind)) return ground
  const film = (under: number, share: number) => {
    if (lightness < under) return blend(under, share, 1 - (1 - tint) ** step.coats)
    return material.kind === 'ink' ? blend(under, share, lightInk) : under
  }
  return { lit: film(ground.lit, reach.lit), deep: film(ground.deep, reach.deep) }
}

const opaque: ReadonlySet<string> = new Set(['primer', 'opaque', 'metallic', 'texture paste', 'grit'])
const films: ReadonlySet<string> = new Set(['translucent', 'wash', 'ink', 'oil', 'dip'])

/** What lies under each layer of a stack, from the bottom up; `null` before the first coat. */
export function groundsUnder(layers: readonly StepFacts[]): readonly (Ground | null)[] {
  let ground: Ground | null = null
  return layers.map((layer) => {
    const under = ground
    ground = after(ground, layer)
    return under
  })
}
