import {
  driedOut,
  dryingShelf,
  toFollow,
  type DryingEntry,
  type Progress,
  type ToFollow,
} from '@seriatim/core/progress'
import type { Batch, Project } from '@seriatim/core/trade'
import { addSeconds, type Instant } from '@seriatim/core/units'
import { useDeferredValue, useMemo } from 'react'

/** So many seconds after its wait a coat may still be said to be tacky. */
const feltWithin = 20 * 60

export interface Drying {
  /** What dries now, for what is to be done next. */
  readonly shelf: readonly DryingEntry[]
  /** The same as it stands beside the work: a moment later than the hole that was punched. */
  readonly drying: readonly DryingEntry[]
  readonly justDry: readonly DryingEntry[]
  /** What has to follow soon. */
  readonly waiting: readonly ToFollow[]
  /** What dried before it was followed, and holds nothing. */
  readonly driedOut: readonly ToFollow[]
  /** The moment and the log of what stands beside the work. */
  readonly settled: { readonly progress: Progress; readonly now: Instant }
}

/** What dries at the desk, what just came dry, and what has to follow before it does. */
export function useDrying(
  project: Project,
  batches: readonly Batch[],
  progress: Progress,
  now: Instant,
): Drying {
  const shelf = useMemo(() => dryingShelf(project, batches, progress, now), [project, batches, progress, now])
  const waiting = useMemo(() => toFollow(project, batches, progress, now), [project, batches, progress, now])
  const settled = useDeferredValue(useMemo(() => ({ progress, now }), [progress, now]))
  const beside = useMemo(() => {
    const drying = dryingShelf(project, batches, settled.progress, settled.now)
    const wet = new Set(drying.map((entry) => `${entry.batch.id} ${entry.stage.id}`))
    const before = dryingShelf(project, batches, settled.progress, addSeconds(settled.now, -feltWithin))
    const isJustDry = (each: DryingEntry) =>
      each.until <= settled.now && !wet.has(`${each.batch.id} ${each.stage.id}`)
    const out = driedOut(project, batches, settled.progress, settled.now)
    return { drying, justDry: before.filter(isJustDry), driedOut: out }
  }, [project, batches, settled])
  return { shelf, waiting, settled, ...beside }
}
