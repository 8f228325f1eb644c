import { type AirAt, lineNow, unfitForCans } from '../air/index.ts'
import { foldProgress, type Progress } from '../progress/index.ts'
import type { Shelf } from '../recipe/index.ts'
import { partsOf, type Project } from '../trade/index.ts'
import { instant, type Instant } from '../units/index.ts'
import { amountsLeft, besideByBatch, type BesideWorkOf } from './amounts-left.ts'
import type { BatchTimes } from './batch-time.ts'
import { estimateLine, timesOf, type LineEstimate } from './estimate-line.ts'
import type { PaceObservation } from './rates.ts'
import { roomFor, type Room } from './room.ts'
import { workLeft, type WorkLeft } from './work-left.ts'

/** All that a project's figures follow from. */
export interface FigureSources {
  /** As it is written down, with the waits that stand on its stages. */
  readonly project: Project
  readonly shelf: Shelf
  /** What the clock says. */
  readonly clock: Instant
  readonly progress?: Progress
  /** Of the air, those foretold among them. */
  readonly readings?: readonly AirAt[]
  /** What is known of the painter's pace from elsewhere: other projects, brought rates. */
  readonly known?: readonly PaceObservation[]
}

const tenMinutes = 600_000
const nothingDone = foldProgress([])

/**
 * The moment that all figures speak of: the last full ten minutes, or the last record where that is later. So two devices
 * that know the same records say the same, and nothing changes with every second.
 */
function momentOf(clock: Instant, { latestAt }: Pick<Progress, 'latestAt'>): Instant {
  const mark = Math.floor(clock / tenMinutes) * tenMinutes
  return instant(Math.max(mark, Math.min(clock, latestAt ?? mark)))
}

type Given = Required<Omit<FigureSources, 'clock'>>

/**
 * The figures of a project at a moment: each is worked out when it is first asked for, and once. Everything that shows a
 * figure asks here; plans and forecasts are made of it (`planningOf`, `planFigures`, `forecastFigures`).
 */
export class Figures {
  /** With the waits that the air at the desk asks for, and that fingers on coats have found. */
  readonly project: Project
  readonly progress: Progress
  readonly shelf: Shelf
  readonly known: readonly PaceObservation[]
  readonly now: Instant
  readonly #readings: readonly AirAt[]
  #estimate: LineEstimate | undefined
  #times: BatchTimes | undefined
  #room: Room | undefined
  #left: WorkLeft | undefined
  #beside: BesideWorkOf | undefined
  #noSpray: ReturnType<typeof unfitForCans> | undefined

  private constructor({ project, progress, shelf, known, readings }: Given, now: Instant) {
    this.project = project
    this.progress = progress
    this.shelf = shelf
    this.known = known
    this.now = now
    this.#readings = readings
  }

  static of(sources: FigureSources): Figures {
    const { project, clock, shelf, progress = nothingDone, readings = [], known = [] } = sources
    const now = momentOf(clock, progress)
    const given = { project, shelf, progress, readings, known }
    return new Figures({ ...given, project: dried(given, now) }, now)
  }

  /** Another project in its place, as it is written down, by the same painter at the same moment. */
  afresh(project: Project, progress: Progress = this.progress): Figures {
    const given = { ...this.#given(), project, progress }
    return new Figures({ ...given, project: dried(given, this.now) }, this.now)
  }

  /** The same with something else about it; a project with its waits as `project` has them. */
  changed(change: Partial<Pick<Given, 'project' | 'progress' | 'known'>>): Figures {
    return new Figures({ ...this.#given(), ...change }, this.now)
  }

  /** As if nothing of it were painted yet: its laps teach as another job's would. */
  untouched(): Figures {
    const taught = this.estimate.observed.flatMap((each) => each.observations)
    return this.changed({ progress: nothingDone, known: [...this.known, ...taught] })
  }

  /** What every stage takes on every unit, with the range. */
  get estimate(): LineEstimate {
    return (this.#estimate ??= estimateLine(this))
  }

  /** The same as plans take it. */
  get times(): BatchTimes {
    return (this.#times ??= timesOf(this.estimate))
  }

  /** What plans leave free of each session. */
  get room(): Room {
    return (this.#room ??= roomFor(partsOf(this.project), this.estimate))
  }

  /** Work by model: hands-on time and touch-ups, without set-ups. */
  get left(): WorkLeft {
    return (this.#left ??= workLeft(this.project, this.progress, this.times))
  }

  /** Set-ups and touch-ups of what is left, batch by batch: as long as there is no plan of it. */
  get besideByBatch(): BesideWorkOf {
    return (this.#beside ??= besideByBatch(this.project, this.estimate))
  }

  /** What is left of each stage, with the set-ups of a plan where there is one. */
  amountsLeft(
    beside: BesideWorkOf = this.besideByBatch,
    isMeant?: Parameters<typeof amountsLeft>[2],
  ): ReturnType<typeof amountsLeft> {
    return amountsLeft(this.estimate, beside, isMeant)
  }

  /** When the air is known not to be fit for cans. */
  get noSpray(): ReturnType<typeof unfitForCans> {
    return (this.#noSpray ??= unfitForCans(this.#readings, this.now))
  }

  #given(): Given {
    const { project, progress, shelf, known } = this
    return { project, progress, shelf, known, readings: this.#readings }
  }
}

function dried({ project, shelf, readings, progress }: Given, now: Instant): Project {
  const line = lineNow(project, shelf, readings, progress.touches, now)
  return line === project.line ? project : { ...project, line }
}
