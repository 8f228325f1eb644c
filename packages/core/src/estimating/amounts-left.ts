import { type BatchSplit, type Job, potOf, splitIntoBatches, type ToSplit } from '../trade/index.ts'
import type { UnitId } from '../units/index.ts'
import { type LineEstimate, type StageAmount, type StageEstimate } from './estimate-line.ts'
import { cellOf } from './observe-times.ts'
import { againSeconds } from './stage-work.ts'
import { nothingBeside, touchUpWork, type BesideWork } from './touch-up.ts'

/** By stage and unit, see `cellOf`. */
export type BesideWorkOf = ReadonlyMap<string, BesideWork>

/**
 * What is left as long as nobody planned it: batch by batch, each along the line. A pot that is open from the stage
 * before needs no set-up, one whose colour is still on the palette a rinse.
 */
export function besideByBatch(
  project: ToSplit & BatchSplit & Pick<Job, 'line'>,
  estimate: LineEstimate,
): BesideWorkOf {
  const byUnit = new Map<UnitId, StageEstimate[]>()
  const beside = new Map<string, BesideWork>()
  for (const stage of estimate.stages) {
    const { unitId } = stage.work
    const own = byUnit.get(unitId)
    if (own) own.push(stage)
    else byUnit.set(unitId, [stage])
    beside.set(cellOf(stage.work), touchUpWork(stage.touchUp, stage.touchUps))
  }
  const pots = new Map(project.line.map((stage) => [stage.id, potOf(stage)]))
  for (const { unitId, models } of splitIntoBatches(project, project)) {
    const here = new Set(models.map((model) => model.id))
    const used = new Set<string>()
    let open: string | null = null
    for (const { work, leftModels } of byUnit.get(unitId) ?? []) {
      if (!leftModels.some((model) => here.has(model))) continue
      const pot = pots.get(work.stageId) ?? work.stageId
      const fresh = used.has(pot) ? againSeconds(work) : work.setUpSeconds
      const key = cellOf(work)
      const known = beside.get(key) ?? nothingBeside
      beside.set(key, { ...known, setUpSeconds: known.setUpSeconds + (pot === open ? 0 : fresh) })
      open = pot
      used.add(pot)
    }
  }
  return beside
}

/** Everything still to do; set-ups and touch-ups as they are planned, or by batch where there is no plan. */
export function amountsLeft(
  estimate: LineEstimate,
  beside: BesideWorkOf,
  isMeant: (stage: StageEstimate) => boolean = () => true,
): readonly StageAmount[] {
  return estimate.stages
    .filter((stage) => (stage.left > 0 || stage.touchUps > 0) && isMeant(stage))
    .map((stage) => ({
      stage,
      models: stage.left,
      ...(beside.get(cellOf(stage.work)) ?? nothingBeside),
    }))
}
