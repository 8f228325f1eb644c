import {
  holeState,
  type HoleState,
  type Inspection,
  isThroughHole,
  neededForTable,
  type Progress,
} from '../progress/index.ts'
import type { Job, Model, Unit } from '../trade/index.ts'
import type { Instant, ModelId, StageId } from '../units/index.ts'
import { standingInspections } from './inspection.ts'

/** Where one model stands at every stage of the line. */
export interface ModelStanding {
  readonly unit: Unit
  readonly model: Model
  /** One a stage of the line, in its order. */
  readonly holes: readonly HoleState[]
  /** Stages it takes, and those it is through. */
  readonly of: number
  readonly done: number
  readonly touchUps: number
  readonly dries: boolean
  readonly isTableReady: boolean
  readonly isFinished: boolean
  /** The one that still stands; `null` where nobody looked, or something changed since. */
  readonly inspection: Inspection | null
}

type Given = Pick<Job, 'line' | 'recipes' | 'units'>

interface Made {
  readonly line: Given['line']
  readonly recipes: Given['recipes']
  readonly unit: Unit
  readonly marks: unknown
  readonly clocks: string
  readonly now: Instant
  readonly inspection: Inspection | null
  readonly standing: ModelStanding
}

/**
 * Standings of all models, in the roster's order. A model of which nothing changed since the last time is the same
 * object, so that a page draws only what is new.
 */
export function createStandings() {
  const made = new Map<ModelId, Made>()
  return (project: Given, progress: Progress, now: Instant): readonly ModelStanding[] => {
    const { line, recipes } = project
    const isNeeded = neededForTable(project)
    const inspections = standingInspections(progress)
    return project.units.flatMap((unit) => {
      let needed: ReadonlySet<StageId> | null = null
      return unit.models.map((model) => {
        const marks = progress.marks.get(model.id)
        const clocks = clocksOn(model.id, progress)
        const inspection = inspections.get(model.id) ?? null
        const before = made.get(model.id)
        if (
          before?.line === line &&
          before.recipes === recipes &&
          before.unit === unit &&
          before.marks === marks &&
          before.clocks === clocks &&
          before.inspection?.eventId === inspection?.eventId &&
          (before.now === now || !before.standing.dries)
        )
          return before.standing
        needed ??= new Set(line.filter((stage) => isNeeded(stage, unit.id)).map((stage) => stage.id))
        const standing = { ...standingOf(line, unit, model, needed, progress, now), inspection }
        made.set(model.id, { line, recipes, unit, marks, clocks, now, inspection, standing })
        return standing
      })
    })
  }
}

function clocksOn(modelId: ModelId, { running }: Progress): string {
  return running.flatMap((clock) => (clock.modelIds.includes(modelId) ? [clock.eventId] : [])).join(' ')
}

function standingOf(
  line: Given['line'],
  unit: Unit,
  model: Model,
  needed: ReadonlySet<StageId>,
  progress: Progress,
  now: Instant,
): Omit<ModelStanding, 'inspection'> {
  const holes = line.map((stage) => holeState(progress, unit.id, model, stage, now))
  const taken = line.flatMap((stage, place) => {
    const hole = holes[place]
    return hole && hole.kind !== 'not-needed' ? [{ stage, hole }] : []
  })
  const isThrough = (some: typeof taken) => some.length > 0 && some.every(({ hole }) => isThroughHole(hole))
  return {
    unit,
    model,
    holes,
    of: taken.length,
    done: taken.filter(({ hole }) => isThroughHole(hole)).length,
    touchUps: taken.filter(({ hole }) => hole.kind === 'touch-up').length,
    dries: taken.some(({ hole }) => hole.kind === 'drying'),
    isTableReady: isThrough(taken.filter(({ stage }) => needed.has(stage.id))),
    isFinished: isThrough(taken),
  }
}
