import { demoProjectId, type Hand, type ProjectSummary } from '@seriatim/contract'
import { estimateLine, timesOf, workLeft, type LineEstimate } from '@seriatim/core/estimating'
import { lessonsOf, type Progress, type ProgressLog } from '@seriatim/core/progress'
import { countModels, potOf, type Material, type Project } from '@seriatim/core/trade'
import type { Instant, MaterialId, ProjectId } from '@seriatim/core/units'
import { eq, inArray, sql } from 'drizzle-orm'
import type { Database } from '../../db/client.ts'
import { project, projectSummary } from '../../db/schema/project.ts'
import { RequestProblem } from '../../http/problem.ts'
import { beginLog } from '../progress/kept-log.ts'
import { readEventsAfter } from '../progress/repository.ts'
import { readShelf } from '../shelf/service.ts'
import { requireProject } from './service.ts'

type Shelf = ReadonlyMap<MaterialId, Material>

interface Standing {
  readonly id: ProjectId
  readonly madeOf: string
  readonly isFresh: boolean
  /** Whether anybody recorded anything at it. */
  readonly isBegun: boolean
}

interface Kept {
  readonly log: ProgressLog
  last: number
}

/** The last working out of a project. */
interface Made {
  readonly madeOf: string
  /** The turn in which it was finished. */
  finished: number
  done: Promise<void>
}

type Taught = Pick<Hand, 'elsewhere' | 'lessons'>

/** So many lessons of one project are told in others, the most frequent. */
const lessonsTold = 100

/** So many logs are kept read, the last used. */
const logsKept = 12

/**
 * What is said of a project without opening it: kept in the database, and made anew only when the project, its log or
 * the shelf changed. Logs that were read are kept and read on from where they ended.
 */
export function createSummaries(db: Database, now: () => Instant) {
  const logs = new Map<ProjectId, Kept>()
  const made = new Map<ProjectId, Made>()
  /** Orders who asked and what was finished. */
  let turn = 0

  /** What every model has behind it, as the log tells. */
  async function progressOf(id: ProjectId) {
    const kept = logs.get(id) ?? (await beginLog(db, id))
    logs.delete(id)
    logs.set(id, kept)
    for (const oldest of [...logs.keys()].slice(0, Math.max(0, logs.size - logsKept))) logs.delete(oldest)
    const fresh = await readEventsAfter(db, id, kept.last)
    kept.log.add(fresh.map((each) => each.event))
    kept.last = fresh.at(-1)?.number ?? kept.last
    return kept.log.read()
  }

  async function estimateOf(id: ProjectId, shelf: Shelf) {
    const project = await requireProject(db, id)
    const progress = await progressOf(id)
    return { project, progress, estimate: estimateLine({ project, shelf, progress, now: now() }) }
  }

  async function shelfNow(): Promise<Shelf> {
    return new Map((await readShelf(db)).map((material) => [material.id, material]))
  }

  /** What is said of a project, and what it teaches others. */
  async function refresh({ id, madeOf }: Standing, shelf: Shelf): Promise<void> {
    const { project, progress, estimate } = await estimateOf(id, shelf)
    const left = workLeft(project, progress, timesOf(estimate))
    const summary: Omit<ProjectSummary, 'finish' | 'commission'> = {
      id,
      name: project.name,
      dueOn: project.dueOn,
      models: countModels(project),
      modelsTableReady: left.modelsTableReady,
      stages: project.line.length,
      totalSeconds: left.totalSeconds,
      leftSeconds: left.leftSeconds,
    }
    const made = {
      madeOf,
      summary,
      times: timesTaught(project, estimate),
      lessons: lessonsTaught(project, progress),
    }
    await db
      .insert(projectSummary)
      .values({ projectId: id, ...made })
      .onConflictDoUpdate({ target: [projectSummary.studioId, projectSummary.projectId], set: made })
  }

  /**
   * Whoever asks meanwhile waits for the same working out, and so does who had asked when it was not finished yet: a
   * change of the shelf makes every project stale at once.
   */
  function refreshOnce(stale: Standing, shelf: Shelf, asked: number): Promise<void> {
    const known = made.get(stale.id)
    if (known?.madeOf === stale.madeOf && asked < known.finished) return known.done
    const making: Made = { madeOf: stale.madeOf, finished: Number.POSITIVE_INFINITY, done: Promise.resolve() }
    made.set(stale.id, making)
    making.done = refresh(stale, shelf).then(
      () => {
        making.finished = turn += 1
      },
      (error: unknown) => {
        if (made.get(stale.id) === making) made.delete(stale.id)
        throw error
      },
    )
    return making.done
  }

  /** All projects, the oldest first, and whether what is kept of them still holds. */
  async function standing(): Promise<readonly Standing[]> {
    const { rows } = await db.execute<Standing & Record<string, unknown>>(sql`
      with shelf as (
        select coalesce(sum(hashtextextended(document::text, 0)), 0) as stamp from material where removed_at is null
      ), now as (
        select project.id, project.created_at, log.last, concat_ws('/', project.revision, log.last, shelf.stamp) as made_of
        from project, shelf, lateral (
          select max(sequence) as last from progress_event where project_id = project.id
        ) as log
        where project.removed_at is null
      )
      select now.id, now.made_of as "madeOf", now.last is not null as "isBegun",
        now.made_of is not distinct from kept.made_of and kept.times is not null and kept.lessons is not null as "isFresh"
      from now left join project_summary as kept on kept.project_id = now.id
      order by now.created_at, now.id`)
    return rows
  }

  async function freshened(only: (each: Standing) => boolean = () => true): Promise<readonly ProjectId[]> {
    const asked = (turn += 1)
    const all = (await standing()).filter(only)
    const stale = all.filter((each) => !each.isFresh)
    const gone = new Set<ProjectId>()
    if (stale.length > 0) {
      const shelf = await shelfNow()
      for (const each of stale)
        await refreshOnce(each, shelf, asked).catch((error: unknown) => {
          // Put away since it was found to stand here.
          if (!(error instanceof RequestProblem && error.kind === 'not-found')) throw error
          gone.add(each.id)
        })
    }
    return all.map(({ id }) => id).filter((id) => !gone.has(id))
  }

  async function list(): Promise<ProjectSummary[]> {
    const order = await freshened()
    const rows = await db
      .select({ summary: projectSummary.summary, finish: project.finish, commission: project.commission })
      .from(projectSummary)
      .innerJoin(project, eq(project.id, projectSummary.projectId))
    const byId = new Map(
      rows.map(({ summary, finish, commission }) => [summary.id, { ...summary, finish, commission }]),
    )
    return order.flatMap((id) => byId.get(id) ?? [])
  }

  /**
   * What every project but this one and the demo teaches: the demo's times are no painter's, and where nothing was recorded
   * there is nothing to teach.
   */
  async function taughtBeside(except: ProjectId): Promise<Taught> {
    const ids = await freshened(({ id, isBegun }) => isBegun && id !== except && id !== demoProjectId)
    const rows = await db
      .select({
        id: projectSummary.projectId,
        elsewhere: projectSummary.times,
        lessons: projectSummary.lessons,
      })
      .from(projectSummary)
      .where(inArray(projectSummary.projectId, [...ids]))
    const byId = new Map(rows.map((row) => [row.id, row]))
    return {
      elsewhere: ids.flatMap((id) => byId.get(id)?.elsewhere ?? []),
      lessons: ids.flatMap((id) => byId.get(id)?.lessons ?? []),
    }
  }

  /** The project with how it stands, as the list and a client are told. */
  const standingOf = async (id: ProjectId) => estimateOf(id, await shelfNow())

  return { list, taughtBeside, standingOf, progressOf }
}

function timesTaught(project: Project, { observed }: LineEstimate): Hand['elsewhere'] {
  const unitName = new Map(project.units.map((unit) => [unit.id, unit.name]))
  const stageName = new Map(project.line.map((stage) => [stage.id, stage.name]))
  return observed
    .filter((time) => time.silent === null)
    .map((time) => ({
      eventId: time.eventId,
      project: project.name,
      unit: unitName.get(time.unitId) ?? '',
      stages: time.stageIds.map((stage) => stageName.get(stage) ?? ''),
      at: time.at,
      technique: time.technique,
      size: time.size,
      models: time.models,
      countedSeconds: time.countedSeconds,
      expectedSeconds: time.expectedSeconds,
      observations: time.observations,
    }))
}

function lessonsTaught(project: Project, progress: Progress): Hand['lessons'] {
  const named = new Set(project.line.filter(({ material }) => material.trim() !== '').map(potOf))
  return lessonsOf(project, progress)
    .filter(({ pot }) => named.has(pot))
    .slice(0, lessonsTold)
    .map(({ stageId: _, ...lesson }) => ({ project: project.name, ...lesson }))
}

export type Summaries = ReturnType<typeof createSummaries>
