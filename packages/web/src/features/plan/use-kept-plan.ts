import { localDateAt } from '@seriatim/core/calendar'
import { keepPlan, type KeptPlan, type LinePlan } from '@seriatim/core/plan'
import type { Project } from '@seriatim/core/trade'
import type { Instant } from '@seriatim/core/units'
import { useEffect, useMemo } from 'react'

interface Shelf {
  /** The last plan of an earlier day. */
  readonly earlier: KeptPlan | null
  readonly latest: KeptPlan
}

const keyOf = (project: Pick<Project, 'id'>) => `seriatim.plan.${project.id}`

/**
 * The plan of the last day before today on which one was made in this browser; and the present one is kept for
 * another day. What the browser refuses to keep is not compared.
 */
export function useKeptPlan(project: Project, plan: LinePlan | null, now: Instant): KeptPlan | null {
  const { timeZone } = project.evenings
  const today = localDateAt(now, timeZone)
  const key = keyOf(project)
  const earlier = useMemo(() => {
    const kept = read(key)
    if (!kept) return null
    return localDateAt(kept.latest.takenAt, timeZone) < today ? kept.latest : kept.earlier
  }, [key, timeZone, today])
  useEffect(() => {
    if (!plan) return
    const latest = keepPlan(plan, now)
    write(key, { earlier, latest })
  }, [plan, now, key, earlier])
  return earlier
}

function read(key: string): Shelf | null {
  try {
    return JSON.parse(localStorage.getItem(key) ?? 'null') as Shelf | null
  } catch {
    return null
  }
}

function write(key: string, shelf: Shelf): void {
  try {
    localStorage.setItem(key, JSON.stringify(shelf))
  } catch {
    // No room: there is nothing to compare with tomorrow.
  }
}
