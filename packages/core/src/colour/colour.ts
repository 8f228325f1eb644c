import {
  differenceCiede2000,
  filterDeficiencyDeuter,
  formatHex,
  modeLab65,
  modeLrgb,
  modeRgb,
  useMode as withMode,
} from 'culori/fn'
import { Color, mix } from 'spectral.js'

/** `#rrggbb`, sRGB. */
export type Hex = `#${string}`

// Of some thirty spaces only these are loaded, by every page and worker.
const toRgb = withMode(modeRgb)
const toLinear = withMode(modeLrgb)
const toLab = withMode(modeLab65)
const deltaE = differenceCiede2000()
const withoutGreenCones = filterDeficiencyDeuter(1)

/** Text in, so failure is a value: `null` for anything but `#rrggbb`. */
export function parseHex(text: string): Hex | null {
  return /^#[0-9a-f]{6}$/i.test(text.trim()) ? (text.trim().toLowerCase() as Hex) : null
}

/** CIE L*, 0 black to 100 white (D65). */
export function lightness(colour: Hex): number {
  return labOf(colour).l
}

/** CIE L*a*b* (D65). */
export interface Lab {
  readonly l: number
  readonly a: number
  readonly b: number
}

/** CIEDE2000 (Sharma, Wu & Dalal 2005); about 1 is just noticeable. */
export function labDifference(first: Lab, second: Lab): number {
  return deltaE({ mode: 'lab65', ...first }, { mode: 'lab65', ...second })
}

/** As light and without hue: what is left of it in the mass, or in bad light. */
export function greyOf(colour: Hex): Hex {
  return parseHex(formatHex({ mode: 'lab65', l: lightness(colour), a: 0, b: 0 })) ?? colour
}

/** As the commonest colour blindness has it (deuteranopia; Machado, Oliveira & Fernandes 2009). */
export function asRedGreenBlind(colour: Hex): Hex {
  return parseHex(formatHex(withoutGreenCones(toRgb(colour) ?? { mode: 'rgb', r: 0, g: 0, b: 0 }))) ?? colour
}

/** CIE hue angle in degrees, and chroma (D65). */
export function hueOf(colour: Hex): { readonly hue: number; readonly chroma: number } {
  const { a, b } = labOf(colour)
  return { hue: ((Math.atan2(b, a) * 180) / Math.PI + 360) % 360, chroma: Math.hypot(a, b) }
}

export function colourDifference(first: Hex, second: Hex): number {
  return labDifference(labOf(first), labOf(second))
}

function labOf(colour: Hex): Lab {
  const { l, a, b } = toLab(colour) ?? { l: 0, a: 0, b: 0 }
  return { l, a, b }
}

/** What paints stirred together come to, by a single-constant Kubelka–Munk model: a guide, not a match. */
export function mixedColour(parts: readonly { readonly colour: Hex; readonly parts: number }[]): Hex | null {
  const weighed = parts.filter((each) => each.parts > 0)
  const [first] = weighed
  if (!first) return null
  if (weighed.every((each) => each.colour === first.colour)) return first.colour
  return parseHex(
    mix(...weighed.map(({ colour, parts }): [Color, number] => [new Color(colour), parts])).toString(),
  )
}

/**
 * A coat over what lies under it. The film filters light on its way to the undercoat and back and scatters
 * its own colour by its opacity, so a thin one all but vanishes over black. A guide, not a match.
 */
export function coatOver(coat: Hex, opacity: number, under: Hex): Hex {
  const film = toLinear(coat)
  const ground = toLinear(under)
  if (!film || !ground) return under
  const seen = (top: number, bottom: number) => opacity * top + (1 - opacity) * top * bottom
  return (
    parseHex(
      formatHex({
        mode: 'lrgb',
        r: seen(film.r, ground.r),
        g: seen(film.g, ground.g),
        b: seen(film.b, ground.b),
      }),
    ) ?? under
  )
}
