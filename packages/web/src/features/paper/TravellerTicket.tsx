import { isThrough, type Progress } from '@seriatim/core/progress'
import {
  batchName,
  saysPot,
  stagesOf,
  takesStage,
  type Batch,
  type Model,
  type Project,
} from '@seriatim/core/trade'

interface TravellerTicketProps {
  readonly batch: Batch
  readonly project: Project
  readonly progress: Progress
}

/** So many models find room beside the stages on a sheet. */
const abreast = 12

/** What lies with a batch on its tray: every stage with a box for each model, to be ticked by pen. */
export function TravellerTicket({ batch, project, progress }: TravellerTicketProps) {
  const parts = partsOf(batch)
  return parts.map((models, part) => (
    <section key={models[0]?.id} className="paper-sheet ticket mt-5 p-4">
      <h2 className="text-xl">
        {batchName(batch)}
        {parts.length > 1 ? `, ${String(part + 1)} of ${String(parts.length)}` : ''}
        <span className="text-base font-normal text-ink-soft"> · {project.name}</span>
      </h2>
      <Boxes models={models} batch={batch} project={project} progress={progress} />
    </section>
  ))
}

/** The same boxes as part of another sheet. */
export function BatchBoxes({ batch, project, progress }: TravellerTicketProps) {
  return partsOf(batch).map((models) => (
    <Boxes key={models[0]?.id} models={models} batch={batch} project={project} progress={progress} />
  ))
}

/** As many models as stand abreast, and so on. */
function partsOf(batch: Batch): readonly (readonly Model[])[] {
  return Array.from({ length: Math.ceil(batch.models.length / abreast) }, (_, part) =>
    batch.models.slice(part * abreast, (part + 1) * abreast),
  )
}

function Boxes({
  models,
  batch,
  project,
  progress,
}: TravellerTicketProps & { readonly models: readonly Model[] }) {
  const stages = stagesOf(project, batch.unitId)
  return (
    <table className="mt-2 w-full border-collapse text-sm">
      <thead>
        <tr className="align-bottom">
          <th scope="col" className="text-left">
            Stage
          </th>
          {models.map((model) => (
            <th key={model.id} scope="col" className="w-8 py-1 text-xs">
              <span className="mx-auto block [writing-mode:sideways-lr]">{model.name}</span>
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {stages.map((stage, place) => (
          <tr
            key={stage.id}
            className={`border-t ${stage.tableReady ? 'border-b-2 border-b-ink' : ''} border-paper-edge`}
          >
            <th scope="row" className="py-0.5 pr-2 text-left font-normal">
              <span className="figures text-xs text-ink-soft">{place + 1}</span> <b>{stage.name}</b>
              {saysPot(stage) || stage.material === '' ? '' : `, ${stage.material}`}
            </th>
            {models.map((model) => (
              <td key={model.id} className="w-8 text-center">
                <Box
                  state={
                    !takesStage(stage, batch.unitId, model)
                      ? 'not needed'
                      : isThrough(progress, model.id, stage)
                        ? 'done'
                        : 'to do'
                  }
                />
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  )
}

/** Told apart by shape, so that black and white will do. */
function Box({ state }: { readonly state: 'to do' | 'done' | 'not needed' }) {
  return (
    <svg viewBox="0 0 12 12" className="inline size-3.5 stroke-ink" fill="none" role="img" aria-label={state}>
      {state === 'not needed' ? (
        <line x1="3" y1="6" x2="9" y2="6" />
      ) : (
        <rect x="1" y="1" width="10" height="10" className={state === 'done' ? 'fill-ink' : ''} />
      )}
    </svg>
  )
}
