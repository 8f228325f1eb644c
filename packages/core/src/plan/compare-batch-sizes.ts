import {
  batchSizesText,
  type BatchSplit,
  type Bores,
  largestBatchSize,
  type Project,
  splitIntoBatches,
} from '../trade/index.ts'
import type { Instant } from '../units/index.ts'
import type { LaidPlan } from './line-plan.ts'
import { layLine } from './plan-line.ts'
import type { PlanningInput } from './planning-input.ts'

/** What one way of splitting would mean for the same work. */
export interface SplitOutcome extends BatchSplit {
  /** The sizes the batches get, `4 · 4 · 4`. */
  readonly split: string
  readonly batches: number
  readonly handsOnSeconds: number
  readonly exposedSeconds: number
  readonly hiddenSeconds: number
  readonly potOpenings: number
  /** The longest stretch of one stage without a change. */
  readonly longestRunSeconds: number
  /** Models begun and not yet through, at most at a time. */
  readonly inHandAtMost: number
  readonly firstBatchAt: Instant
  readonly finishesAt: Instant
}

/** Mixed splits worth trying: some finished soon, the others in larger sets. */
const mixed: readonly (readonly [first: number, then: number])[] = [
  [1, Number.POSITIVE_INFINITY],
  [3, Number.POSITIVE_INFINITY],
  [3, 6],
  [4, 10],
]

/** The splits worth comparing: of those that split every unit alike, the first; even ones by size, then mixed ones. */
export function distinctSplits(project: Pick<Project, 'units' | 'planning'>): readonly BatchSplit[] {
  const largest = largestBatchSize(project)
  const even = Array.from({ length: largest }, (_, index) => ({ batchSize: index + 1, firstBatch: null }))
  const both = [
    ...even,
    ...mixed.map(([firstBatch, then]) => ({ batchSize: Math.min(then, largest), firstBatch })),
  ]
  const seen = new Set<string>()
  return both.filter((split) => {
    const text = batchSizesText(splitIntoBatches(project, split))
    if (seen.has(text)) return false
    seen.add(text)
    return true
  })
}

/** One split at a time, so that the caller can show progress and stop. `null` where there is no plan. */
export function trySplit(input: Omit<PlanningInput, 'split'>, split: BatchSplit): SplitOutcome | null {
  const planned = layLine({ ...input, split })
  return planned.ok ? outcomeOf(planned.value, split) : null
}

/** What a plan that is there already says of its own split. */
export function outcomeOf(plan: LaidPlan, split: BatchSplit): SplitOutcome {
  return {
    ...split,
    split: batchSizesText(plan.batches),
    batches: plan.batches.length,
    handsOnSeconds: plan.handsOnSeconds,
    exposedSeconds: plan.exposedSeconds,
    hiddenSeconds: plan.hiddenSeconds,
    potOpenings: plan.potOpenings,
    longestRunSeconds: longestRun(plan),
    inHandAtMost: mostInHand(plan),
    firstBatchAt: plan.firstBatchAt,
    finishesAt: plan.finishesAt,
  }
}

function longestRun({ stretches }: LaidPlan): number {
  let longest = 0
  let run = 0
  stretches.forEach((stretch, index) => {
    const before = stretches[index - 1]
    const goesOn = before?.stageId === stretch.stageId && before.session === stretch.session
    run = (goesOn ? run : 0) + (stretch.endsAt - stretch.startsAt) / 1000
    longest = Math.max(longest, run)
  })
  return longest
}

function mostInHand({ stretches, batches }: LaidPlan): number {
  const span = new Map<string, { from: number; until: number }>()
  for (const { batchId, startsAt, dryAt } of stretches) {
    const known = span.get(batchId)
    span.set(batchId, {
      from: Math.min(known?.from ?? startsAt, startsAt),
      until: Math.max(known?.until ?? dryAt, dryAt),
    })
  }
  const changes = batches.flatMap((batch) => {
    const own = span.get(batch.id)
    const models = batch.models.length
    return own ? [[own.from, models] as const, [own.until, -models] as const] : []
  })
  let inHand = 0
  let most = 0
  for (const [, models] of changes.sort((a, b) => a[0] - b[0] || a[1] - b[1])) {
    inHand += models
    most = Math.max(most, inHand)
  }
  return most
}

/** The smallest even size at which no drying is left to wait for; null when every size shows some. */
export function smallestHiding(outcomes: readonly SplitOutcome[]): SplitOutcome | null {
  return outcomes.find((each) => each.firstBatch === null && each.exposedSeconds === 0) ?? null
}

/** The largest even size at which no stage goes on for longer than is borne; null when one does at every size. */
export function largestBearable(
  outcomes: readonly SplitOutcome[],
  { stageSeconds }: Pick<Bores, 'stageSeconds'>,
): SplitOutcome | null {
  return (
    outcomes.findLast((each) => each.firstBatch === null && each.longestRunSeconds <= stageSeconds) ?? null
  )
}

/** How people usually split, and the outcome that stands for it: of several the soonest done. */
export function usualSplits(
  outcomes: readonly SplitOutcome[],
): readonly { readonly name: string; readonly outcome: SplitOutcome }[] {
  const even = outcomes.filter((each) => each.firstBatch === null)
  const soonest = (some: readonly SplitOutcome[]) =>
    some.reduce<SplitOutcome | undefined>(
      (best, each) => (best && best.finishesAt <= each.finishesAt ? best : each),
      undefined,
    )
  const between = (from: number, to: number) =>
    soonest(even.filter((each) => each.batchSize >= from && each.batchSize <= to))
  const usual = [
    { name: 'all at once', outcome: even.at(-1) },
    { name: 'sets of 3–5', outcome: between(3, 5) },
    { name: 'sets of 8–12', outcome: between(8, 12) },
    { name: 'some first', outcome: soonest(outcomes.filter((each) => each.firstBatch !== null)) },
  ]
  return usual.flatMap(({ name, outcome }) => (outcome ? [{ name, outcome }] : []))
}
