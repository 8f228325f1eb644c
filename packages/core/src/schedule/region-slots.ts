import type { Regions } from '../trade/index.ts'
import type { PlanBatch } from './instance.ts'

/**
 * When each region of each model of a batch is dry. A model's slots: whole-model coats, then everything, then when
 * it was last in hand, then one a region; so two looks answer for a region, and one for a whole-model stage. A
 * model is in one pair of hands at a time, whatever region they work on.
 */
export interface RegionSlots {
  /** As it is when the plan begins. */
  readonly reset: () => void
  readonly dryAt: (model: number, regions: Regions<number>) => number
  /** The hands leave the model at `touched`, and the regions are dry at `until`. */
  readonly wet: (model: number, regions: Regions<number>, touched: number, until: number) => void
  /** When every region of every model is dry. */
  readonly allDryAt: () => number
}

function slotCount(batch: PlanBatch, regionCount: number): number {
  return batch.models * (regionCount + 3)
}

/** Kept in `slots`, which belongs to the caller: whoever copies it copies the state. */
export function createRegionSlots(
  batch: PlanBatch,
  regionCount: number,
  slots = new Float64Array(slotCount(batch, regionCount)),
  /** With one painter a model is in no other hands anyway. */
  severalHands = true,
): RegionSlots {
  const width = regionCount + 3

  function wet(model: number, regions: Regions<number>, touched: number, until: number): void {
    const base = model * width
    if (until > (slots[base + 1] ?? 0)) slots[base + 1] = until
    if (severalHands && touched > (slots[base + 2] ?? 0)) slots[base + 2] = touched
    if (regions === 'whole') {
      if (until > (slots[base] ?? 0)) slots[base] = until
      return
    }
    for (let index = 0; index < regions.length; index++) {
      const at = base + 3 + (regions[index] ?? 0)
      if (until > (slots[at] ?? 0)) slots[at] = until
    }
  }

  function dryAt(model: number, regions: Regions<number>): number {
    const base = model * width
    if (regions === 'whole') return slots[base + 1] ?? 0
    let latest = slots[base] ?? 0
    if (severalHands && (slots[base + 2] ?? 0) > latest) latest = slots[base + 2] ?? 0
    for (let index = 0; index < regions.length; index++) {
      const dry = slots[base + 3 + (regions[index] ?? 0)] ?? 0
      if (dry > latest) latest = dry
    }
    return latest
  }

  function allDryAt(): number {
    let latest = 0
    for (let model = 0; model < batch.models; model++)
      latest = Math.max(latest, slots[model * width + 1] ?? 0)
    return latest
  }

  for (const each of batch.drying) wet(each.model, each.regions, 0, each.readyAt)
  const initial = slots.slice()
  return { reset: () => slots.set(initial), dryAt, wet, allDryAt }
}
