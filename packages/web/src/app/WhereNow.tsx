import { painterSessions } from '@seriatim/core/calendar'
import { instant } from '@seriatim/core/units'
import { Navigate } from 'react-router'
import { clockNow } from '../shared/clock.ts'
import { usePainterHere } from '../shared/device.ts'
import { useCurrentProject } from '../shared/project/index.ts'

/** Where a project opens: at what is missing, in a session at the bench, else at the plan. */
export function WhereNow() {
  const project = useCurrentProject()
  const here = usePainterHere(project)
  if (project.units.length === 0) return <Navigate to="roster" replace />
  if (project.line.length === 0) return <Navigate to="recipe" replace />
  const now = instant(clockNow())
  const painter = project.planning.painters.find((each) => each.id === here)
  const [next] = painter ? painterSessions(painter, project.evenings, now, 1).sessions : []
  return <Navigate to={next && next.startsAt <= now ? 'bench' : 'plan'} replace />
}

const key = 'seriatim.project'

/** The project that was open last on this device; `null` when none was, or the browser keeps nothing. */
export function lastProject(): string | null {
  const id = localStorage.getItem(key)
  return id !== null && /^[0-9a-f-]{36}$/.test(id) ? id : null
}

export function rememberProject(id: string | null): void {
  try {
    if (id === null) localStorage.removeItem(key)
    else localStorage.setItem(key, id)
  } catch {
    // A full storage is told of by the outbox.
  }
}

/** The application opens on the project that was open last; all of them are one click away. */
export function Start() {
  const id = lastProject()
  return <Navigate to={id === null ? '/projects' : `/projects/${id}`} replace />
}
