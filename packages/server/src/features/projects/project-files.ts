import {
  projectFileSchema,
  renumberProjectFile,
  type ProjectFile,
  type ProjectFileJson,
  type StoredProject,
} from '@seriatim/contract'
import { materialsOf, withMaterials, type Instant, type ProgressEvent, type ProjectId } from '@seriatim/core'
import { v7 } from 'uuid'
import { z } from 'zod'
import type { Database } from '../../db/client.ts'
import { RequestProblem } from '../../http/problem.ts'
import { appendEvents, readEvents } from '../progress/repository.ts'
import { mergeIntoShelf, readShelf } from '../shelf/service.ts'
import { writeLine } from './line-rows.ts'
import { writeRecipes } from './recipe-rows.ts'
import * as rows from './repository.ts'
import { refuseForeign, requireProject } from './service.ts'
import { writeUnit } from './unit-rows.ts'

/** Loads a project file; `copy` gives it ids of its own beside the one that is here already. */
export async function importProject(db: Database, file: ProjectFile, copy: boolean): Promise<StoredProject> {
  const own = copy ? renumberProjectFile(file, () => v7()) : file
  const { id, units, recipes, line, ...settings } = own.project
  return db.transaction(async (tx) => {
    if (await rows.isProjectIdTaken(tx, id)) {
      throw new RequestProblem(
        'project-exists',
        'A project with this id is here already. It can be loaded as a copy.',
      )
    }
    await rows.insertProject(tx, id, settings)
    await refuseForeign(tx, id, {
      units: units.map((unit) => unit.id),
      models: units.flatMap((unit) => unit.models.map((model) => model.id)),
      stages: line.map((stage) => stage.id),
    })
    for (const [position, unit] of units.entries()) await writeUnit(tx, id, unit, position)
    const onShelf = await mergeIntoShelf(tx, own.shelf)
    await writeRecipes(
      tx,
      id,
      recipes.map((recipe) => withMaterials(recipe, (id) => onShelf.get(id) ?? id)),
    )
    await writeLine(tx, id, line)
    await appendEvents(tx, id, own.events)
    return requireProject(tx, id)
  })
}

/** The whole project as a file; what speaks only of removed models or stages is left out. */
export async function exportProject(db: Database, id: ProjectId, now: Instant): Promise<ProjectFileJson> {
  const { revision: _, ...project } = await requireProject(db, id)
  const stages = new Set(project.line.map((stage) => stage.id))
  const models = new Set(project.units.flatMap((unit) => unit.models.map((model) => model.id)))
  const kept = new Set<string>()
  const events: ProgressEvent[] = []
  for (const event of await readEvents(db, id)) {
    const known = withoutRemoved(event, stages, models, kept)
    if (!known) continue
    kept.add(known.id)
    events.push(known)
  }
  const used = new Set(project.recipes.flatMap((recipe) => [...materialsOf(recipe)]))
  const shelf = (await readShelf(db))
    .filter((material) => used.has(material.id))
    .sort((a, b) => (a.id < b.id ? -1 : 1))
  const file = { format: 'seriatim-project', version: 1, writtenAt: now, shelf, project, events }
  return z.encode(projectFileSchema, file as ProjectFile)
}

function withoutRemoved(
  event: ProgressEvent,
  stages: ReadonlySet<string>,
  models: ReadonlySet<string>,
  kept: ReadonlySet<string>,
): ProgressEvent | null {
  if ('targetId' in event) return kept.has(event.targetId) ? event : null
  const modelIds = event.modelIds.filter((id) => models.has(id))
  if (modelIds.length === 0) return null
  if (event.kind === 'milestone') {
    const stageIds = event.stageIds.filter((id) => stages.has(id))
    return stageIds.length > 0 ? { ...event, stageIds, modelIds } : null
  }
  return stages.has(event.stageId) ? { ...event, modelIds } : null
}
