import {
  type Batch,
  batchesMeant,
  type Desk,
  dryingWait,
  holderOf,
  type Job,
  meansBatch,
  potOf,
  regionsMeet,
  type Stage,
  takesStage,
  type Technique,
  techniqueFacts,
  touchedRegions,
  type Wishes,
  type Work,
} from '../trade/index.ts'
import { batchTime, type BatchTimes } from '../estimating/index.ts'
import { isBegun, isThrough, type Progress, type ToFollow } from '../progress/index.ts'

import type { Instant, UnitId } from '../units/index.ts'
import { begunFirst, type BegunCoat } from './begun-coats.ts'
import type { LineLinks } from './line-links.ts'
import { followingGroups, type PlanBatch, type PlanTask, type Readiness } from '../schedule/index.ts'
import { touchUpTasks, withTouchUps } from './touch-up-tasks.ts'

/** Stations by number. */
export const stationOf = { can: 0, airbrush: 1 } as const

export interface BatchesToPlan {
  readonly work: Work
  readonly desk: Pick<Desk, 'painters' | 'rackPlaces'>
  readonly wishes: Pick<Wishes, 'first' | 'held' | 'holders'>
  readonly batches: readonly Batch[]
  readonly progress: Progress
  readonly now: Instant
  readonly times: BatchTimes | undefined
  /** What was put on and has to be followed soon, the most pressing first. */
  readonly begun: readonly ToFollow[]
  /** What has to come before what; without it every batch keeps to the line's row. */
  readonly links: LineLinks | undefined
  /** Seconds from now. */
  readonly dueOf: (unitId: UnitId) => number | null
  /** The job of a unit, by number, where several are planned together. */
  readonly jobOf: ReadonlyMap<UnitId, number> | undefined
  /** Seconds from now until its models are here; `null`: they are. */
  readonly hereFromOf: (unitId: UnitId) => number | null
  /** By batch and stage: the number of the windows it has to keep to. */
  readonly windowsOf: (batch: Batch, stage: Stage, technique: Technique | null) => number | null
  /** Longest session anybody has. */
  readonly longestSession: number
  readonly slowestPace: number
}

export interface BuiltBatches {
  readonly batches: readonly PlanBatch[]
  readonly regionCount: number
  readonly openFamily: number | null
}

/** What is left of the project, as the planner sees it: done stages are gone, their drying remains. */
export function buildBatches(input: BatchesToPlan): BuiltBatches {
  const { work, desk, wishes, progress } = input
  const { line } = work
  const families = numbered(line.map(potOf))
  const regions = numbered(line.flatMap(namedRegions))
  const stages = line.map((stage, index) => {
    const touched = touchedRegions(stage.touch)
    const technique = techniqueOf(work, stage)
    return {
      stage,
      index,
      family: families.get(potOf(stage)) ?? 0,
      regions: touched === 'whole' ? touched : touched.map((name) => regions.get(name) ?? 0),
      station: stationFor(technique),
      able: paintersFor(desk, technique),
      technique,
    }
  })
  const wayFamilies = new Map<string, number>()
  const wayFamily = (family: number, technique: Technique) => {
    const key = `${String(family)} ${technique}`
    const known = wayFamilies.get(key) ?? families.size + 1 + wayFamilies.size
    wayFamilies.set(key, known)
    return known
  }
  const dabbers = paintersFor(desk, 'detail')
  const unitIndex = new Map(work.units.map((unit, index) => [unit.id, index]))
  const joins = joinsOf(input)
  const running = line.find((stage) => stage.id === progress.running.at(-1)?.stageId)
  const openFamily = running ? (families.get(potOf(running)) ?? null) : null
  const firsts = wishes.first.map((id) => batchesMeant(id, input.batches))
  // What is wanted by one date is late as its last batch is, into however many it is divided.
  const jobOf = (unitId: UnitId) => input.jobOf?.get(unitId) ?? 0
  const batches = input.batches.map((batch, at): PlanBatch => {
    const tasks: PlanTask[] = []
    const here = input.hereFromOf(batch.unitId)
    // What has not come yet cannot be touched, as if it were wet.
    const drying: Readiness[] =
      here === null
        ? []
        : batch.models.map((_, model) => ({ model, regions: 'whole', readyAt: Math.ceil(here) }))
    const touchUps: PlanTask[] = []
    const holder = placeOfHolder(batch, input)
    for (const { stage, index, family, regions: touched, station, able, technique } of stages) {
      if (stage.notNeededBy.includes(batch.unitId)) continue
      const left: number[] = []
      const slipped: number[] = []
      batch.models.forEach((model, position) => {
        if (!takesStage(stage, batch.unitId, model)) return
        const mark = progress.marks.get(model.id)?.get(stage.id)
        if (!isThrough(progress, model.id, stage)) left.push(position)
        else if (mark) {
          const readyAt = Math.ceil((mark.at - input.now) / 1000) + (mark.drySeconds ?? dryingWait(stage))
          if (readyAt > 0) drying.push({ model: position, regions: touched, readyAt })
          if (mark.kind === 'touch-up') slipped.push(position)
        }
      })
      const time = batchTime(stage, batch.unitId, input.times)
      const wait = dryingWait(stage)
      const isOnRack = (dries: number) => desk.rackPlaces !== null && touched === 'whole' && dries > 0
      if (slipped.length > 0)
        touchUps.push(
          ...touchUpTasks(time.touchUp, {
            stage: index,
            pots: { colour: family, undercoat: families.size },
            regions: touched,
            models: slipped,
            wait,
            painters: inHandsOf(holder, dabbers),
          }),
        )
      if (left.length === 0) continue
      tasks.push({
        stage: index,
        family,
        setUp: time.setUpSeconds,
        again: Math.min(time.againSeconds, time.setUpSeconds),
        perModel: time.secondsPerModel,
        wait,
        maxWait: stage.nextWithinSeconds,
        regions: touched,
        models: left,
        station,
        windows: input.windowsOf(batch, stage, technique),
        painters: inHandsOf(holder, able),
        onRack: isOnRack(wait),
        others: time.others.map((way) => ({
          // The pot is the same, but not what is loaded with it.
          family: wayFamily(family, way.technique),
          setUp: way.setUpSeconds,
          again: way.setUpSeconds,
          perModel: way.secondsPerModel,
          wait: way.drySeconds,
          station: stationFor(way.technique),
          windows: input.windowsOf(batch, stage, way.technique),
          painters: inHandsOf(holder, paintersFor(desk, way.technique)),
          onRack: isOnRack(way.drySeconds),
        })),
        joins: joins(at, stage),
        touchUp: null,
      })
    }
    const begun = batch.models.some((model) => isBegun(progress, model.id))
    const rank = firsts.findIndex((meant) => meant.includes(batch))
    const grouped = (some: readonly PlanTask[]) =>
      followingGroups(some, input.longestSession, input.slowestPace)
    const coat = begunCoat(batch, input)
    const { first, firstBy, rest } = coat
      ? begunFirst(tasks, coat, { ...input, openFamily })
      : { first: [], firstBy: [], rest: tasks }
    // Nothing but the rest of the line follows the last of them.
    const listed = [
      ...first.map((task, at) => (at === first.length - 1 ? { ...task, maxWait: null } : task)),
      ...grouped(withTouchUps(rest, touchUps)),
    ]
    return {
      models: batch.models.length,
      tasks: listed,
      comesAfter: comesAfter(listed, first.length > 0, batch, input),
      ...(first.length > 0 ? { firstBy } : {}),
      drying,
      begun,
      kind: unitIndex.get(batch.unitId) ?? 0,
      due: input.dueOf(batch.unitId),
      job: jobOf(batch.unitId),
      priority: rank < 0 ? 0 : (firsts.length - rank) / (firsts[rank]?.length ?? 1),
    }
  })
  return { batches, regionCount: regions.size, openFamily }
}

/** The coat of a batch that presses most. */
function begunCoat(batch: Batch, { begun, now, work }: BatchesToPlan): BegunCoat | null {
  const own = begun.find((each) => each.batch === batch)
  if (!own) return null
  const byModel = new Map(
    batch.models.flatMap(({ id }, position): [number, number][] => {
      const until = own.untilOf.get(id)
      return until === undefined ? [] : [[position, Math.floor((until - now) / 1000)]]
    }),
  )
  return { stage: work.line.indexOf(own.next), byModel }
}

/** By task those that have to be begun before it; `null` where the painter holds the batch to the line's row. */
function comesAfter(
  tasks: readonly PlanTask[],
  beginsWithFirst: boolean,
  batch: Batch,
  { work, wishes: { held }, links, batches }: BatchesToPlan,
): readonly (readonly number[])[] | null {
  const own = links?.get(batch.unitId)
  if (!own || held.all || held.batches.some((id) => meansBatch(id, batch.id, batches))) return null
  const idOf = (task: PlanTask) => work.line[task.stage]?.id
  const isHeld = tasks.map((task) => held.stages.some((id) => id === idOf(task)))
  const isLinked = (earlier: PlanTask, later: PlanTask): boolean => {
    const [first, then] = [idOf(earlier), idOf(later)]
    if (!first || !then) return true
    if (!earlier.models.some((model) => later.models.includes(model))) return false
    if (regionsMeet(earlier.regions, later.regions)) return true
    return earlier.touchUp === null && later.touchUp === null && (own.get(then)?.has(first) ?? false)
  }
  return tasks.map((later, place) =>
    tasks.flatMap((earlier, at) =>
      at < place &&
      ((beginsWithFirst && at === 0) ||
        isHeld[at] === true ||
        isHeld[place] === true ||
        isLinked(earlier, later))
        ? [at]
        : [],
    ),
  )
}

/** What the hand does at a stage: as written on it, or as the recipe says. */
export function techniqueOf(project: Pick<Job, 'recipes'>, stage: Stage): Technique | null {
  if (stage.technique !== null) return stage.technique
  const [first] = stage.steps
  const recipe = project.recipes.find((each) => each.id === first?.recipeId)
  return recipe?.steps.find((step) => step.id === first?.stepId)?.technique ?? null
}

export function stationFor(technique: Technique | null): number | null {
  const tool = technique === null ? null : techniqueFacts[technique].tool
  return tool === 'can' || tool === 'airbrush' ? stationOf[tool] : null
}

function paintersFor(
  { painters }: Pick<Desk, 'painters'>,
  technique: Technique | null,
): readonly number[] | null {
  if (technique === null || painters.every((painter) => !painter.cannot.includes(technique))) return null
  return painters.flatMap((painter, index) => (painter.cannot.includes(technique) ? [] : [index]))
}

/** The number of the painter in whose hands a batch is; one who is gone from the desk holds nothing. */
function placeOfHolder(batch: Batch, { wishes, desk, batches }: BatchesToPlan): number | null {
  const own = holderOf(wishes, batch.id, batches)
  const place = desk.painters.findIndex(({ id }) => id === own?.painterId)
  return place < 0 ? null : place
}

/** The holder alone, where able; else whoever is. */
function inHandsOf(holder: number | null, able: readonly number[] | null): readonly number[] | null {
  if (holder === null || (able !== null && !able.includes(holder))) return able
  return [holder]
}

/** Which batches have to be through before a batch's stage: the units that are joined to its unit there. */
function joinsOf({ work, batches }: BatchesToPlan): (batch: number, stage: Stage) => readonly number[] {
  const joined = work.units.flatMap((unit) => (unit.joinedAt ? [{ unit, at: unit.joinedAt }] : []))
  if (joined.length === 0) return () => []
  return (index, stage) => {
    const host = batches[index]
    if (!host) return []
    return joined
      .filter(({ at }) => at.unitId === host.unitId && at.stageId === stage.id)
      .flatMap(({ unit }) => {
        const own = batches.flatMap((batch, at) => (batch.unitId === unit.id ? [at] : []))
        const hosts = batches.flatMap((batch, at) => (batch.unitId === host.unitId ? [at] : []))
        // As many of the one as of the other are joined pair by pair; else all of it is shared by all.
        return own.length === hosts.length ? own.slice(hosts.indexOf(index), hosts.indexOf(index) + 1) : own
      })
  }
}

function namedRegions(stage: Stage): readonly string[] {
  const touched = touchedRegions(stage.touch)
  return touched === 'whole' ? [] : touched
}

function numbered(names: readonly string[]): ReadonlyMap<string, number> {
  return new Map([...new Set(names)].map((name, index) => [name, index]))
}
