import { holeState, type Instant, type Progress } from '@seriatim/core'
import { holeText, PunchHole } from '../../shared/ui/index.ts'
import type { BenchTask } from './bench-task.ts'

interface ModelRowProps {
  readonly task: BenchTask
  readonly progress: Progress
  readonly now: Instant
}

/** The models of the batch at this stage, a hole each, and whose turn it is. */
export function ModelRow({ task: { batch, stage, modelIds, left }, progress, now }: ModelRowProps) {
  const models = batch.models.filter((model) => modelIds.includes(model.id))
  const next = models.find((model) => model.id === left[0])
  return (
    <>
      <ol className="mt-5 flex flex-wrap gap-1.5" aria-label="Models of this batch">
        {models.map((model) => {
          const state = holeState(progress, batch.unitId, model, stage, now)
          return (
            <li
              key={model.id}
              className={model === next ? 'border-b-4 border-hands' : 'border-b-4 border-transparent'}
            >
              <PunchHole state={state} now={now} size={44} />
              <span className="sr-only">
                {model.name}: {holeText(state)}
                {model === next ? ', next' : ''}
              </span>
            </li>
          )
        })}
      </ol>
      {next ? (
        <p className="mt-1 text-sm text-ink-soft">
          Next: <b className="text-ink">{next.name}</b>
        </p>
      ) : null}
    </>
  )
}
