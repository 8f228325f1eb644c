import type { EventId } from '../units/index.ts'

/**
 * Which events are taken back. An undo counts whenever its target is known, whatever its clock said; one that is
 * itself taken back does not count; undos that aim at each other in a circle are void. The answer does not depend on
 * the order in which undos are told.
 */
export interface TakenBack {
  readonly isTaken: (id: EventId) => boolean
  /** An undo in a circle of undos. */
  readonly isVoid: (id: EventId) => boolean
  /** @returns the events whose standing changed; the undo's own standing may be among them. */
  readonly addUndo: (id: EventId, targetId: EventId) => readonly EventId[]
}

export function createTakenBack(): TakenBack {
  const targetOf = new Map<EventId, EventId>()
  const standingUndos = new Map<EventId, number>()
  const voided = new Set<EventId>()
  const isTaken = (id: EventId) => (standingUndos.get(id) ?? 0) > 0

  /** The undos from `start` on, each aiming at the next, where they come back to it. */
  function circleFrom(start: EventId): readonly EventId[] {
    const seen = new Set<EventId>()
    let at: EventId | undefined = start
    while (at !== undefined && !seen.has(at)) {
      seen.add(at)
      at = targetOf.get(at)
    }
    return at === start ? [...seen] : []
  }

  function addUndo(id: EventId, targetId: EventId): readonly EventId[] {
    if (targetOf.has(id)) return []
    targetOf.set(id, targetId)
    const circle = circleFrom(id)
    if (circle.length > 0) {
      for (const each of circle) voided.add(each)
      return circle
    }
    const changed: EventId[] = []
    const passed = new Set<EventId>([id])
    let counts = !isTaken(id)
    let target: EventId | undefined = targetId
    // Each change of standing passes on along the chain: a redo stands its target up, which lays the next down.
    let change = 1
    while (counts && target !== undefined && !passed.has(target) && !voided.has(target)) {
      passed.add(target)
      const before = isTaken(target)
      standingUndos.set(target, (standingUndos.get(target) ?? 0) + change)
      counts = isTaken(target) !== before
      if (!counts) break
      changed.push(target)
      change = isTaken(target) ? -1 : 1
      target = targetOf.get(target)
    }
    return changed
  }

  return { isTaken, isVoid: (id) => voided.has(id), addUndo }
}
