import { batchHole, holeState, type HoleState, type Progress, isOpenHole } from '@seriatim/core/progress'
import { batchName, type Batch, type Project, type Stage } from '@seriatim/core/trade'
import type { Instant, ModelId } from '@seriatim/core/units'
import { holeText } from '../../shared/ui/index.ts'

/** One hole on the board: the models it stands for, at one stage. */
export interface Cell {
  readonly stage: Stage
  readonly state: HoleState
  /** Models that take the stage. */
  readonly modelIds: readonly ModelId[]
  /** Those still to be punched: to do, in hand, or waiting for a touch-up. */
  readonly open: readonly ModelId[]
  /** `4/6` on a batch half-way through. */
  readonly count: string
  readonly label: string
}

export interface StripRow {
  readonly key: string
  readonly kind: 'batch' | 'model'
  readonly batch: Batch
  readonly name: string
  readonly cells: readonly Cell[]
}

/**
 * Pixels of a row, with the edge above a batch's; `--strip` of the board says the same.
 *
 * @param coarse whether fingers are to hit it.
 */
export const stripHeight = ({ kind }: StripRow, coarse: boolean) =>
  (coarse ? 48 : 40) + (kind === 'batch' ? 1 : 0)

/** What the rows of a batch were made of. */
interface Made {
  readonly line: Project['line']
  readonly batch: Batch
  readonly marks: readonly unknown[]
  readonly clocks: string
  readonly isOpen: boolean
  readonly now: Instant
  readonly isDrying: boolean
  readonly rows: readonly StripRow[]
}

/**
 * The board's rows: a strip a batch, and under an opened one a strip a model. Rows of which nothing changed since the
 * last time are the same objects, so that a tap draws its own row and no other.
 */
export function createStripRows() {
  const made = new Map<string, Made>()
  return (
    project: Project,
    batches: readonly Batch[],
    progress: Progress,
    now: Instant,
    opened: ReadonlySet<string>,
  ): readonly StripRow[] =>
    batches.flatMap((batch) => {
      const isOpen = opened.has(batch.id)
      const marks = batch.models.map((model) => progress.marks.get(model.id))
      const clocks = clocksOn(batch, progress)
      const before = made.get(batch.id)
      const isSame =
        before?.line === project.line &&
        before.isOpen === isOpen &&
        before.clocks === clocks &&
        (before.now === now || !before.isDrying) &&
        before.batch.models.length === batch.models.length &&
        before.batch.models.every((model, index) => model === batch.models[index]) &&
        before.marks.every((each, index) => each === marks[index])
      if (isSame) return before.rows
      const rows = rowsOf(project, batch, progress, now, isOpen)
      const isDrying = rows.some((row) => row.cells.some((cell) => cell.state.kind === 'drying'))
      made.set(batch.id, { line: project.line, batch, marks, clocks, isOpen, now, isDrying, rows })
      return rows
    })
}

/** The clocks that run on models of the batch. */
function clocksOn(batch: Batch, { running }: Progress): string {
  return running
    .filter((clock) => batch.models.some((model) => clock.modelIds.includes(model.id)))
    .map((clock) => clock.eventId)
    .join(' ')
}

function rowsOf(
  project: Project,
  batch: Batch,
  progress: Progress,
  now: Instant,
  isOpen: boolean,
): readonly StripRow[] {
  const holes = project.line.map((stage) =>
    batch.models.map((model) => ({
      id: model.id,
      state: holeState(progress, batch.unitId, model, stage, now),
    })),
  )
  const name = batchName(batch)
  const strip: StripRow = {
    key: batch.id,
    kind: 'batch',
    batch,
    name,
    cells: project.line.map((stage, column) => cellOf(name, stage, stage.name, holes[column] ?? [])),
  }
  if (!isOpen) return [strip]
  const models = batch.models.map(({ id, name: modelName }, index): StripRow => {
    return {
      key: id,
      kind: 'model',
      batch,
      name: modelName,
      cells: project.line.map((stage, column) =>
        cellOf(modelName, stage, stage.name, holes[column]?.slice(index, index + 1) ?? []),
      ),
    }
  })
  return [strip, ...models]
}

function cellOf(
  name: string,
  stage: Stage,
  stageLabel: string,
  holes: readonly { id: ModelId; state: HoleState }[],
): Cell {
  const taking = holes.filter((hole) => hole.state.kind !== 'not-needed')
  const whole = batchHole(holes.map((hole) => hole.state))
  const partly = whole.done > 0 && whole.done < whole.of
  return {
    stage,
    state: whole.state,
    modelIds: taking.map((hole) => hole.id),
    open: taking.filter((hole) => isOpenHole(hole.state)).map((hole) => hole.id),
    count: partly ? `${String(whole.done)}/${String(whole.of)}` : '',
    label: `${stageLabel}, ${name}: ${holeText(whole.state)}${partly ? `, ${String(whole.done)} of ${String(whole.of)}` : ''}`,
  }
}
