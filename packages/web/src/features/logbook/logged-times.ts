import type { Hand } from '@seriatim/contract'
import {
  broughtObservations,
  type DatedObservation,
  type LineEstimate,
  type ObservedTime,
} from '@seriatim/core/estimating'
import type { Progress } from '@seriatim/core/progress'
import { recipeSchools } from '@seriatim/core/recipe'
import type { Project } from '@seriatim/core/trade'
import type { EventId, Instant } from '@seriatim/core/units'

/** A recorded time as the logbook lists it. */
export interface LoggedTime {
  readonly eventId: EventId
  readonly at: Instant
  readonly kind: ObservedTime['kind']
  readonly where: string
  /** What somebody remembers of a unit of before, and how it was told; else `null`. */
  readonly remembered: string | null
  readonly stages: readonly string[]
  readonly models: number
  readonly clockSeconds: number
  readonly countedSeconds: number
  readonly expectedSeconds: number
  /** 1 in full, less when it is odd; 0 when it says nothing. */
  readonly counts: number
  readonly silent: ObservedTime['silent']
  readonly correction: ObservedTime['correction']
  /** Of another project, where it can be corrected. */
  readonly elsewhere: boolean
}

/** All observations in the order in which the rates were learned from them. */
export function datedObservations(
  hand: Hand | undefined,
  observed: readonly ObservedTime[],
): readonly DatedObservation[] {
  const dated = (times: readonly Pick<ObservedTime, 'at' | 'observations'>[]) =>
    times.flatMap(({ at, observations }) => observations.map((each) => ({ ...each, at })))
  return [
    ...broughtObservations(hand?.brought ?? []).map((each) => ({ ...each, at: null })),
    ...dated(hand?.elsewhere ?? []),
    ...dated(observed),
  ]
}

/** Every time of every project, the newest first. */
export function loggedTimes(
  project: Project,
  hand: Hand | undefined,
  { observed, rates }: LineEstimate,
  { remembered }: Pick<Progress, 'remembered'>,
): readonly LoggedTime[] {
  const unitName = new Map(project.units.map((unit) => [unit.id, unit.name]))
  const stageName = new Map(project.line.map((stage) => [stage.id, stage.name]))
  let place = hand?.brought.length ?? 0
  const countOf = (observations: readonly unknown[]): number => {
    const counted = rates.counted.slice(place, place + observations.length)
    place += observations.length
    return counted.length === 0 ? 0 : counted.reduce((sum, each) => sum + each, 0) / counted.length
  }
  const elsewhere = (hand?.elsewhere ?? []).map((time): LoggedTime => ({
    ...time,
    kind: time.stages.length === 0 ? 'remembered' : 'lap',
    where: time.unit === '' ? time.project : `${time.unit}, ${time.project}`,
    remembered: time.stages.length === 0 ? 'A unit remembered' : null,
    clockSeconds: time.countedSeconds,
    counts: countOf(time.observations),
    silent: null,
    correction: null,
    elsewhere: true,
  }))
  const own = observed.map((time): LoggedTime => ({
    ...time,
    where: time.unitId === null ? '' : (unitName.get(time.unitId) ?? ''),
    remembered: null,
    ...rememberedText(remembered.find(({ eventId }) => eventId === time.eventId)),
    stages: time.stageIds.map((id) => stageName.get(id) ?? ''),
    counts: countOf(time.observations),
    elsewhere: false,
  }))
  return [...elsewhere, ...own].sort((a, b) => b.at - a.at)
}

function rememberedText(
  unit: Progress['remembered'][number] | undefined,
): Partial<Pick<LoggedTime, 'where' | 'remembered'>> {
  if (!unit) return {}
  const school = recipeSchools.find(({ id }) => id === unit.school)?.name.toLowerCase() ?? unit.school
  return { where: `${school} to ${unit.standard}`, remembered: `Remembered: “${unit.told}”` }
}
