import { type Job, type Size, standardReaches, type Unit } from '../trade/index.ts'
import { spreadPresets, starterShelf } from '../presets/index.ts'
import { bodyPlans, recipeFromSchool, recipeSchools } from '../recipe/index.ts'
import type { Progress } from '../progress/index.ts'
import { type ModelId, readToldTime, type UnitId } from '../units/index.ts'
import { learningTotal } from './learning.ts'
import { bareStageOf } from './line-for-standard.ts'
import type { ObservedTime } from './observe-times.ts'
import type { PaceObservation } from './rates.ts'
import { type StageWork, stageWorks } from './stage-work.ts'

type Remembered = Progress['remembered'][number]

/** What models of a size are usually like. */
const planOf: Readonly<Record<Size, string>> = {
  small: 'foot',
  foot: 'foot',
  'large foot': 'armoured-foot',
  mounted: 'rider-and-mount',
  large: 'large-creature',
  'very large': 'large-creature',
  huge: 'large-creature',
}

const shelf = new Map(starterShelf.map((material) => [material.id, material]))
/** Below this share of the expected work the pots cannot have taken what they are said to. */
const leastHand = 0.25
/** How far a unit of before may lie from what its school usually asks for: deviation of the logarithm, from memory. */
const otherwise = 0.15

/**
 * What a remembered unit says of the pace: as a span over all that its school asks for at its standard, so vague as it was
 * told. What is no time any more, or of no school that is known, says nothing.
 */
export function observeRemembered(remembered: Remembered): ObservedTime {
  const { eventId, at, models, size, told } = remembered
  const time = readToldTime(told, models)
  const works = worksOf(remembered)
  const hands = works.map((work) => ({
    work,
    seconds: learningTotal(0, models, work.learning) * work.secondsPerModel,
  }))
  const work = hands.reduce((sum, each) => sum + each.seconds, 0)
  const setUps = works.reduce((sum, each) => sum + each.setUpSeconds, 0)
  const seconds = time?.seconds ?? 0
  const deviation = Math.hypot(time?.deviation ?? 0, otherwise)
  const laps = (spreadPresets.lap / deviation) ** 2
  const hand = seconds - setUps
  // Who told less than the pots alone take has quick hands there as well.
  const factor = work === 0 ? 0 : hand >= leastHand * work ? hand / work : seconds / (work + setUps)
  return {
    eventId,
    kind: 'remembered',
    at,
    unitId: null,
    stageIds: [],
    technique: null,
    size,
    models,
    clockSeconds: seconds,
    countedSeconds: seconds,
    expectedSeconds: Math.round(work + setUps),
    correction: null,
    silent: factor > 0 ? null : 'no time',
    observations:
      factor > 0
        ? hands.map((each): PaceObservation => ({
            technique: each.work.technique,
            small: each.work.small,
            size,
            cell: '',
            factor,
            models: 1,
            laps: laps * (each.seconds / work),
            told: true,
          }))
        : [],
  }
}

function worksOf({ models, school: schoolId, size, standard }: Remembered): readonly StageWork[] {
  const school = recipeSchools.find(({ id }) => id === schoolId)
  const plan = bodyPlans.find(({ id }) => id === planOf[size])
  if (!school || !plan) return []
  let next = 0
  const recipe = recipeFromSchool(school, plan, school.name, () => `remembered ${String((next += 1))}`)
  const unit: Unit = {
    id: 'remembered' as UnitId,
    name: '',
    standard,
    size,
    detail: 'usual',
    perHolder: 1,
    pilot: [],
    joinedAt: null,
    models: Array.from({ length: models }, (_, index) => ({
      id: `remembered ${String(index)}` as ModelId,
      name: '',
      role: 'trooper',
      variants: [],
      points: 0,
    })),
  }
  const followed = { ...recipe, unitIds: [unit.id] }
  const steps = recipe.steps.filter((step) => standardReaches(step.standard, standard))
  const job: Pick<Job, 'units' | 'recipes' | 'line'> = {
    units: [unit],
    recipes: [followed],
    line: steps.map((step) => bareStageOf(followed, step, { units: [unit] })),
  }
  return stageWorks(job, shelf)
}
