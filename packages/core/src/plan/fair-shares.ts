import { type Instant, type PainterId, seconds, type Seconds } from '../units/index.ts'
import type { LaidPlan } from './line-plan.ts'

/** What a plan gives one painter to do, against an even share. */
export interface FairShare {
  readonly id: PainterId
  readonly name: string
  readonly workSeconds: Seconds
  /** Own sessions from now until all is done. */
  readonly deskSeconds: Seconds
  /** What would be this one's, were everybody's hours at the desk equally full. */
  readonly evenSeconds: Seconds
}

/** @returns one for each painter of the plan, in its order; where nobody has a session, every even share is nothing. */
export function fairShares(
  { painters, sessions, finishesAt }: Pick<LaidPlan, 'painters' | 'sessions' | 'finishesAt'>,
  now: Instant,
): readonly FairShare[] {
  const deskSeconds = painters.map((_, painter) =>
    sessions.reduce((sum, session) => {
      if (session.painter !== painter) return sum
      const open = Math.min(session.endsAt, finishesAt) - Math.max(session.startsAt, now)
      return sum + Math.max(0, open) / 1000
    }, 0),
  )
  const allWork = painters.reduce((sum, { handsOnSeconds }) => sum + handsOnSeconds, 0)
  const allDesk = deskSeconds.reduce((sum, each) => sum + each, 0)
  return painters.map(({ id, name, handsOnSeconds }, painter) => {
    const own = deskSeconds[painter] ?? 0
    return {
      id,
      name,
      workSeconds: handsOnSeconds,
      deskSeconds: seconds(Math.round(own)),
      evenSeconds: seconds(allDesk === 0 ? 0 : Math.round((allWork * own) / allDesk)),
    }
  })
}
