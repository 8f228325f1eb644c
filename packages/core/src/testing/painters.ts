import { spreadPresets } from '../presets/presets.ts'
import type { Size } from '../trade/size.ts'
import type { StageWork } from '../estimating/stage-work.ts'
import type { RandomUnit } from '../units/random.ts'

/** What a simulated painter is drawn from: the model that is believed in, or one that is not. */
export interface PainterModel {
  readonly painter: number
  readonly technique: number
  readonly size: number
  readonly stage: number
  /** Spread of the models of one lap, and of laps. */
  readonly model: number
  readonly lap: number
  /** Spread of sittings, over everything done in one. */
  readonly sitting: number
  /** Degrees of freedom of the noise: few for now and then a very long one; `null` for normal. */
  readonly tails: number | null
  readonly learningRate: number
  /** Chance that a lap is interrupted, by ten minutes or so. */
  readonly interruptions: number
}

export const believed: PainterModel = {
  painter: spreadPresets.painter,
  technique: spreadPresets.technique,
  size: spreadPresets.size,
  stage: spreadPresets.stage,
  model: spreadPresets.lap * Math.sqrt(1 - spreadPresets.shared),
  lap: spreadPresets.lap * Math.sqrt(spreadPresets.shared - spreadPresets.sitting.others),
  sitting: spreadPresets.lap * Math.sqrt(spreadPresets.sitting.others),
  tails: null,
  learningRate: 0.95,
  interruptions: 0.03,
}

export interface SimulatedPainter {
  /** Sits down on another day. */
  readonly sitDown: () => void
  /** True seconds of the next models at a stage, the `done` before them taken into account. */
  readonly paint: (work: StageWork, size: Size, done: number, models: number) => number
  /** The same with what the clock sees besides. */
  readonly clock: (work: StageWork, size: Size, done: number, models: number) => number
}

export function drawPainter(model: PainterModel, random: RandomUnit): SimulatedPainter {
  const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())
  const noise = () => {
    if (model.tails === null) return normal()
    let squares = 0
    for (let degree = 0; degree < model.tails; degree++) squares += normal() ** 2
    return normal() / Math.sqrt(squares / model.tails)
  }
  const drawn = new Map<string, number>()
  const draw = (name: string, spread: number) => {
    const known = drawn.get(name)
    if (known !== undefined) return known
    const fresh = spread * normal()
    drawn.set(name, fresh)
    return fresh
  }
  const own = model.painter * normal()
  let today = 0
  const paceOf = (technique: string, size: Size, cell: string) =>
    own +
    draw(technique, model.technique) +
    draw(`${technique} ${size}`, model.size) +
    draw(`${technique} ${size} ${cell}`, model.stage)
  const paint: SimulatedPainter['paint'] = (work, size, done, models) => {
    const pace = paceOf(
      `${work.technique ?? ''}${work.small ? ' on small parts' : ''}`,
      size,
      `${work.stageId} ${work.unitId}`,
    )
    const day = today + model.lap * noise()
    let seconds = 0
    for (let k = 1; k <= models; k++) {
      const learned = Math.min(done + k, 12) ** Math.log2(model.learningRate)
      seconds += work.secondsPerModel * learned * Math.exp(pace + day + model.model * noise())
    }
    return seconds
  }
  return {
    sitDown: () => (today = model.sitting * normal()),
    paint,
    clock: (...what) => {
      const seconds = paint(...what)
      return random() < model.interruptions ? seconds + 600 * (0.3 + random()) : seconds
    },
  }
}
