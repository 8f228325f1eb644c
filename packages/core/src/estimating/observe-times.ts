import { type Job, potOf, type Size, type Stage, type Technique } from '../trade/index.ts'
import { spreadPresets } from '../presets/index.ts'
import type { Correction, Lap, Progress } from '../progress/index.ts'
import type { EventId, Instant, ModelId, StageId, UnitId } from '../units/index.ts'
import { learningTotal, rememberedUnits } from './learning.ts'
import { leastLap, readLap } from './read-lap.ts'
import { observeRemembered } from './remembered.ts'
import type { PaceObservation } from './rates.ts'
import type { StageWork } from './stage-work.ts'

/** What a recorded time says, and why it says nothing when it does. */
export interface ObservedTime {
  readonly eventId: EventId
  readonly kind: 'lap' | 'milestone' | 'remembered'
  readonly at: Instant
  /** `null`: of none that is here. */
  readonly unitId: UnitId | null
  readonly stageIds: readonly StageId[]
  readonly technique: Technique | null
  readonly size: Size
  readonly models: number
  /** As the clock had it, and as it counts now: to the last model where the clock was forgotten after it. */
  readonly clockSeconds: number
  readonly countedSeconds: number
  /** At the preset's pace, set-up and learning in it. */
  readonly expectedSeconds: number
  readonly correction: Correction | null
  /** Why it teaches nothing. Models ticked off are no lap; a person who gives them a time says they were one. */
  readonly silent: 'left out' | 'no time' | 'no models' | 'too short' | 'even taps' | null
  readonly observations: readonly PaceObservation[]
}

const day = 24 * 3600 * 1000
/** A pot that was closed for so long was opened again. */
const potStaysOpen = 12 * 3600 * 1000
/** When less than this share of the expected work would be left, the set-up was not on the clock. */
const leastWork = 0.5

/** A time without the set-ups in it, if they were on the clock. */
function withoutSetUp(seconds: number, setUp: number, work: number) {
  const wasIn = seconds - setUp >= leastWork * work
  const setUpIn = wasIn ? setUp : 0
  return {
    factor: (seconds - setUpIn) / work,
    expected: work + setUpIn,
    /** How much of the time was the hand's. */
    share: work / (work + setUpIn),
  }
}

/** What one unit's models take of a time. */
interface Part {
  readonly unit: Job['units'][number]
  readonly work: StageWork
  readonly models: number
  readonly seconds: number
}

/** The project's laps and milestones, the oldest first, as paces against the preset. */
export function observeTimes(
  project: Pick<Job, 'units' | 'line'>,
  works: readonly StageWork[],
  progress: Progress,
): readonly ObservedTime[] {
  const workOf = new Map(works.map((work) => [`${work.stageId}|${work.unitId}`, work]))
  const stageOf = new Map(project.line.map((stage) => [stage.id, stage]))
  const unitOf = new Map(
    project.units.flatMap((unit) => unit.models.map((model) => [model.id, unit] as const)),
  )
  const doneBefore = countDoneBefore(project, progress)
  const sets = new Map<StageWork, ReadonlySet<ModelId>>()
  const takersOf = (work: StageWork): ReadonlySet<ModelId> => {
    const known = sets.get(work) ?? new Set(work.takers)
    sets.set(work, known)
    return known
  }

  /** What a stage was expected to take, unit by unit. */
  const expect = (stageId: StageId, models: readonly ModelId[], before: Instant): readonly Part[] => {
    const units = new Set(models.flatMap((model) => unitOf.get(model) ?? []))
    return [...units].flatMap((unit): Part[] => {
      const work = workOf.get(`${stageId}|${unit.id}`)
      if (!work) return []
      const takers = takersOf(work)
      const own = models.filter((model) => takers.has(model))
      const done = doneBefore(stageId, unit.id, before)
      const total = learningTotal(done, own.length, work.learning) * work.secondsPerModel
      return total > 0 ? [{ unit, work, models: own.length, seconds: total }] : []
    })
  }

  /** A time shared over its parts in proportion to what they were expected to take. */
  const shared = (parts: readonly Part[], { factor, share }: ReturnType<typeof withoutSetUp>) => {
    const all = parts.reduce((sum, part) => sum + part.seconds, 0)
    return parts.map(({ unit, work, models, seconds }): PaceObservation => ({
      technique: work.technique,
      small: work.small,
      size: unit.size,
      cell: cellOf(work),
      factor,
      models,
      laps: (share * seconds) / all,
    }))
  }

  const ofLap = (lap: Lap, opens: boolean): ObservedTime | null => {
    const parts = expect(lap.stageId, lap.done.length > 0 ? lap.done : lap.modelIds, lap.startedAt)
    const [first] = parts
    if (!first) return null
    const { unit, work } = first
    const expected = parts.reduce((sum, part) => sum + part.seconds, 0)
    const clock = (lap.stoppedAt - lap.startedAt) / 1000
    const read = readLap(lap, expected)
    const counted = lap.correction ? (lap.correction.workSeconds ?? clock) : read.seconds
    const setUp = opens ? work.setUpSeconds : 0
    const wasTicked = read.isTicked && lap.correction === null
    const silent =
      silenceOf(lap.correction, counted, lap.done.length, expected) ?? (wasTicked ? 'even taps' : null)
    const bare = withoutSetUp(counted, setUp, expected)
    return {
      eventId: lap.eventId,
      kind: 'lap',
      at: lap.stoppedAt,
      unitId: unit.id,
      stageIds: [lap.stageId],
      technique: work.technique,
      size: unit.size,
      models: lap.done.length,
      clockSeconds: clock,
      countedSeconds: counted,
      expectedSeconds: bare.expected,
      correction: lap.correction,
      silent,
      observations: silent ? [] : shared(parts, bare),
    }
  }

  const ofMilestone = ({
    eventId,
    at,
    workSeconds,
    done,
    correction,
  }: Progress['milestones'][number]): ObservedTime | null => {
    const parts = [...done].flatMap(([stageId, models]) => expect(stageId, models, at))
    const [first] = parts
    if (!first) return null
    // A stage that has left the line takes its share of the time with it: as much as the others have on average.
    const there = new Set(parts.map((part) => part.work.stageId)).size
    const kept = there / done.size
    const setUps = parts.reduce((sum, part) => sum + part.work.setUpSeconds, 0)
    const work = parts.reduce((sum, part) => sum + part.seconds, 0)
    const counted = (correction ? (correction.workSeconds ?? workSeconds) : workSeconds) * kept
    const models = Math.max(...parts.map((part) => part.models))
    const silent = silenceOf(correction, counted, models, work)
    const bare = withoutSetUp(counted, setUps, work)
    const same = parts.every((part) => part.work.technique === first.work.technique)
    return {
      eventId,
      kind: 'milestone',
      at,
      unitId: first.unit.id,
      stageIds: [...done.keys()],
      technique: same ? first.work.technique : null,
      size: first.unit.size,
      models,
      clockSeconds: workSeconds,
      countedSeconds: counted,
      expectedSeconds: bare.expected,
      correction,
      silent,
      // What is partly a guess counts for as much less.
      observations: silent ? [] : shared(parts, { ...bare, share: bare.share * kept }),
    }
  }

  const opens = opensPot(progress.laps, stageOf)
  const byMoment = (a: ObservedTime, b: ObservedTime) => a.at - b.at || (a.eventId < b.eventId ? -1 : 1)
  const laps = progress.laps.flatMap((lap) => ofLap(lap, opens(lap)) ?? []).sort(byMoment)
  return [
    ...sittingsOf(laps).flatMap(besideOthers),
    ...progress.milestones.flatMap((milestone) => ofMilestone(milestone) ?? []),
    ...progress.remembered.map(observeRemembered),
  ].sort(byMoment)
}

/** After so long without a lap another sitting begins. */
const sittingEnds = 4 * 3600 * 1000

function sittingsOf(laps: readonly ObservedTime[]): readonly (readonly ObservedTime[])[] {
  const sittings: ObservedTime[][] = []
  for (const lap of laps) {
    const last = sittings.at(-1)
    const before = last?.at(-1)
    if (last && before && lap.at - before.at < sittingEnds) last.push(lap)
    else sittings.push([lap])
  }
  return sittings
}

/** How much a lap says by itself, from 0 to 1, of so many in its sitting, and so many of them by its technique. */
export function saysAlone(alike: number, all: number): number {
  const { sameTechnique, others } = spreadPresets.sitting
  return 1 / (1 + Math.max(0, (alike - 1) * sameTechnique + (all - alike) * others))
}

/** The laps of a sitting with what each says by itself: a good evening, or a bad one, is in all of them. */
function besideOthers(sitting: readonly ObservedTime[]): readonly ObservedTime[] {
  const teaching = sitting.filter(({ observations }) => observations.length > 0)
  const alike = new Map<Technique | null, number>()
  for (const { technique } of teaching) alike.set(technique, (alike.get(technique) ?? 0) + 1)
  return sitting.map((lap) => {
    const alone = saysAlone(alike.get(lap.technique) ?? 0, teaching.length)
    return { ...lap, observations: lap.observations.map((each) => ({ ...each, alone })) }
  })
}

/** Times of models that were probably ticked off: whoever painted them on the clock says so, and silence means no. */
export function askedAbout(observed: readonly ObservedTime[]): readonly ObservedTime[] {
  return observed.filter(({ silent }) => silent === 'too short' || silent === 'even taps')
}

export function cellOf({ stageId, unitId }: Pick<StageWork, 'stageId' | 'unitId'>): string {
  return `${stageId} ${unitId}`
}

function silenceOf(
  correction: Correction | null,
  seconds: number,
  models: number,
  expected: number,
): ObservedTime['silent'] {
  if (correction?.workSeconds === null) return 'left out'
  if (models === 0) return 'no models'
  if (seconds <= 0) return 'no time'
  return correction === null && seconds < leastLap * expected ? 'too short' : null
}

function opensPot(laps: readonly Lap[], stageOf: ReadonlyMap<StageId, Stage>): (lap: Lap) => boolean {
  const potIn = (lap: Lap) => {
    const stage = stageOf.get(lap.stageId)
    return stage ? potOf(stage) : null
  }
  const inOrder = laps.toSorted((a, b) => a.startedAt - b.startedAt)
  const opening = new Set(
    inOrder.filter((lap, index) => {
      const before = inOrder[index - 1]
      return !before || potIn(before) !== potIn(lap) || lap.startedAt - before.stoppedAt > potStaysOpen
    }),
  )
  return (lap) => opening.has(lap)
}

/** How many of a unit's models the hand remembers to have taken through a stage, at a moment. */
export function countDoneBefore(
  project: Pick<Job, 'units'>,
  progress: Progress,
): (stageId: StageId, unitId: UnitId, before: Instant) => number {
  const moments = new Map<string, number[]>()
  for (const unit of project.units) {
    for (const model of unit.models) {
      for (const [stageId, mark] of progress.marks.get(model.id) ?? []) {
        if (mark.kind === 'skipped') continue
        const key = `${stageId}|${unit.id}`
        const list = moments.get(key)
        if (list) list.push(mark.at)
        else moments.set(key, [mark.at])
      }
    }
  }
  return (stageId, unitId, before) => {
    let count = 0
    let last = Number.NEGATIVE_INFINITY
    for (const at of moments.get(`${stageId}|${unitId}`) ?? []) {
      if (at >= before) continue
      count += 1
      last = Math.max(last, at)
    }
    // By whole days, so that what is remembered changes at midnight (UTC) and not in mid-evening.
    const days = Math.floor(before / day) - Math.floor(last / day)
    return count === 0 ? 0 : Math.round(rememberedUnits(count, days))
  }
}
