import type { Job, Size, TypedTime } from '../trade/index.ts'
import { foldProgress, isThrough, type Progress } from '../progress/index.ts'
import type { Shelf } from '../recipe/index.ts'
import type { Instant, ModelId, Seconds, StageId, UnitId } from '../units/index.ts'
import type { BatchTime, BatchTimes, OtherWayTime } from './batch-time.ts'
import { learningTotal } from './learning.ts'
import { cellOf, countDoneBefore, observeTimes, type ObservedTime } from './observe-times.ts'
import { mishapPresets, spreadPresets } from '../presets/index.ts'
import {
  lapSpread,
  lapsKey,
  learnRates,
  paceAt,
  reachOf,
  varianceOfSum,
  type PaceObservation,
  type PacePlace,
  type Rates,
} from './rates.ts'
import { againSeconds, stageWorks, type StageWork } from './stage-work.ts'
import { spreadOf, type Spread } from './three-point.ts'
import { nothingBeside, touchUpTime, type BesideWork, type TouchUpTime } from './touch-up.ts'

/** Seconds: likely, and between these in four cases of five. */
export interface TimeRange {
  readonly low: number
  readonly likely: number
  readonly high: number
}

/** Where most of an estimate comes from. */
type EstimateSource = 'typed' | 'laps' | 'remembered' | 'preset' | 'written'

/** What a stage takes on the models of one unit. */
export interface StageEstimate {
  readonly work: StageWork
  readonly size: Size
  readonly source: EstimateSource
  readonly typed: TypedTime | null
  /** Times the preset: the painter's hand at this stage. */
  readonly pace: number
  /** Laps with this technique on this size, odd ones for less; those of this very stage among them. */
  readonly laps: number
  readonly lapsHere: number
  /** Mean factor of the learning curve over the models left. */
  readonly learning: number
  /** Models through the stage, and not yet. */
  readonly done: number
  readonly left: number
  readonly leftModels: readonly ModelId[]
  /** Models that are through and wait for a dab. */
  readonly touchUps: number
  readonly touchUp: TouchUpTime
  readonly others: readonly OtherWayTime[]
  /** Of one model, on average over those left; over all when none is. */
  readonly perModel: TimeRange
  /** What the range is made of. */
  readonly spread: {
    readonly place: PacePlace
    readonly typedDeviation: number
    readonly secondCoatDeviation: number
  }
}

export interface LineEstimate {
  readonly stages: readonly StageEstimate[]
  readonly rates: Rates
  readonly observed: readonly ObservedTime[]
}

export interface EstimateInput {
  readonly project: Pick<Job, 'units' | 'recipes' | 'line'>
  readonly shelf: Shelf
  readonly progress?: Progress
  readonly now: Instant
  /** What is known of the hand from elsewhere: other projects, brought rates. */
  readonly known?: readonly PaceObservation[]
}

const nothingDone = foldProgress([])

/** Every stage for every unit that takes it, in line order, from presets, typed times and the painter's laps. */
export function estimateLine({
  project,
  shelf,
  progress = nothingDone,
  now,
  known = [],
}: EstimateInput): LineEstimate {
  const works = stageWorks(project, shelf)
  const observed = observeTimes(project, works, progress)
  const own = observed.flatMap((each) => each.observations)
  const rates = learnRates([...known, ...own])
  const lapsHere = new Map<string, number>()
  own.forEach((each, index) => {
    const counted = (rates.counted[known.length + index] ?? 0) * each.laps
    lapsHere.set(each.cell, (lapsHere.get(each.cell) ?? 0) + counted)
  })
  const isRemembered = [...known, ...own].some((each) => each.told)
  const doneBefore = countDoneBefore(project, progress)
  const units = new Map(project.units.map((unit) => [unit.id, unit]))
  const detailPace = new Map(
    [...new Set(project.units.map(({ size }) => size))].map((size) => [
      size,
      Math.exp(paceAt(rates, { technique: 'detail', size, cell: '' }).mean),
    ]),
  )
  const stageById = new Map(project.line.map((stage) => [stage.id, stage]))
  const stages = works.flatMap((work): StageEstimate[] => {
    const unit = units.get(work.unitId)
    const stage = stageById.get(work.stageId)
    if (!unit || !stage) return []
    const leftModels = work.takers.filter((model) => !isThrough(progress, model, stage))
    const left = leftModels.length
    const count = left || work.takers.length
    const remembered = left === 0 ? 0 : doneBefore(work.stageId, work.unitId, now)
    const learning = learningTotal(remembered, count, work.learning) / count
    const key = { technique: work.technique, small: work.small, size: unit.size, cell: cellOf(work) }
    const place = paceAt(rates, key)
    const typed = stage.typed.find((each) => each.unitId === work.unitId) ?? null
    const here = lapsHere.get(key.cell) ?? 0
    const laps =
      work.technique === null ? here : (rates.lapsOf.get(lapsKey(work.technique, unit.size, work.small)) ?? 0)
    const pace = Math.exp(place.mean)
    const byLaps = work.secondsPerModel * learning * pace
    const guess = typed ? typedSpread(typed) : null
    const trust = guess ? worthOfTyped(guess) / (worthOfTyped(guess) + here) : 1
    const base: Omit<StageEstimate, 'perModel'> = {
      work,
      size: unit.size,
      typed,
      pace,
      laps,
      lapsHere: here,
      learning,
      done: work.takers.length - left,
      left,
      leftModels,
      touchUps: work.takers.filter(
        (model) => progress.marks.get(model)?.get(work.stageId)?.kind === 'touch-up',
      ).length,
      touchUp: touchUpTime(work.kind, unit, detailPace.get(unit.size) ?? 1),
      others: work.otherWays.map((way): OtherWayTime => {
        const hand = Math.exp(paceAt(rates, { technique: way.technique, size: unit.size, cell: '' }).mean)
        return {
          technique: way.technique,
          setUpSeconds: Math.round(way.setUpSeconds) as Seconds,
          secondsPerModel: Math.round(way.secondsPerModel * learning * hand) as Seconds,
          drySeconds: Math.round(way.drySeconds) as Seconds,
        }
      }),
      source: sourceOf(typed !== null, laps, isRemembered, stage.steps.length === 0),
      spread: {
        place,
        typedDeviation: guess ? guess.standardDeviation * trust : 0,
        secondCoatDeviation: Math.sqrt(work.secondCoats) * pace * learning,
      },
    }
    // A typed time is a guess that laps of this very stage take over from. In whole seconds, as plans lay them: sums of
    // either come to the same.
    const likely = Math.round(
      guess && guess.mean > 0 ? guess.mean ** trust * byLaps ** (1 - trust) : (guess?.mean ?? byLaps),
    )
    const alone = { ...base, perModel: { low: likely, likely, high: likely } }
    const range = totalOf(rates, [{ stage: alone, models: count, ...nothingBeside }])
    const perModel = { low: range.low / count, likely, high: range.high / count }
    return [{ ...base, perModel }]
  })
  return { stages, rates, observed }
}

function typedSpread({ bestSeconds, likelySeconds, worstSeconds }: TypedTime): Spread {
  const spread = spreadOf({ best: bestSeconds, likely: likelySeconds, worst: worstSeconds })
  return spread.ok ? spread.value : { mean: likelySeconds, standardDeviation: 0 }
}

/** Nobody who types a time is surer of it than this share. */
const surest = 0.1

/** As many laps as the typed time is worth: the surer, the more. */
function worthOfTyped({ mean, standardDeviation }: Spread): number {
  const share = Math.max(surest, mean > 0 ? standardDeviation / mean : surest)
  return (spreadPresets.lap / share) ** 2
}

function sourceOf(isTyped: boolean, laps: number, isRemembered: boolean, isWritten: boolean): EstimateSource {
  if (isTyped) return 'typed'
  if (laps > 0) return 'laps'
  if (isWritten) return 'written'
  return isRemembered ? 'remembered' : 'preset'
}

/** So many models at a stage, and what is to do beside them. */
export interface StageAmount extends BesideWork {
  readonly stage: StageEstimate
  readonly models: number
}

/** How far touch-ups lie from the preset: from memory. */
const touchUpSpread = 0.5

/**
 * What several stages come to together, with its variance in seconds². The painter's pace is common to all and a
 * technique's to its stages, so their uncertainty adds up; what laps have by chance evens out.
 */
export function spreadTotal(
  rates: Rates,
  amounts: readonly StageAmount[],
): { readonly likely: number; readonly variance: number } {
  const lap = lapSpread(rates)
  const { shared } = spreadPresets
  let likely = 0
  let apart = 0
  const paces: { place: PacePlace; amount: number }[] = []
  for (const { stage, models, setUpSeconds, touchUpSeconds, otherWaySeconds } of amounts) {
    const work = models * stage.perModel.likely + otherWaySeconds
    likely += work + setUpSeconds + touchUpSeconds
    // As many independent set-ups as the seconds make up.
    apart += setUpSeconds * stage.work.setUpSeconds * mishapPresets.setUp ** 2
    apart += (touchUpSpread * touchUpSeconds) ** 2
    if (models === 0) continue
    const { place, typedDeviation, secondCoatDeviation } = stage.spread
    apart += (work * lap) ** 2 * (shared + (1 - shared) / models)
    apart += (models * secondCoatDeviation) ** 2
    if (stage.typed) apart += (models * typedDeviation) ** 2
    else paces.push({ place, amount: work })
  }
  return { likely, variance: apart + varianceOfSum(rates, paces) * lap ** 2 }
}

/** The same as a range; seconds. */
export function totalOf(rates: Rates, amounts: readonly StageAmount[]): TimeRange {
  const { likely, variance } = spreadTotal(rates, amounts)
  if (likely === 0) return { low: 0, likely: 0, high: 0 }
  const deviation = spreadPresets.unmodelled * Math.sqrt(Math.log1p(variance / likely ** 2))
  const { low, high } = reachOf(rates, deviation)
  return { low: likely * low, likely, high: likely * high }
}

/** The estimate as the planner takes it: whole seconds by stage and unit. */
export function timesOf(estimate: LineEstimate): BatchTimes {
  const times = new Map<StageId, Map<UnitId, BatchTime>>()
  for (const { work, perModel, touchUp, others } of estimate.stages) {
    const ofStage = times.get(work.stageId) ?? new Map<UnitId, BatchTime>()
    times.set(work.stageId, ofStage)
    ofStage.set(work.unitId, {
      setUpSeconds: Math.round(work.setUpSeconds) as Seconds,
      againSeconds: Math.round(againSeconds(work)) as Seconds,
      secondsPerModel: perModel.likely as Seconds,
      touchUp,
      others,
    })
  }
  return times
}
