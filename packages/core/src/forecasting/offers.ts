import { addDays, type Instant, type LocalDate, type Seconds, type StageId } from '../units/index.ts'
import { localDateAt, painterSessions } from '../calendar/index.ts'
import type { Figures, LineEstimate } from '../estimating/index.ts'
import { planningOf, type PlanWish, solveLine, unplannedUnits } from '../plan/index.ts'
import type { Project } from '../trade/index.ts'
import { forecastFinish, type FinishForecast } from './forecast-finish.ts'

/** Something the painter could do for better odds. */
export type Offer =
  | { readonly kind: 'one-more-session' }
  | { readonly kind: 'longer-sessions'; readonly bySeconds: number }
  | { readonly kind: 'leave-out'; readonly stageId: StageId }

export interface OddsWish extends PlanWish {
  readonly futures?: number
}

/** The plan and every offer are planned with the same effort and drawn with the same futures, so they compare. */
const usualEffort = 250_000
const usualFutures = 1000

const halfAnHour = 1800

/** What is worth trying on this project; whether it helps is found by running it. */
export function offersFor(project: Project, estimate: LineEstimate): readonly Offer[] {
  const left = new Map<StageId, number>()
  for (const each of estimate.stages) {
    const seconds = each.left * each.perModel.likely
    left.set(each.work.stageId, (left.get(each.work.stageId) ?? 0) + seconds)
  }
  const stopLine = project.line.map((stage) => stage.tableReady).lastIndexOf(true)
  const optional = project.line
    .slice(stopLine < 0 ? project.line.length : stopLine + 1)
    .filter((stage) => (left.get(stage.id) ?? 0) > 0)
    .sort((a, b) => (left.get(b.id) ?? 0) - (left.get(a.id) ?? 0))
    .slice(0, 3)
  return [
    { kind: 'one-more-session' },
    { kind: 'longer-sessions', bySeconds: halfAnHour },
    ...optional.map((stage): Offer => ({ kind: 'leave-out', stageId: stage.id })),
  ]
}

/** The project as it would be with the offer taken. */
export function takeOffer(project: Project, offer: Offer, now: Instant): Project {
  switch (offer.kind) {
    case 'one-more-session':
      return withOneMoreSession(project, now)
    case 'longer-sessions': {
      const longer = (seconds: Seconds) => Math.min(16 * 3600, seconds + offer.bySeconds) as Seconds
      return {
        ...project,
        evenings: { ...project.evenings, lengthSeconds: longer(project.evenings.lengthSeconds) },
        planning: {
          ...project.planning,
          painters: project.planning.painters.map((painter) => ({
            ...painter,
            rules: painter.rules.map((rule) => ({ ...rule, lengthSeconds: longer(rule.lengthSeconds) })),
          })),
        },
      }
    }
    case 'leave-out':
      return { ...project, line: project.line.filter((stage) => stage.id !== offer.stageId) }
  }
}

/** A session for the first painter on the first day without one that is no day off, at the usual hours. */
function withOneMoreSession(project: Project, now: Instant): Project {
  const { evenings, planning } = project
  const [first, ...others] = planning.painters
  if (!first) return project
  const { timeZone } = evenings
  const usual = first.rules[0] ?? evenings
  const taken = new Set(
    painterSessions(first, evenings, now, 30).sessions.map((session) =>
      localDateAt(session.startsAt, timeZone),
    ),
  )
  const isOff = (date: LocalDate) => first.off.some(({ from, until }) => from <= date && date <= until)
  let on = addDays(localDateAt(now, timeZone), 1)
  while (taken.has(on) || isOff(on)) on = addDays(on, 1)
  const extra = [...first.extra, { on, at: usual.startsAt, lengthSeconds: usual.lengthSeconds }]
  return { ...project, planning: { ...planning, painters: [{ ...first, extra }, ...others] } }
}

/**
 * The forecast of a project's plan. `null` without a plan, and where not all of it finds a place.
 * @param wish with the plan that is shown as `before` it is that very plan whose futures are drawn.
 */
export function forecastFigures(figures: Figures, wish: OddsWish = {}): FinishForecast | null {
  const { futures = usualFutures, effort = usualEffort, ...planning } = wish
  const solved = solveLine(planningOf(figures, { ...planning, effort, spare: true }))
  if (!solved.ok || unplannedUnits(solved.value.plan).size > 0) return null
  const { estimate } = figures
  return forecastFinish({ solved: solved.value, estimate, futures, seed: wish.seed ?? 1 })
}

/** The same with the offer taken: planned anew, beginning with the plan before, and drawn anew with the same seed. */
export function tryOffer(figures: Figures, offer: Offer, wish: OddsWish = {}): FinishForecast | null {
  const project = takeOffer(figures.project, offer, figures.now)
  return forecastFigures(figures.changed({ project }), wish)
}
