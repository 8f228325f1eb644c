import { pathText, type ProjectSettings, type ProjectSummary, type StoredProject } from '@seriatim/contract'
import {
  countModels,
  estimateLine,
  foldProgress,
  namedMaterials,
  timesOf,
  workLeft,
  type Instant,
  type ProjectId,
  type Recipe,
  type Stage,
  type Unit,
} from '@seriatim/core'
import type { Database } from '../../db/client.ts'
import { RequestProblem } from '../../http/problem.ts'
import { readEvents } from '../progress/repository.ts'
import { readShelf } from '../shelf/service.ts'
import { foreignIds, type IdsOf } from './foreign-ids.ts'
import { writeLine } from './line-rows.ts'
import { writeRecipes } from './recipe-rows.ts'
import * as rows from './repository.ts'
import { markUnitRemoved, writeUnit } from './unit-rows.ts'

export async function requireProject(db: Database, id: ProjectId): Promise<StoredProject> {
  const found = await rows.readProject(db, id)
  if (!found) throw new RequestProblem('not-found', 'There is no such project here.')
  return found
}

export async function listProjectIds(db: Database): Promise<readonly ProjectId[]> {
  return (await rows.listProjectRows(db)).map((row) => row.id)
}

export async function listProjects(db: Database, now: Instant): Promise<ProjectSummary[]> {
  const shelf = new Map((await readShelf(db)).map((material) => [material.id, material]))
  const summaries: ProjectSummary[] = []
  for (const id of await listProjectIds(db)) {
    const project = await requireProject(db, id)
    const progress = foldProgress(await readEvents(db, id))
    const left = workLeft(project, progress, timesOf(estimateLine({ project, shelf, progress, now })))
    summaries.push({
      id,
      name: project.name,
      dueOn: project.dueOn,
      models: countModels(project),
      modelsTableReady: left.modelsTableReady,
      stages: project.line.length,
      totalSeconds: left.totalSeconds,
      leftSeconds: left.leftSeconds,
    })
  }
  return summaries
}

/** Making a project whose id exists gives that one back, so a repeated send is harmless. */
export async function createProject(
  db: Database,
  id: ProjectId,
  settings: ProjectSettings,
): Promise<StoredProject> {
  if (!(await rows.isProjectIdTaken(db, id))) await rows.insertProject(db, id, settings)
  return requireProject(db, id)
}

/** One change at a time, made from the newest revision; gives the project as it then stands. */
async function change(
  db: Database,
  id: ProjectId,
  revision: number,
  write: (tx: Database) => Promise<void>,
): Promise<StoredProject> {
  await requireProject(db, id)
  return db.transaction(async (tx) => {
    if (!(await rows.takeRevision(tx, id, revision))) {
      throw new RequestProblem(
        'stale-revision',
        'This project was changed elsewhere meanwhile. The newest state is loaded; make the change again.',
      )
    }
    await write(tx)
    return requireProject(tx, id)
  })
}

export function changeSettings(db: Database, id: ProjectId, revision: number, settings: ProjectSettings) {
  return change(db, id, revision, (tx) => rows.updateSettings(tx, id, settings))
}

export function putUnit(db: Database, id: ProjectId, revision: number, unit: Unit) {
  return change(db, id, revision, async (tx) => {
    await refuseForeign(tx, id, {
      units: [unit.id],
      models: unit.models.map((model) => model.id),
      stages: [],
    })
    await writeUnit(tx, id, unit)
  })
}

export function removeUnit(db: Database, id: ProjectId, revision: number, unitId: Unit['id']) {
  return change(db, id, revision, async (tx) => {
    const project = await requireProject(tx, id)
    if (!project.units.some((unit) => unit.id === unitId)) {
      throw new RequestProblem('not-found', 'There is no such unit in this project.')
    }
    await markUnitRemoved(tx, unitId)
  })
}

export function putLine(db: Database, id: ProjectId, revision: number, line: readonly Stage[]) {
  return change(db, id, revision, async (tx) => {
    await refuseForeign(tx, id, { units: [], models: [], stages: line.map((stage) => stage.id) })
    const { units } = await requireProject(tx, id)
    const known = new Set(units.map((unit) => unit.id))
    // A unit that was removed meanwhile takes its exemptions with it.
    await writeLine(
      tx,
      id,
      line.map((stage) => ({
        ...stage,
        notNeededBy: stage.notNeededBy.filter((unitId) => known.has(unitId)),
        limits: stage.limits.filter(({ unitId }) => known.has(unitId)),
        typed: stage.typed.filter(({ unitId }) => known.has(unitId)),
      })),
    )
  })
}

/** Recipes may name any unit of the project and any material of the shelf. */
export function putRecipes(db: Database, id: ProjectId, revision: number, recipes: readonly Recipe[]) {
  return change(db, id, revision, async (tx) => {
    const { units } = await requireProject(tx, id)
    const known = new Set(units.map((unit) => unit.id))
    await refuseUnknownMaterials(tx, recipes)
    await writeRecipes(
      tx,
      id,
      recipes.map((recipe) => ({
        ...recipe,
        unitIds: recipe.unitIds.filter((unitId) => known.has(unitId)),
      })),
    )
  })
}

async function refuseUnknownMaterials(db: Database, recipes: readonly Recipe[]): Promise<void> {
  const shelf = new Set((await readShelf(db)).map((material) => material.id))
  const errors = recipes.flatMap((recipe, r) =>
    namedMaterials(recipe)
      .filter(({ id }) => !shelf.has(id))
      .map(({ path }) => ({
        path: pathText(['recipes', r, ...path]),
        message: 'This material is not on the shelf.',
      })),
  )
  if (errors.length > 0) {
    throw new RequestProblem('invalid-request', 'A mix names a material that is not on the shelf.', errors)
  }
}

export async function refuseForeign(db: Database, id: ProjectId, ids: IdsOf): Promise<void> {
  const [foreign] = await foreignIds(db, id, ids)
  if (foreign) throw new RequestProblem('unknown-reference', `The id ${foreign} belongs to another project.`)
}

/** Removed projects keep everything and can come back. */
export async function setProjectRemoved(db: Database, id: ProjectId, removed: boolean): Promise<void> {
  if (!(await rows.isProjectIdTaken(db, id)))
    throw new RequestProblem('not-found', 'There is no such project here.')
  await rows.removeProject(db, id, removed)
}
