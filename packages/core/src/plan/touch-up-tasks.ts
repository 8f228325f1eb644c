import { onPalette, touchUpPresets } from '../presets/index.ts'
import type { TouchUpTime } from '../estimating/index.ts'
import type { PlanTask } from '../schedule/index.ts'

interface Slips extends Pick<PlanTask, 'stage' | 'regions' | 'models' | 'painters' | 'wait'> {
  /** The families of the pots: the stage's own, and the one the ground is mended with. */
  readonly pots: { readonly colour: number; readonly undercoat: number }
}

/** What mends a stage's slips on a batch: a dab; over a tint the ground, its drying, and the tint again. */
export function touchUpTasks(
  time: TouchUpTime,
  { stage, regions, models, painters, wait, pots }: Slips,
): readonly PlanTask[] {
  const dab: PlanTask = {
    stage,
    family: pots.colour,
    setUp: time.setUpSeconds,
    again: Math.min(time.setUpSeconds, palette),
    perModel: time.dabSeconds,
    wait: Math.min(wait, thinCoat),
    maxWait: null,
    regions,
    models,
    station: null,
    windows: null,
    painters,
    onRack: false,
    others: [],
    joins: [],
    touchUp: 'colour',
  }
  if (!time.undercoat) return [dab]
  const { setUpSeconds, dabSeconds, drySeconds } = time.undercoat
  const ground: PlanTask = {
    ...dab,
    family: pots.undercoat,
    setUp: setUpSeconds,
    again: Math.min(setUpSeconds, palette),
    perModel: dabSeconds,
    wait: drySeconds,
    touchUp: 'undercoat',
  }
  return [ground, dab]
}

const palette = onPalette.minutes * 60
/** A dab dries as a thin coat does, whatever the stage lays. */
const thinCoat = touchUpPresets.undercoatDrySeconds

/**
 * A batch's tasks with those of its slips: all grounds together and then the colours by pot, before the next coat all
 * over the model that would cover or seal them, else in the end. What has to follow soon still does.
 */
export function withTouchUps(tasks: readonly PlanTask[], touchUps: readonly PlanTask[]): readonly PlanTask[] {
  if (touchUps.length === 0) return tasks
  const placeOf = ({ stage }: PlanTask) => {
    const seal = tasks.findIndex((each) => each.regions === 'whole' && each.stage > stage)
    let place = seal < 0 ? tasks.length : seal
    while (place > 0 && (tasks[place - 1]?.maxWait ?? null) !== null) place -= 1
    return place
  }
  const placed = touchUps
    .map((task) => ({ task, place: placeOf(task) }))
    .sort(
      (a, b) =>
        Number(b.task.touchUp === 'undercoat') - Number(a.task.touchUp === 'undercoat') ||
        a.task.family - b.task.family,
    )
  const at = (place: number) => placed.filter((each) => each.place === place).map(({ task }) => task)
  return [...tasks.flatMap((task, place) => [...at(place), task]), ...at(tasks.length)]
}
