import { batchTime, type BatchTimes } from '../estimating/index.ts'
import { type Job, type Model, potOf, type Stage, type Unit } from '../trade/index.ts'
import type { Progress } from '../progress/index.ts'
import type { Seconds } from '../units/index.ts'

/** One slip or missed part to be mended. */
export interface TouchUpItem {
  readonly stage: Stage
  readonly unit: Unit
  readonly model: Model
  readonly note: string
  /** `null`: all that the stage covers. */
  readonly region: string | null
  /** A tint wants its ground again first, and this long for that to dry. */
  readonly groundSeconds: Seconds | null
}

/** What is mended while one pot is open. */
export interface TouchUpPot {
  readonly pot: string
  /** As it is called: the material, or the stage where none is named. */
  readonly name: string
  readonly items: readonly TouchUpItem[]
  readonly setUpSeconds: Seconds
  readonly dabSeconds: Seconds
}

/** Every touch-up there is, gathered by pot into the fewest openings, in the line's order. */
export function touchUpRound(
  project: Pick<Job, 'line' | 'units'>,
  progress: Progress,
  times?: BatchTimes,
): readonly TouchUpPot[] {
  const pots = new Map<string, { name: string; items: TouchUpItem[]; setUp: number; dabs: number }>()
  for (const stage of project.line) {
    for (const unit of project.units) {
      const { touchUp } = batchTime(stage, unit.id, times)
      const ground = touchUp.undercoat
      for (const model of unit.models) {
        const mark = progress.marks.get(model.id)?.get(stage.id)
        if (mark?.kind !== 'touch-up') continue
        const key = potOf(stage)
        const pot = pots.get(key) ?? {
          name: stage.material.trim() || stage.name,
          items: [],
          setUp: 0,
          dabs: 0,
        }
        pots.set(key, pot)
        pot.items.push({
          stage,
          unit,
          model,
          note: mark.note,
          region: mark.region,
          groundSeconds: ground?.drySeconds ?? null,
        })
        pot.setUp = Math.max(pot.setUp, touchUp.setUpSeconds + (ground?.setUpSeconds ?? 0))
        pot.dabs += touchUp.dabSeconds + (ground?.dabSeconds ?? 0)
      }
    }
  }
  return [...pots].map(([pot, { name, items, setUp, dabs }]) => ({
    pot,
    name,
    items,
    setUpSeconds: Math.round(setUp) as Seconds,
    dabSeconds: Math.round(dabs) as Seconds,
  }))
}
