import type { AloneFrom } from './batch-alone.ts'
import type { PlanInstance } from './instance.ts'
import { kindsOf } from './dispatch.ts'

/** So many sets of batches are gone through one by one; beyond, the quickest batch stands for each. */
const mostStates = 6000

/**
 * When everything is dry at the earliest if only so many batches are in hand at a time: each begins when one before it
 * is through, and takes no less than it would alone from then on.
 */
export function inHandBound(instance: PlanInstance, aloneFrom: AloneFrom): number {
  const most = instance.inHandAtMost
  if (most === null) return 0
  const helps = new Set(instance.batches.flatMap((batch) => batch.tasks.flatMap((task) => task.joins)))
  const counted = [...instance.batches.keys()].filter(
    (batch) => !helps.has(batch) && (instance.batches[batch]?.tasks.length ?? 0) > 0,
  )
  const begun = counted.filter((batch) => instance.batches[batch]?.begun)
  const kinds = alike(
    instance,
    counted.filter((batch) => !instance.batches[batch]?.begun),
  )
  const ends = begun.map((batch) => aloneFrom(batch, 0).handsEnd)
  const states = kinds.reduce((product, kind) => product * (kind.count + 1), 1)
  if (most === 1 && states <= mostStates) return oneAfterTheOther(kinds, Math.max(0, ...ends), aloneFrom)
  return manyBeside(kinds, most, ends, aloneFrom)
}

interface Kind {
  readonly batch: number
  readonly count: number
}

function alike(instance: PlanInstance, batches: readonly number[]): readonly Kind[] {
  const kinds = kindsOf(instance.batches)
  const known = new Map<string, { batch: number; count: number }>()
  for (const batch of batches) {
    const kind = kinds[batch] ?? -1
    const key = kind < 0 ? `alone ${String(batch)}` : String(kind)
    const own = known.get(key) ?? { batch, count: 0 }
    own.count += 1
    known.set(key, own)
  }
  return [...known.values()]
}

/** Every order of the kinds, by how many of each are through (Held & Karp 1962). */
function oneAfterTheOther(kinds: readonly Kind[], from: number, aloneFrom: AloneFrom): number {
  const widths = kinds.map((_, kind) =>
    kinds.slice(0, kind).reduce((product, each) => product * (each.count + 1), 1),
  )
  const states = kinds.reduce((product, each) => product * (each.count + 1), 1)
  /** By state: when the hands are free again, and when all of it is dry, at the earliest. */
  const free = new Float64Array(states).fill(Number.POSITIVE_INFINITY)
  const dry = new Float64Array(states).fill(Number.POSITIVE_INFINITY)
  free[0] = from
  dry[0] = from
  for (let state = 0; state < states; state++) {
    const at = free[state] ?? 0
    kinds.forEach((kind, index) => {
      const width = widths[index] ?? 1
      if (Math.floor(state / width) % (kind.count + 1) === kind.count) return
      const own = aloneFrom(kind.batch, at)
      const next = state + width
      free[next] = Math.min(free[next] ?? 0, own.handsEnd)
      dry[next] = Math.min(dry[next] ?? 0, Math.max(own.dryAt, dry[state] ?? 0))
    })
  }
  return dry[states - 1] ?? 0
}

/** The j-th to begin does so when all but so many before it are through. */
function manyBeside(
  kinds: readonly Kind[],
  most: number,
  ends: readonly number[],
  aloneFrom: AloneFrom,
): number {
  const through = [...ends]
  const count = kinds.reduce((sum, kind) => sum + kind.count, 0)
  let dry = 0
  for (let each = 0; each < count; each++) {
    const wanted = through.length - most
    const from = wanted < 0 ? 0 : (through.toSorted((a, b) => a - b)[wanted] ?? 0)
    const alone = kinds.map((kind) => aloneFrom(kind.batch, from))
    through.push(Math.min(...alone.map((own) => own.handsEnd)))
    dry = Math.max(dry, Math.min(...alone.map((own) => own.dryAt)))
  }
  return dry
}
