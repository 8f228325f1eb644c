import { createHash } from 'node:crypto'
import {
  planBefore,
  demoProjectId,
  knownPace,
  type Hand,
  type ProjectFile,
  type ProjectSummary,
} from '@seriatim/contract'
import { staleAfter } from '@seriatim/core/air'
import { Figures, type LineEstimate } from '@seriatim/core/estimating'
import { lessonsOf, type Progress, type ProgressLog } from '@seriatim/core/progress'
import { countModels, potOf, type Material, type Project } from '@seriatim/core/trade'
import type { Instant, MaterialId, ProjectId } from '@seriatim/core/units'
import { eq, inArray, sql } from 'drizzle-orm'
import { LRUCache } from 'lru-cache'
import type { Database } from '../../db/client.ts'
import { project, projectSummary } from '../../db/schema/project.ts'
import { RequestProblem } from '../../http/problem.ts'
import { readAir } from '../air/service.ts'
import { readBroughtRates } from '../hand/repository.ts'
import { readPlan } from '../plans/repository.ts'
import { beginLog } from '../progress/kept-log.ts'
import { readEventsAfter } from '../progress/repository.ts'
import { readShelf } from '../shelf/service.ts'
import { requireProject } from './service.ts'

type Shelf = ReadonlyMap<MaterialId, Material>

interface Standing {
  readonly id: ProjectId
  readonly madeOf: string
  /** What its summary was made of. */
  readonly summaryOf: string | null
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

interface TimesStamp {
  readonly id: ProjectId
  readonly stamp: string
}

type Taught = Pick<Hand, 'elsewhere' | 'lessons'>

/** So many lessons of one project are told in others, the most frequent. */
const lessonsTold = 100

/** So many logs are kept read, the last used. */
const logsKept = 12

/**
 * What is said of a project without opening it, and what it teaches others: kept in the database, and made anew only when
 * something that it is made of changed. Logs that were read are kept and read on from where they ended.
 */
export function createSummaries(db: Database, now: () => Instant) {
  const logs = new LRUCache<ProjectId, Kept>({ max: logsKept })
  const made = new Map<string, Made>()
  /** Orders who asked and what was finished. */
  let turn = 0

  /** What every model has behind it, as the log tells. */
  async function progressOf(id: ProjectId) {
    const kept = logs.get(id) ?? (await beginLog(db, id))
    logs.set(id, kept)
    const fresh = await readEventsAfter(db, id, kept.last)
    kept.log.add(fresh.map((each) => each.event))
    kept.last = fresh.at(-1)?.number ?? kept.last
    return kept.log.read()
  }

  async function shelfNow(): Promise<Shelf> {
    return new Map((await readShelf(db)).map((material) => [material.id, material]))
  }

  /** What a project teaches others. */
  async function teach({ id, madeOf }: Standing, shelf: Shelf): Promise<void> {
    const project = await requireProject(db, id)
    const progress = await progressOf(id)
    const { estimate } = Figures.of({ project, shelf, progress, clock: now() })
    const made = {
      madeOf,
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
   * @param what is worked out. @param of what it is made of. @param asked the turn in which it was asked for.
   */
  function once(what: string, of: string, asked: number, work: () => Promise<void>): Promise<void> {
    const known = made.get(what)
    if (known?.madeOf === of && asked < known.finished) return known.done
    const making: Made = { madeOf: of, finished: Number.POSITIVE_INFINITY, done: Promise.resolve() }
    made.set(what, making)
    making.done = work().then(
      () => {
        making.finished = turn += 1
      },
      (error: unknown) => {
        if (made.get(what) === making) made.delete(what)
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
      select now.id, now.made_of as "madeOf", now.last is not null as "isBegun", kept.summary_of as "summaryOf",
        now.made_of is not distinct from kept.made_of and kept.times is not null and kept.lessons is not null as "isFresh"
      from now left join project_summary as kept on kept.project_id = now.id
      order by now.created_at, now.id`)
    return rows
  }

  /** Those of the projects that stand, each with what it teaches as it is. @param asked before it was read how they stand. */
  async function freshened(all: readonly Standing[], asked: number): Promise<readonly ProjectId[]> {
    const stale = all.filter((each) => !each.isFresh)
    if (stale.length === 0) return all.map(({ id }) => id)
    const shelf = await shelfNow()
    const gone = await makeEach(stale, (each) =>
      once(`lessons of ${each.id}`, each.madeOf, asked, () => teach(each, shelf)),
    )
    return all.map(({ id }) => id).filter((id) => !gone.has(id))
  }

  async function taughtBy(ids: readonly ProjectId[]): Promise<Taught> {
    const rows = await db
      .select({ id: projectSummary.projectId, times: projectSummary.times, lessons: projectSummary.lessons })
      .from(projectSummary)
      .where(inArray(projectSummary.projectId, [...ids]))
    const byId = new Map(rows.map((row) => [row.id, row]))
    return {
      // An earlier release kept the times without whose they are.
      elsewhere: ids.flatMap((id) => (byId.get(id)?.times ?? []).map((time) => ({ ...time, projectId: id }))),
      lessons: ids.flatMap((id) => byId.get(id)?.lessons ?? []),
    }
  }

  /** Tells what each teaches from what it taught before: a hole that nobody timed makes no other project's figures anew. */
  async function timesStamps(teaching: readonly Standing[]): Promise<readonly TimesStamp[]> {
    return db
      .select({ id: projectSummary.projectId, stamp: sql<string>`md5(${projectSummary.times}::text)` })
      .from(projectSummary)
      .where(
        inArray(
          projectSummary.projectId,
          teaching.map(({ id }) => id),
        ),
      )
      .orderBy(projectSummary.projectId)
  }

  /**
   * What every project but this one and the demo teaches: the demo's times are no painter's, and where nothing was recorded
   * there is nothing to teach.
   */
  async function taughtBeside(except: ProjectId): Promise<Taught> {
    const asked = (turn += 1)
    const others = (await standing()).filter((each) => teaches(each) && each.id !== except)
    return taughtBy(await freshened(others, asked))
  }

  /** All that the figures of any project are made of beside itself. */
  async function around() {
    const [shelf, readings, brought] = await Promise.all([
      shelfNow(),
      readAir(db, now()),
      readBroughtRates(db),
    ])
    return { shelf, readings, brought }
  }

  async function figuresWith(
    id: ProjectId,
    { shelf, readings, brought }: Awaited<ReturnType<typeof around>>,
    elsewhere: Hand['elsewhere'],
  ): Promise<Figures> {
    const project = await requireProject(db, id)
    const progress = await progressOf(id)
    const known = knownPace({ brought, elsewhere }, id)
    return Figures.of({ project, progress, shelf, readings, known, clock: now() })
  }

  /** The figures of a project as they are now. */
  async function figuresOf(id: ProjectId): Promise<Figures> {
    const { elsewhere } = await taughtBeside(id)
    return figuresWith(id, await around(), elsewhere)
  }

  /** Works out what is said of a project. */
  async function say(id: ProjectId, of: string, figures: () => Promise<Figures>): Promise<void> {
    const made = { summary: summaryOf(await figures()), summaryOf: of }
    await db
      .insert(projectSummary)
      .values({ projectId: id, madeOf: '', ...made })
      .onConflictDoUpdate({ target: [projectSummary.studioId, projectSummary.projectId], set: made })
  }

  /** What else the figures of a project are made of, for whoever takes it away in a file. */
  async function aroundOf(id: ProjectId): Promise<NonNullable<ProjectFile['around']>> {
    const [{ elsewhere }, { brought, readings }] = await Promise.all([taughtBeside(id), around()])
    const [{ revision }, kept] = [await requireProject(db, id), await readPlan(db, id)]
    const since = now() - staleAfter
    const before = planBefore(kept, revision)
    return {
      plan:
        kept && before
          ? { batches: kept.batches, stretches: kept.stretches, asFound: before.asFound ?? null }
          : null,
      readings: readings.filter(({ at }) => at >= since),
      pace: knownPace({ brought, elsewhere }, id),
    }
  }

  async function list(): Promise<ProjectSummary[]> {
    const asked = (turn += 1)
    const all = await standing()
    const order = await freshened(all.filter(teaches), asked).then((taught) => {
      const stands = new Set(taught)
      return all.filter((each) => !teaches(each) || stands.has(each.id))
    })
    const given = await around()
    const stampOf = stampsOf(await timesStamps(order.filter(teaches)), given.brought, now())
    const stale = order.filter((each) => each.summaryOf !== stampOf(each))
    const taught =
      stale.length > 0 ? (await taughtBy(order.filter(teaches).map(({ id }) => id))).elsewhere : []
    const gone = await makeEach(stale, (each) => {
      const of = stampOf(each)
      const figures = () => figuresWith(each.id, given, taught)
      return once(`summary of ${each.id}`, of, asked, () => say(each.id, of, figures))
    })
    const rows = await db
      .select({
        id: projectSummary.projectId,
        summary: projectSummary.summary,
        finish: project.finish,
        commission: project.commission,
      })
      .from(projectSummary)
      .innerJoin(project, eq(project.id, projectSummary.projectId))
    const byId = new Map(
      rows.flatMap(({ id, summary, finish, commission }) =>
        summary ? [[id, { ...summary, finish, commission }] as const] : [],
      ),
    )
    return order.flatMap(({ id }) => (gone.has(id) ? [] : (byId.get(id) ?? [])))
  }

  return { list, taughtBeside, figuresOf, aroundOf, progressOf }
}

/** The demo's times are no painter's, and where nothing was recorded there is nothing to teach. */
const teaches = ({ id, isBegun }: Standing): boolean => isBegun && id !== demoProjectId

/** One after another. @returns those that were put away meanwhile. */
async function makeEach(
  projects: readonly Standing[],
  make: (each: Standing) => Promise<void>,
): Promise<ReadonlySet<ProjectId>> {
  const gone = new Set<ProjectId>()
  for (const each of projects)
    await make(each).catch((error: unknown) => {
      if (!isPutAway(error)) throw error
      gone.add(each.id)
    })
  return gone
}

/** Put away since it was found to stand there. */
const isPutAway = (error: unknown): boolean => error instanceof RequestProblem && error.kind === 'not-found'

/** Says of each project what its summary is made of: itself, all that teach it, brought rates, and the day. */
function stampsOf(taught: readonly TimesStamp[], brought: Hand['brought'], at: Instant) {
  const day = new Date(at).toISOString().slice(0, 10)
  return ({ id, madeOf }: Standing): string => {
    const others = taught.filter((each) => each.id !== id)
    const hash = createHash('sha256').update(JSON.stringify([brought, others]))
    return `${madeOf} ${day} ${hash.digest('hex')}`
  }
}

function summaryOf({ project, left }: Figures): Omit<ProjectSummary, 'finish' | 'commission'> {
  return {
    id: project.id,
    name: project.name,
    dueOn: project.dueOn,
    models: countModels(project),
    modelsTableReady: left.modelsTableReady,
    stages: project.line.length,
    totalSeconds: left.totalSeconds,
    leftSeconds: left.leftSeconds,
  }
}

function timesTaught(project: Project, { observed }: LineEstimate): Hand['elsewhere'] {
  const unitName = new Map(project.units.map((unit) => [unit.id, unit.name]))
  const stageName = new Map(project.line.map((stage) => [stage.id, stage.name]))
  return observed
    .filter((time) => time.silent === null)
    .map((time) => ({
      eventId: time.eventId,
      projectId: project.id,
      project: project.name,
      unit: time.unitId === null ? '' : (unitName.get(time.unitId) ?? ''),
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
