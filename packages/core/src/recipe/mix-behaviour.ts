import { hueOf, lightness } from '../colour/index.ts'
import { kindPresets } from '../presets/index.ts'
import { isCarrierOnly, isVarnish, type Material, type Mix } from '../trade/index.ts'
import { seconds, type MaterialId } from '../units/index.ts'

interface Behaviour {
  /** `null` for work without material, and for a material that is not on the shelf. */
  readonly material: Material | null
  /** How much of the ground one coat hides, 0 to 1. */
  readonly hiding: number
}

/** From this share of medium in it on an opaque paint lets the ground through (common practice). */
const translucentFrom = 0.5
/** Thinned to no less than this share it covers as it does from the pot (common practice: a third of water is usual). */
const usualShare = 0.75

/**
 * What a mix behaves as: its strongest paint. Translucents, washes and inks stay what they are, whatever is in them. Opaque
 * paint loses its cover: with much medium it is a translucent paint, thinned with water or improver a coat that hides less.
 */
export function behaviourOf(mix: Mix, shelf: ReadonlyMap<MaterialId, Material>): Behaviour {
  const main = strongestPart(mix, shelf)
  const material = main ? (shelf.get(main.materialId) ?? null) : null
  if (material?.kind === 'wash')
    return { material: runningFurther(material, mix, shelf), hiding: material.opacity }
  if (material?.kind !== 'opaque') return { material, hiding: material?.opacity ?? 0 }
  const amount = { paint: 0, medium: 0, thinner: 0 }
  let drying = material.dryingMinSeconds
  for (const { materialId, parts } of mix) {
    const part = shelf.get(materialId)
    if (!part || !isCarrierOnly(part.kind)) amount.paint += parts
    else if (thins(part)) amount.thinner += parts
    else if (part.kind === 'medium' || isVarnish(part.kind)) {
      amount.medium += parts
      drying = seconds(Math.max(drying, part.dryingMinSeconds))
    }
  }
  const film = amount.paint + amount.medium
  const share = (amount.paint / film) * Math.min(1, film / (film + amount.thinner) / usualShare)
  if (share === 1) return { material, hiding: hidingOf(material) }
  const isTranslucent = amount.medium / film >= translucentFrom
  return {
    material: {
      ...material,
      opacity: material.opacity * share,
      ...(isTranslucent
        ? {
            kind: 'translucent',
            dryingMinSeconds: drying,
            dryingMaxSeconds: seconds(Math.max(drying, material.dryingMaxSeconds)),
          }
        : {}),
    },
    hiding: hidingOf(material) * share,
  }
}

/** Three drops of wash in ten of medium do four small models (common practice). */
const furtherInMedium = 1.6

/** A wash that is mostly medium runs further than from its pot. */
function runningFurther(wash: Material, mix: Mix, shelf: ReadonlyMap<MaterialId, Material>): Material {
  const carried = mix.reduce((sum, { materialId, parts }) => {
    const part = shelf.get(materialId)
    return sum + (part && isCarrierOnly(part.kind) ? parts : 0)
  }, 0)
  const all = mix.reduce((sum, { parts }) => sum + parts, 0)
  return carried / all >= translucentFrom ? { ...wash, coverage: wash.coverage * furtherInMedium } : wash
}

/** Of what carries the others the largest part counts only where there is nothing else; of equal parts the first. */
function strongestPart(mix: Mix, shelf: ReadonlyMap<MaterialId, Material>): Mix[number] | null {
  const paints = mix.filter(({ materialId }) => {
    const part = shelf.get(materialId)
    return !part || !isCarrierOnly(part.kind)
  })
  return (paints.length > 0 ? paints : mix).reduce<Mix[number] | null>(
    (most, part) => (most && most.parts >= part.parts ? most : part),
    null,
  )
}

/** Water, and what goes by a name that says it flows or thins: gone once it is dry, where a medium stays in the film. */
function thins({ kind, name, potMl }: Material): boolean {
  if (kind === 'thinner') return true
  return kind === 'medium' && (potMl === 0 || /\b(water|improver|thinner|retarder)\b/i.test(name))
}

/** Reds, yellows and whites hide less than is usual of their kind, unless somebody said how much (common practice). */
function hidingOf({ colour, opacity, kind }: Material): number {
  if (opacity !== kindPresets[kind].opacity) return opacity
  const { hue, chroma } = hueOf(colour)
  const light = lightness(colour)
  const isYellow = hue > 70 && hue < 110 && chroma > 45 && light > 55
  const isRed = (hue < 50 || hue > 340) && chroma > 50 && light > 38
  const isWhite = light > 92 && chroma < 12
  return isYellow || isRed || isWhite ? Math.min(opacity, 0.6) : opacity
}
