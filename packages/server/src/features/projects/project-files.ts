import { renumberProjectFile, type ProjectFile, type StoredProject } from '@seriatim/contract'
import { namedBy, type ProgressEvent } from '@seriatim/core/progress'
import { followLine } from '@seriatim/core/ordering'
import { materialsOf, withMaterials } from '@seriatim/core/recipe'
import type { Instant, ProjectId } from '@seriatim/core/units'
import { v5, v7 } from 'uuid'
import type { Database } from '../../db/client.ts'
import { RequestProblem } from '../../http/problem.ts'
import { appendEvents, lockLog, readEventsAfter, readEventsById } from '../progress/repository.ts'
import { mergeIntoShelf, readShelf } from '../shelf/service.ts'
import { writeLine } from './line-rows.ts'
import { writeRecipes } from './recipe-rows.ts'
import * as rows from './repository.ts'
import { refuseForeign, requireProject } from './service.ts'
import { writeUnit } from './unit-rows.ts'

const eventsAtOnce = 5000

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
    await refuseForeign(tx, id, { units: [], line: [], recipes: [] }, own.project)
    await refuseTakenEvents(tx, own.events)
    for (const [position, unit] of units.entries()) await writeUnit(tx, id, unit, position)
    const onShelf = await mergeIntoShelf(tx, own.shelf)
    await writeRecipes(
      tx,
      id,
      [],
      recipes.map((recipe) => withMaterials(recipe, (id) => onShelf.get(id) ?? id)),
    )
    const shelf = new Map((await readShelf(tx)).map((each) => [each.id, each]))
    const bare = { ...own.project, units: [], recipes: [] }
    const followed = line.length === 0 ? followLine(bare, own.project, shelf, (name) => v5(name, id)) : null
    await writeLine(tx, id, [], followed ?? line)
    await lockLog(tx, id)
    await appendEvents(
      tx,
      id,
      own.events.map((event) => ({ event, claimedAt: null })),
    )
    return requireProject(tx, id)
  })
}

async function refuseTakenEvents(db: Database, events: readonly ProgressEvent[]): Promise<void> {
  for (let from = 0; from < events.length; from += eventsAtOnce) {
    const [taken] = await readEventsById(
      db,
      events.slice(from, from + eventsAtOnce).map((event) => event.id),
    )
    if (taken) {
      throw new RequestProblem(
        'id-reused',
        `The record ${taken.event.id} is in another project already. The file can be loaded as a copy.`,
      )
    }
  }
}

/** The whole project as a file; what speaks only of removed models or stages is left out. */
export async function exportProject(db: Database, id: ProjectId, now: Instant): Promise<ProjectFile> {
  const { revision: _, ...project } = await requireProject(db, id)
  const stages = new Set(project.line.map((stage) => stage.id))
  const models = new Set(project.units.flatMap((unit) => unit.models.map((model) => model.id)))
  const kept = await readEventsAfter(db, id, 0)
  const used = new Set(project.recipes.flatMap((recipe) => [...materialsOf(recipe)]))
  const shelf = (await readShelf(db))
    .filter((material) => used.has(material.id))
    .sort((a, b) => (a.id < b.id ? -1 : 1))
  return {
    format: 'seriatim-project',
    version: 2,
    writtenAt: now,
    shelf,
    project,
    events: aimedOnly(kept.flatMap(({ event }) => withoutRemoved(event, stages, models) ?? [])),
  }
}

/** Without the events whose target, or its target in turn, is not there; a target may be told of later. */
function aimedOnly(events: readonly ProgressEvent[]): readonly ProgressEvent[] {
  let kept = events
  for (;;) {
    const ids = new Set(kept.map((event) => event.id))
    const next = kept.filter(
      (event) => !('targetId' in event) || (ids.has(event.targetId) && event.targetId !== event.id),
    )
    if (next.length === kept.length) return next
    kept = next
  }
}

/** The event without what it names that has left; `null` where nothing is left that it speaks of. */
function withoutRemoved(
  event: ProgressEvent,
  stages: ReadonlySet<string>,
  models: ReadonlySet<string>,
): ProgressEvent | null {
  const named = namedBy(event)
  if (named.targetId !== null || (named.modelIds.length === 0 && named.stageIds.length === 0)) return event
  const modelIds = named.modelIds.filter((id) => models.has(id))
  const stageIds = named.stageIds.filter((id) => stages.has(id))
  if (modelIds.length === 0 || (named.stageIds.length > 0 && stageIds.length === 0)) return null
  if (event.kind !== 'milestone') return { ...event, modelIds } as ProgressEvent
  const { waits, ...rest } = event
  const left = waits?.filter((wait) => stages.has(wait.stageId)) ?? []
  return { ...rest, stageIds, modelIds, ...(left.length > 0 ? { waits: left } : {}) }
}
