import type { Carrier, Job, Stage } from '../trade/index.ts'
import { factsOf, type Shelf } from '../recipe/index.ts'
import type { Instant, Seconds, StepId } from '../units/index.ts'
import { waitFactor, type Air } from './air.ts'

/** The desk, where coats dry, and outside, where cans are used: an open window apart they differ by half the wait. */
export const airPlaces = ['indoors', 'outdoors'] as const
export type AirPlace = (typeof airPlaces)[number]

/** Air at a moment. */
export interface AirAt extends Air {
  readonly at: Instant
  readonly place: AirPlace
}

/** Milliseconds after which a reading says nothing of now. */
export const staleAfter = 12 * 3600 * 1000

/** The newest reading of a place not later than `now`, unless it is older than half a day: air changes. */
export function airNow<Reading extends AirAt>(
  readings: readonly Reading[],
  now: Instant,
  place: AirPlace,
): Reading | null {
  let newest: Reading | null = null
  for (const reading of readings) {
    if (reading.place === place && reading.at <= now && (!newest || reading.at > newest.at)) newest = reading
  }
  return newest && now - newest.at <= staleAfter ? newest : null
}

/** What thins a stage's material, by the recipe or by its name on the shelf; unknown paint is taken for water-borne. */
export function carriersIn(project: Pick<Job, 'recipes'>, shelf: Shelf) {
  const byStep = new Map<StepId, Carrier>()
  for (const recipe of project.recipes) {
    for (const { step, material } of factsOf(recipe, shelf)) {
      if (material) byStep.set(step.id, material.carrier)
    }
  }
  const byName = new Map([...shelf.values()].map((each) => [each.name.toLowerCase(), each.carrier]))
  return (stage: Pick<Stage, 'steps' | 'material'>): Carrier => {
    const own = stage.steps.flatMap((step) => byStep.get(step.stepId) ?? [])
    if (own.includes('spirit')) return 'spirit'
    return own[0] ?? byName.get(stage.material.trim().toLowerCase()) ?? 'water'
  }
}

/** The line with its waits as this air has them; without a reading as they are written. */
export function lineInAir(
  project: Pick<Job, 'line' | 'recipes'>,
  shelf: Shelf,
  air: Air | null,
): readonly Stage[] {
  if (!air) return project.line
  const carrier = carriersIn(project, shelf)
  return project.line.map((stage) => {
    if (stage.dryingMaxSeconds === 0) return stage
    const factor = waitFactor(air, carrier(stage))
    const wait = (seconds: Seconds) => Math.round(seconds * factor) as Seconds
    return {
      ...stage,
      dryingMinSeconds: wait(stage.dryingMinSeconds),
      dryingMaxSeconds: wait(stage.dryingMaxSeconds),
    }
  })
}
