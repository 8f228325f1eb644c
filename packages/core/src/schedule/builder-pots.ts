import type { BuilderState } from './builder-state.ts'
import type { PlanInstance, PlanWay } from './instance.ts'

/** Which pots are open, and what lies on the palettes. */
export interface BuilderPots {
  readonly isOpen: (painter: number, way: PlanWay, session: number) => boolean
  readonly isOnPalette: (painter: number, way: PlanWay, session: number) => boolean
  readonly setUpOf: (painter: number, way: PlanWay, session: number) => number
}

export function builderPots(instance: PlanInstance, state: BuilderState): BuilderPots {
  const closes = instance.potsCloseBetweenSessions
  const { family, familySession, onPalette } = state

  function isOpen(painter: number, way: PlanWay, session: number): boolean {
    return family[painter] === way.family && (!closes || familySession[painter] === session)
  }

  /** Brought on to the palette in this session, and not dry yet. */
  function isOnPalette(painter: number, way: PlanWay, session: number): boolean {
    if (way.again >= way.setUp) return false
    const since = onPalette[painter * state.families + way.family] ?? 0
    return closes ? since === session + 1 : since > 0
  }

  function setUpOf(painter: number, way: PlanWay, session: number): number {
    if (isOpen(painter, way, session)) return 0
    return isOnPalette(painter, way, session) ? way.again : way.setUp
  }

  return { isOpen, isOnPalette, setUpOf }
}
