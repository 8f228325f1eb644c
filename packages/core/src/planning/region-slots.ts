import type { Regions } from '../line/regions.ts'
import type { PlanBatch } from './instance.ts'

/**
 * When each region of each model of a batch is dry. A model's slots: whole-model coats, then everything,
 * then one a region; so one look answers for a region, and one for a whole-model stage.
 */
export interface RegionSlots {
  readonly reset: () => void
  readonly dryAt: (model: number, regions: Regions<number>) => number
  readonly wet: (model: number, regions: Regions<number>, until: number) => void
  /** When every region of every model is dry. */
  readonly allDryAt: () => number
}

export function createRegionSlots(batch: PlanBatch, regionCount: number): RegionSlots {
  const width = regionCount + 2
  const slots = new Float64Array(batch.models * width)

  function raise(slot: number, until: number): void {
    if (until > (slots[slot] ?? 0)) slots[slot] = until
  }

  function wet(model: number, regions: Regions<number>, until: number): void {
    const base = model * width
    raise(base + 1, until)
    if (regions === 'whole') raise(base, until)
    else for (const region of regions) raise(base + 2 + region, until)
  }

  function dryAt(model: number, regions: Regions<number>): number {
    const base = model * width
    if (regions === 'whole') return slots[base + 1] ?? 0
    let latest = slots[base] ?? 0
    for (const region of regions) latest = Math.max(latest, slots[base + 2 + region] ?? 0)
    return latest
  }

  function allDryAt(): number {
    let latest = 0
    for (let model = 0; model < batch.models; model++)
      latest = Math.max(latest, slots[model * width + 1] ?? 0)
    return latest
  }

  for (const each of batch.drying) wet(each.model, each.regions, each.readyAt)
  const initial = slots.slice()
  return { reset: () => slots.set(initial), dryAt, wet, allDryAt }
}
