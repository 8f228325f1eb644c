import {
  type Detail,
  isSprayed,
  type Material,
  type Size,
  type Standard,
  type Technique,
  techniqueFacts,
} from '../trade/index.ts'
import {
  allOverFactor,
  carePresets,
  detailPresets,
  oilLiningFactor,
  secondCoatChance,
  sizePresets,
  standardPresets,
  type TechniquePreset,
  techniquePresets,
} from './presets.ts'

/** One factor of an estimate, as it is explained: what it is, its value, and where that comes from. */
export interface Factor {
  readonly name: string
  readonly value: number
  readonly source: string
}

/** What a step puts on a model. */
export interface StepWork {
  readonly technique: Technique
  /** Share of the surface; a whole model with its base is over 1. */
  readonly area: number
  readonly parts: number
  /** Dots, chips, studs or decals set one by one; `null` where the region says how much there is. */
  readonly count: number | null
  /** So much of it lies within borders that are to be kept; the rest can be flooded. */
  readonly tight: { readonly area: number; readonly parts: number }
  readonly coats: number
  readonly material: Pick<Material, 'kind' | 'opacity'> | null
}

/** What the model asks of the hand. */
export interface Demand {
  readonly size: Size
  readonly detail: Detail
  readonly standard: Standard
}

/** A foot model of usual detail at tabletop: what minutes are told of. */
export const usualDemand: Demand = { size: 'foot', detail: 'usual', standard: 'tabletop' }

/** The factors whose product is the minutes of a step on one model, at the preset's pace; those of 1 are left out. */
export function stepFactors(
  work: StepWork,
  { size, detail, standard }: Demand,
  care: number,
): readonly Factor[] {
  const preset = techniquePresets[work.technique]
  const { minutes, approach } = preset
  const scales = work.count === null ? preset.scales : 'parts'
  const factors: Factor[] = [
    {
      name: scales === 'area' ? `${work.technique}, a whole foot model` : `${work.technique}, a part`,
      value: minutes,
      source: preset.source,
    },
    howMuch(work, preset, approach / minutes),
    { name: `size: ${size}`, value: sizePresets[size][scales], source: sizePresets[size].source },
    { name: `detail: ${detail}`, value: detailPresets[detail][scales], source: detailPresets[detail].source },
  ]
  if (!isSprayed(work.technique)) {
    factors.push({ name: `standard: ${standard}`, ...asFactor(standardPresets[standard]) })
    factors.push({ name: careName(care), value: care, source: carePresets.source })
  }
  if (isFlooded(work)) {
    factors.push({ name: 'all over, no border to keep', ...asFactor(allOverFactor) })
  }
  if (work.technique === 'pin wash' && work.material?.kind === 'oil') {
    factors.push({ name: 'oil runs along the lines by itself', ...asFactor(oilLiningFactor) })
  }
  factors.push({ name: 'coats', value: work.coats, source: 'recipe' })
  const again =
    work.material && work.count === null && isLaid(work.technique) ? secondCoatChance(work.material) : null
  if (again) {
    factors.push({
      name: `a second coat, ${String(Math.round(again.chance * 100))} % of the time`,
      value: 1 + again.chance / work.coats,
      source: again.source,
    })
  }
  return factors.filter((factor, index) => index < 2 || factor.value !== 1)
}

/** All of it is done at once, with a brush full of paint. */
function isFlooded({ technique, tight }: StepWork): boolean {
  return techniquePresets[technique].floods && tight.area === 0 && tight.parts === 0
}

/**
 * Surface, and the parts it is in: each is gone to by itself. What has no border to keep is flooded by what floods, and is
 * one piece for all else.
 */
function howMuch(
  work: StepWork,
  { scales, floods }: Pick<TechniquePreset, 'scales' | 'floods'>,
  aPart: number,
): Factor {
  const { area, parts, count, tight } = work
  if (count !== null)
    return { name: `${String(count)} by themselves`, value: count * aPart, source: 'recipe' }
  if (scales === 'parts') return { name: 'parts', value: parts, source: 'recipe' }
  if (isFlooded(work) || aPart === 0 || tight.parts === 0)
    return { name: 'of the surface', value: area, source: 'recipe' }
  const loose = Math.max(0, area - tight.area)
  const pieces = `${String(Math.round(tight.parts))} ${tight.parts === 1 ? 'piece' : 'pieces'}`
  return {
    name: `of the surface, in ${pieces}${loose > 0 ? ' beside what is left out' : ''}`,
    value: tight.area + tight.parts * aPart + loose * (floods ? allOverFactor.factor : 1),
    source: 'recipe',
  }
}

/** Small parts take most of the time, not the surface. */
const mostly = 0.45

/** Whether going from part to part takes most of a step that else goes by the surface. */
export function isBySmallParts({ technique, area, count, tight }: StepWork): boolean {
  const { scales, approach, minutes } = techniquePresets[technique]
  if (scales !== 'area' || count !== null) return false
  const going = (tight.parts * approach) / minutes
  return going > mostly * (area + going)
}

/** A dot or a line that does not cover is done over at once; a coat may want another. */
function isLaid(technique: Technique): boolean {
  return techniqueFacts[technique].covers || technique === 'layer'
}

function asFactor({ factor, source }: { readonly factor: number; readonly source: string }) {
  return { value: factor, source }
}

function careName(care: number): string {
  return care > 1 ? 'care beside what is finished' : 'slips are covered later'
}

export function productOf(factors: readonly Factor[]): number {
  return factors.reduce((product, factor) => product * factor.value, 1)
}
