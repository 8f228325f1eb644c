import { batchHandOver, type BatchHandOver } from '@seriatim/core/bench'
import { textOfMix } from '@seriatim/core/mixing'
import type { Progress } from '@seriatim/core/progress'
import type { Shelf } from '@seriatim/core/recipe'
import { batchName, holderOf, type Batch, type Project } from '@seriatim/core/trade'
import { plural } from '../../shared/format/index.ts'
import { StageTable } from './StageTable.tsx'
import { BatchBoxes } from './TravellerTicket.tsx'

interface HandOverSheetProps {
  readonly batch: Batch
  readonly batches: readonly Batch[]
  readonly project: Project
  readonly progress: Progress
  readonly shelf: Shelf
}

/** What goes with a batch to other hands: what is on it, what waits, and how each stage left is done. */
export function HandOverSheet({ batch, batches, project, progress, shelf }: HandOverSheetProps) {
  const over = batchHandOver(project, progress, shelf, batch)
  const holder = holderOf(project.planning, batch.id, batches)
  const painter = project.planning.painters.find(({ id }) => id === holder?.painterId)
  return (
    <section className="paper-sheet ticket mt-5 p-4" aria-label={`Hand-over of ${batchName(batch)}`}>
      <h2 className="text-xl">
        {batchName(batch)}
        <span className="text-base font-normal text-ink-soft">
          {' '}
          · {plural(batch.models.length, 'model')} · {project.name}
        </span>
      </h2>
      <p>
        {over.stagesDone} of {plural(over.stages, 'stage')} done.
        {painter ? ` Now in ${painter.name}’s hands.` : ''} Keep to the mixes below: they are those of the
        models that are done.
      </p>
      <OnThem over={over} shelf={shelf} />
      {over.left.length > 0 ? (
        <StageTable
          numbers="models"
          amounts="For these"
          stages={over.left.map((left) => ({
            stage: left.stage,
            card: left.card,
            number: left.models.length,
            said: saidOf(left, shelf),
          }))}
        />
      ) : null}
      <BatchBoxes batch={batch} project={project} progress={progress} />
    </section>
  )
}

/** What is on the models and not in the recipe, and what waits to be mended. */
function OnThem({ over, shelf }: { readonly over: BatchHandOver; readonly shelf: Shelf }) {
  if (over.usedBefore.length + over.slips.length === 0) return null
  return (
    <ul className="mt-2 text-sm">
      {over.usedBefore.map(({ stage, mix, note }) => (
        <li key={stage.id} className="border-t border-paper-edge py-0.5">
          <b>{stage.name}</b> is {textOfMix(mix, shelf)}, not as the recipe has it
          {note === '' ? '' : `: ${note}`}
        </li>
      ))}
      {over.slips.map(({ stage, model, text }) => (
        <li key={`${stage.id} ${model.id}`} className="border-t border-paper-edge py-0.5">
          <span aria-hidden="true" className="mr-2 inline-block size-3.5 border border-ink align-[-2px]" />
          To mend: <b>{model.name}</b>, {[stage.name, text].filter(Boolean).join(', ')}
        </li>
      ))}
    </ul>
  )
}

function saidOf({ stage, card, used }: BatchHandOver['left'][number], shelf: Shelf): readonly string[] {
  return [
    stage.note,
    card.said?.note ?? '',
    used ? `used instead: ${[textOfMix(used.mix, shelf), used.note].filter(Boolean).join(', ')}` : '',
    ...card.missedBefore.map((note) => `missed before: ${note}`),
  ].filter(Boolean)
}
