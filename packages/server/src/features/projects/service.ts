import type {
  LoggedChange,
  NewChange,
  ProjectSettings,
  ProjectSummary,
  StoredProject,
} from '@seriatim/contract'
import {
  applyChange,
  commandsBetween,
  sameJson,
  withoutDangling,
  type CommandVerdict,
  touchedBy,
} from '@seriatim/core/changes'
import { asksForLine, followLine } from '@seriatim/core/ordering'
import type { Shelf } from '@seriatim/core/recipe'
import type { ProjectId } from '@seriatim/core/units'
import { v5 } from 'uuid'
import type { Database } from '../../db/client.ts'
import { tellNews } from '../../db/news.ts'
import { RequestProblem } from '../../http/problem.ts'
import { readShelf } from '../shelf/service.ts'
import * as changes from './change-rows.ts'
import { checkProject } from './check-project.ts'
import { foreignIds } from './foreign-ids.ts'
import * as rows from './repository.ts'
import { writeProject } from './write-project.ts'

const noSuchProject = () => new RequestProblem('not-found', 'There is no such project here.')

export async function requireProject(db: Database, id: ProjectId): Promise<StoredProject> {
  const found = await rows.readProject(db, id)
  if (!found) throw noSuchProject()
  return withoutDangling(found)
}

/** Nothing else of the project is loaded. */
export async function requireRevision(db: Database, id: ProjectId): Promise<number> {
  const revision = await rows.readRevision(db, id)
  if (revision === null) throw noSuchProject()
  return revision
}

/** Making a project whose id exists gives that one back, so a repeated send is harmless. */
export async function createProject(
  db: Database,
  id: ProjectId,
  settings: ProjectSettings,
): Promise<StoredProject> {
  await rows.insertProject(db, id, settings)
  return requireProject(db, id)
}

interface Changed {
  readonly verdicts: readonly CommandVerdict[]
  readonly project: StoredProject
}

/**
 * Carries a change out in one transaction, and once, however often it is sent. Commands on what others changed since
 * `base` are refused, each by itself; a change that would leave the project wrong is refused whole. `signedBy`: what whoever
 * signed in is called.
 */
export async function changeProject(
  db: Database,
  id: ProjectId,
  change: NewChange,
  signedBy: string | null,
): Promise<Changed> {
  return db.transaction(async (tx) => {
    const revision = await rows.lockProject(tx, id)
    if (revision === null) throw noSuchProject()
    const before = await changes.readChange(tx, change.id)
    if (before) {
      if (before.projectId !== id || !sameJson(before.commands, change.commands))
        throw new RequestProblem('id-reused', 'This id is taken by another change.')
      return { verdicts: before.verdicts, project: await requireProject(tx, id) }
    }
    const start = await requireProject(tx, id)
    // Whoever saw more revisions than there are saw what was lost by a restore: nothing it meant to replace is known here.
    const touched = change.base > revision ? everythingOf(change) : await changes.touchedSince(tx, id, change)
    const asked = applyChange(start, change.commands, touched)
    const { verdicts } = asked
    if (asked.touched.length === 0) return { verdicts, project: start }
    const isOfShelf = asked.project.recipes !== start.recipes || asksForLine(start, asked.project)
    const shelf = new Map((isOfShelf ? await readShelf(tx) : []).map((each) => [each.id, each]))
    const followed = lineAfter(start, asked.project, shelf)
    const next = { ...followed.project, revision: revision + 1 }
    checkProject(start, next, (material) => shelf.has(material))
    await refuseForeign(tx, id, start, next)
    await writeProject(tx, start, next)
    await rows.setRevision(tx, id, next.revision)
    await changes.keepChange(tx, id, {
      change,
      signedBy,
      revision: next.revision,
      verdicts,
      undo: [...followed.undo, ...asked.undo],
      touched: [...asked.touched, ...followed.touched],
    })
    await tellNews(tx, id, change.device)
    return { verdicts, project: await requireProject(tx, id) }
  })
}

/** Paths that all its commands meet. */
function everythingOf({ commands }: NewChange): ReadonlySet<string> {
  return new Set(commands.map((each) => (each.kind === 'take' ? `${touchedBy(each)}.` : touchedBy(each))))
}

/** The line follows the recipes within the change that they are changed by: whoever takes it back has both as before. */
function lineAfter(start: StoredProject, carried: StoredProject, shelf: Shelf) {
  const line = asksForLine(start, carried)
    ? followLine(withoutDangling(start), withoutDangling(carried), shelf, (name) => v5(name, start.id))
    : null
  const commands = line ? commandsBetween(carried, { ...carried, line }) : []
  return applyChange(carried, commands, new Set())
}

export async function readChanges(
  db: Database,
  id: ProjectId,
  before: number | undefined,
): Promise<readonly LoggedChange[]> {
  await requireRevision(db, id)
  return changes.readChanges(db, id, before)
}

/** What is new in the project may not be another project's. */
export async function refuseForeign(
  db: Database,
  id: ProjectId,
  before: Pick<StoredProject, 'units' | 'line' | 'recipes'>,
  after: Pick<StoredProject, 'units' | 'line' | 'recipes'>,
): Promise<void> {
  const fresh = <T>(list: readonly T[], known: readonly T[]) => list.filter((each) => !known.includes(each))
  const units = fresh(after.units, before.units)
  const [foreign] = await foreignIds(db, id, {
    units: units.map((unit) => unit.id),
    models: units.flatMap((unit) => unit.models.map((model) => model.id)),
    stages: fresh(after.line, before.line).map((stage) => stage.id),
    recipes: fresh(after.recipes, before.recipes).map((recipe) => recipe.id),
  })
  if (foreign) throw new RequestProblem('unknown-reference', `The id ${foreign} belongs to another project.`)
}

/** Removed projects keep everything and can come back. */
/** Keeps what a page worked out of the project's end; it is no change of the project. */
export async function sayFinish(
  db: Database,
  id: ProjectId,
  finish: NonNullable<ProjectSummary['finish']>,
): Promise<void> {
  if (!(await rows.writeFinish(db, id, finish))) throw noSuchProject()
}

export async function setProjectRemoved(db: Database, id: ProjectId, removed: boolean): Promise<void> {
  if (!(await rows.isProjectIdTaken(db, id))) throw noSuchProject()
  await rows.removeProject(db, id, removed)
}
