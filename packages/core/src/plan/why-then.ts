import { meansBatch, type Project, regionsMeet, touchedRegions } from '../trade/index.ts'
import type { LinePlan, Stretch } from './line-plan.ts'

/** Why a stretch begins when it does, and not sooner. */
export type WhyThen =
  /** The plan has it pinned to its session. */
  | { readonly kind: 'pinned' }
  /** It was left for this session: in the one before there was only a wait left for it. */
  | { readonly kind: 'put-off' }
  /** It opens its painter's session. */
  | { readonly kind: 'opens-session' }
  /** Its models, or what lies under it, were wet until then. */
  | { readonly kind: 'wet'; readonly after: Stretch }
  /** The hands were at this before. */
  | { readonly kind: 'hands'; readonly after: Stretch }
  /** Something else held it: a station, the spray hours, the rack. */
  | { readonly kind: 'held' }

export function whyThen(
  plan: LinePlan,
  project: Pick<Project, 'line' | 'planning'>,
  stretch: Stretch,
): WhyThen {
  const isPinned = project.planning.pins.some(
    (pin) =>
      stretch.touchUp === null &&
      pin.stageId === stretch.stageId &&
      meansBatch(pin.batchId, stretch.batchId, plan.batches),
  )
  if (isPinned) return { kind: 'pinned' }
  if (stretch.putOff) return { kind: 'put-off' }
  const session = plan.sessions[stretch.session]
  if (session && stretch.startsAt <= session.startsAt) return { kind: 'opens-session' }
  const before = plan.stretches.filter(
    (each) => each.painter === stretch.painter && each.endsAt <= stretch.startsAt,
  )
  const last = before.reduce<Stretch | null>(
    (latest, each) => (latest && latest.endsAt > each.endsAt ? latest : each),
    null,
  )
  if (last && last.endsAt === stretch.startsAt) return { kind: 'hands', after: last }
  const regionsOf = (of: Stretch) => {
    const stage = project.line.find((each) => each.id === of.stageId)
    return stage ? touchedRegions(stage.touch) : 'whole'
  }
  const own = regionsOf(stretch)
  const wet = plan.stretches
    .filter((each) => each.batchId === stretch.batchId && each.endsAt <= stretch.startsAt)
    .filter((each) => regionsMeet(regionsOf(each), own) && each.dryAt > each.endsAt)
    .reduce<Stretch | null>((latest, each) => (latest && latest.dryAt > each.dryAt ? latest : each), null)
  return wet ? { kind: 'wet', after: wet } : { kind: 'held' }
}
