import type { Seconds } from '../units/index.ts'
import type { Detail, MaterialKind, Size } from '../trade/index.ts'
import { handlingPresets, productOf, setUpPresets, stepFactors, touchUpPresets } from '../presets/index.ts'

/** What a slip or a missed spot of a stage costs: one dab, and for what tints the ground under it as well. */
export interface TouchUpTime {
  /** Of one model, handling in them. */
  readonly dabSeconds: Seconds
  /** Opening the pot for it. */
  readonly setUpSeconds: Seconds
  /** A tint needs its ground again, and that has to be dry; `null` where one dab hides the slip. */
  readonly undercoat: {
    readonly dabSeconds: Seconds
    readonly setUpSeconds: Seconds
    readonly drySeconds: Seconds
  } | null
}

/** Seconds beside the work itself. */
export interface BesideWork {
  /** Opening pots, for touch-ups too. */
  readonly setUpSeconds: number
  /** Dabs. */
  readonly touchUpSeconds: number
  /** More, or with a minus less, where the plan takes another way than the line has. */
  readonly otherWaySeconds: number
}

export const nothingBeside: BesideWork = { setUpSeconds: 0, touchUpSeconds: 0, otherWaySeconds: 0 }

const tinting: readonly MaterialKind[] = ['translucent', 'wash', 'ink', 'oil', 'dip']

const aDab = { area: 0, parts: 1 }

/**
 * An opaque slip is one dab and a pot; a translucent one is the undercoat, its drying and the tint: two pots
 * (common practice).
 * @param pace times the preset: the painter's hand at details.
 */
export function touchUpTime(
  kind: MaterialKind | null,
  unit: { readonly size: Size; readonly detail: Detail; readonly perHolder: number },
  pace = 1,
): TouchUpTime {
  const dab = productOf(
    stepFactors(
      { technique: 'detail', area: 0, parts: 1, count: null, tight: aDab, coats: 1, material: null },
      { size: unit.size, detail: unit.detail, standard: 'tabletop' },
      1,
    ),
  )
  const handling = handlingPresets.hand + handlingPresets.holder / unit.perHolder
  const dabSeconds = Math.round(handling + touchUpPresets.dabs * dab * 60 * pace) as Seconds
  const setUpSeconds = Math.round((setUpPresets.brush.open + setUpPresets.brush.change) * 60) as Seconds
  if (kind === null || !tinting.includes(kind)) return { dabSeconds, setUpSeconds, undercoat: null }
  const drySeconds = touchUpPresets.undercoatDrySeconds as Seconds
  return { dabSeconds, setUpSeconds, undercoat: { dabSeconds, setUpSeconds, drySeconds } }
}

/** Touch-ups on so many models, taken in one go: each pot is opened once. */
export function touchUpWork(
  { dabSeconds, setUpSeconds, undercoat }: TouchUpTime,
  models: number,
): BesideWork {
  if (models === 0) return nothingBeside
  return {
    setUpSeconds: setUpSeconds + (undercoat?.setUpSeconds ?? 0),
    touchUpSeconds: models * (dabSeconds + (undercoat?.dabSeconds ?? 0)),
    otherWaySeconds: 0,
  }
}
