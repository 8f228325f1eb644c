import type { Session } from '@seriatim/core/calendar'
import type { LinePlan, Stretch } from '@seriatim/core/plan'
import type { Batch, Project } from '@seriatim/core/trade'
import type { BatchId, Instant } from '@seriatim/core/units'

/** Where the chart's parts lie, in pixels. */
export interface StringLayout {
  readonly width: number
  readonly height: number
  readonly rows: readonly StringRow[]
  readonly rowHeight: number
  readonly bands: readonly Band[]
  readonly strings: readonly BatchString[]
  readonly xOf: (moment: Instant) => number
}

/** A stage's row. */
interface StringRow {
  readonly label: string
  readonly y: number
  readonly tableReady: boolean
  /** There is room for its label. */
  readonly named: boolean
}

/** A time in which somebody is at the desk: several painters' sessions that overlap are one. */
export interface Band {
  readonly session: Session
  readonly x: number
  readonly width: number
  /** There is room for its day above it. */
  readonly named: boolean
}

/** How far ahead the width of the chart reaches; `null`: to the end. */
export const zooms = [
  { days: null, text: 'All' },
  { days: 1, text: 'Evening' },
  { days: 7, text: 'Week' },
  { days: 30, text: 'Month' },
  { days: 92, text: '3 months' },
] as const

export type Zoom = (typeof zooms)[number]

export interface BatchString {
  readonly batch: Batch
  /** Index of the unit: batches of one unit share a colour. */
  readonly unit: number
  /** Where its number stands, beside those of strings that begin nearby; `null` for an only batch. */
  readonly numberAt: Point | null
  readonly hands: readonly { readonly stretch: Stretch; readonly from: Point; readonly to: Point }[]
  readonly drying: readonly { readonly from: Point; readonly to: Point }[]
  /** From dry to the next work, and past stages that are not needed or done already. */
  readonly resting: readonly { readonly from: Point; readonly to: Point }[]
}

interface Point {
  readonly x: number
  readonly y: number
}

/** A row of a stage, where there is room for it, and the least that can be told apart. */
const usualRow = 30
const leastRow = 9
/** A label needs so much; of rows that are lower only some are named. */
const labelHeight = 12
const top = 44
const widestFold = 34
const narrowestFold = 6
const leastPerMinute = 0.9
const leastWhenZoomed = 0.04
/** Between the beginnings of two names of days. */
const nameWidth = 104
/** Strings that lie level at the same row are kept apart by this much. */
const apart = 2
const lanes = 7
const dayMilliseconds = 86_400_000

/**
 * Time runs across, nights folded; stages run down. Hands carry a batch from its stage's row to the next,
 * drying keeps it level there. The width holds what lies within the zoom's days, the rest is scrolled to; the height, where
 * there is one to keep to, holds every stage.
 */
export function layOutStrings(
  plan: LinePlan,
  project: Project,
  left: number,
  width: number,
  days: number | null = null,
  height: number | null = null,
): StringLayout {
  const used = mergedSessions(
    plan.sessions.filter((_, index) => plan.stretches.some((stretch) => stretch.session === index)),
  )
  const [first] = used
  const inView =
    days === null || !first
      ? used
      : used.filter((session) => session.startsAt < first.startsAt + days * dayMilliseconds)
  const minutes = inView.reduce((sum, session) => sum + lengthOf(session), 0)
  const fold = Math.max(narrowestFold, Math.min(widestFold, (width - left) / (inView.length * 4 || 1)))
  const room = width - left - fold * inView.length
  const perMinute = Math.max(days === null ? leastPerMinute : leastWhenZoomed, room / Math.max(1, minutes))
  let x = left
  let namedAt = Number.NEGATIVE_INFINITY
  const bands = used.map((session): Band => {
    const band = { session, x, width: lengthOf(session) * perMinute, named: x - namedAt >= nameWidth }
    if (band.named) namedAt = x
    x += band.width + fold
    return band
  })
  const rows = [
    ...project.line.map((stage) => ({
      label: stage.name,
      tableReady: stage.tableReady,
    })),
    { label: 'Done', tableReady: false },
  ]
  const fitting = height === null ? usualRow : Math.floor((height - top - 4) / (rows.length + 0.5))
  const rowHeight = Math.max(leastRow, Math.min(usualRow, fitting))
  const everyRow = Math.ceil(labelHeight / rowHeight)
  const yOf = (row: number) => top + (row + 0.5) * rowHeight

  const xOf = (moment: Instant): number => {
    const index = bands.findLastIndex((band) => band.session.startsAt <= moment)
    const band = bands[Math.max(0, index)]
    if (!band) return left
    if (moment <= band.session.endsAt) return band.x + ((moment - band.session.startsAt) / 60_000) * perMinute
    const next = bands[index + 1]
    const night = next ? next.session.startsAt - band.session.endsAt : 86_400_000
    return band.x + band.width + fold * Math.min(1, (moment - band.session.endsAt) / night)
  }

  return {
    width: Math.max(width, x),
    height: yOf(rows.length) + 4,
    rows: rows.map((row, index) => ({
      ...row,
      y: yOf(index),
      named: index % everyRow === 0 || index === rows.length - 1,
    })),
    rowHeight,
    bands,
    strings: withNumbers(layOutBatches(plan, project, xOf, yOf)),
    xOf,
  }
}

function layOutBatches(
  plan: LinePlan,
  project: Project,
  xOf: (moment: Instant) => number,
  yOfRow: (row: number) => number,
): Omit<BatchString, 'numberAt'>[] {
  const rowOf = new Map(project.line.map((stage, index) => [stage.id, index]))
  const byBatch = new Map<BatchId, Stretch[]>()
  for (const stretch of plan.stretches)
    byBatch.set(stretch.batchId, [...(byBatch.get(stretch.batchId) ?? []), stretch])
  return plan.batches.flatMap((batch, index) => {
    const lane = ((index % lanes) - (lanes - 1) / 2) * apart
    const yOf = (row: number) => yOfRow(row) + lane
    const stretches = byBatch.get(batch.id) ?? []
    if (stretches.length === 0) return []
    const hands: BatchString['hands'][number][] = []
    const drying: BatchString['drying'][number][] = []
    const resting: BatchString['resting'][number][] = []
    stretches.forEach((stretch, index) => {
      const row = rowOf.get(stretch.stageId) ?? 0
      const next = stretches[index + 1]
      // A stage that goes on in the next session has not carried the whole batch down yet.
      const goesOn = next?.stageId === stretch.stageId && next.touchUp === stretch.touchUp
      const [from, to] = shareOfRow(stretches, index, yOf(row), yOf(row + 1))
      hands.push({
        stretch,
        from: { x: xOf(stretch.startsAt), y: from },
        to: { x: xOf(stretch.endsAt), y: to },
      })
      const end = { x: xOf(stretch.endsAt), y: to }
      const dry = { x: next ? Math.min(xOf(stretch.dryAt), xOf(next.startsAt)) : xOf(stretch.dryAt), y: to }
      if (!goesOn && dry.x > end.x) drying.push({ from: end, to: dry })
      if (!next) return
      const begins = { x: xOf(next.startsAt), y: goesOn ? to : yOf(rowOf.get(next.stageId) ?? 0) }
      const waits = { x: begins.x, y: to }
      const since = goesOn ? end : dry
      if (waits.x > since.x) resting.push({ from: since, to: waits })
      if (begins.y !== waits.y) resting.push({ from: waits, to: begins })
    })
    const unit = project.units.findIndex((each) => each.id === batch.unitId)
    return [{ batch, unit, hands, drying, resting }]
  })
}

const digit = { width: 9, height: 12 }

/** A number that would cover another moves to the right of it. */
function withNumbers(strings: readonly Omit<BatchString, 'numberAt'>[]): readonly BatchString[] {
  const placed: Point[] = []
  return strings.map((string) => {
    const first = string.hands[0]
    if (!first || string.batch.of === 1) return { ...string, numberAt: null }
    const at = { x: first.from.x + 2, y: first.from.y - 5 }
    const covers = (other: Point) =>
      Math.abs(other.x - at.x) < digit.width && Math.abs(other.y - at.y) < digit.height
    while (placed.some(covers)) at.x += digit.width
    placed.push(at)
    return { ...string, numberAt: at }
  })
}

/** A stage split over sessions carries the batch down by the share of models done in each. */
function shareOfRow(
  stretches: readonly Stretch[],
  index: number,
  yFrom: number,
  yTo: number,
): [number, number] {
  const own = stretches[index]
  const isSame = (stretch: Stretch) => stretch.stageId === own?.stageId && stretch.touchUp === own.touchUp
  const parts = stretches.filter(isSame)
  const total = parts.reduce((sum, part) => sum + part.modelIds.length, 0)
  const before = stretches
    .slice(0, index)
    .filter(isSame)
    .reduce((sum, part) => sum + part.modelIds.length, 0)
  const models = own?.modelIds.length ?? 0
  const at = (share: number) => yFrom + (yTo - yFrom) * share
  return [at(before / total), at((before + models) / total)]
}

/** Sessions of several painters that overlap as one, in order. */
function mergedSessions(sessions: readonly Session[]): readonly Session[] {
  const merged: Session[] = []
  for (const session of sessions.toSorted((a, b) => a.startsAt - b.startsAt)) {
    const last = merged.at(-1)
    if (last && session.startsAt <= last.endsAt) {
      const endsAt = last.endsAt > session.endsAt ? last.endsAt : session.endsAt
      merged[merged.length - 1] = { startsAt: last.startsAt, endsAt }
    } else merged.push(session)
  }
  return merged
}

function lengthOf(session: Session): number {
  return (session.endsAt - session.startsAt) / 60_000
}
