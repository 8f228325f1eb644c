import { colourDifference, hueOf, lightness } from '../colour/index.ts'
import { kindPresets } from '../presets/index.ts'
import { type Material, sheenOf } from '../trade/index.ts'
import type { StepFacts } from '../recipe/index.ts'
import { darkBelow, type Ground } from './grounds.ts'

/** What is put under thin colours on purpose: near in colour or hue, and pale under yellow and white. Common practice. */
function isUndercoat(material: Material, cover: StepFacts | undefined, ground: Ground): boolean {
  const below = cover?.material
  if (lightness(material.colour) > 70 && ground.lit >= 80) return true
  if (!below) return false
  if (colourDifference(below.colour, material.colour) < 18) return true
  const [own, under] = [hueOf(material.colour), hueOf(below.colour)]
  const turn = Math.abs(own.hue - under.hue)
  return under.chroma > 20 && Math.min(turn, 360 - turn) < 30
}

/** The ground is so near in colour that a thin coat shows no patches. */
export function isLike(material: Material, cover: StepFacts | undefined, ground: Ground | null): boolean {
  if (!ground) return true
  if (material.kind === 'opaque' && isUndercoat(material, cover, ground)) return true
  const isGold = material.kind === 'metallic'
  return isGold && ground.lit < darkBelow
}

/** Hides so little that it takes several coats. */
export const thinFrom = 0.7

/** Blue hides most grounds, but not bright metal, nor what is light and of another hue. Common practice. */
export function showsThrough(
  { material, hiding, lightness: own }: StepFacts,
  cover: StepFacts | undefined,
  ground: Ground | null,
): boolean {
  if (!material || !cover?.material || !ground || hiding !== kindPresets[material.kind].opacity) return false
  const { hue, chroma } = hueOf(material.colour)
  if (hue < 200 || hue > 310 || chroma < 12) return false
  if (sheenOf(cover.material) === 'metal') return true
  if (ground.lit < own + 8) return false
  const under = hueOf(cover.material.colour)
  return under.chroma > 25 && Math.abs(under.hue - hue) > 90 && Math.abs(under.hue - hue) < 270
}
