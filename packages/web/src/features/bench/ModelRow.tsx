import { holeState, type Progress } from '@seriatim/core/progress'
import type { Instant, ModelId } from '@seriatim/core/units'
import { clsx } from 'clsx'
import { DropdownMenu } from 'radix-ui'
import { holeText, PunchHole } from '../../shared/ui/index.ts'
import type { BenchTask } from './bench-task.ts'

/** What can be done about one model of the batch. */
export interface ModelActions {
  readonly done: (id: ModelId) => void
  /** The stage once more: another coat, or a mark that was not meant. */
  readonly again: (id: ModelId) => void
  readonly skip: (id: ModelId) => void
  readonly touchUp: (id: ModelId) => void
}

interface ModelRowProps {
  readonly task: BenchTask
  readonly progress: Progress
  readonly now: Instant
  readonly actions: ModelActions
}

/** The models of the batch at this stage, a hole each, and whose turn it is; a tap on one says what can be done about it. */
export function ModelRow({ task: { batch, stage, modelIds, left }, progress, now, actions }: ModelRowProps) {
  const models = batch.models.filter((model) => modelIds.includes(model.id))
  const next = models.find((model) => model.id === left[0])
  return (
    <>
      <ol className="mt-5 flex flex-wrap gap-1.5" aria-label="Models of this batch">
        {models.map((model) => {
          const state = holeState(progress, batch.unitId, model, stage, now)
          const isOpen = left.includes(model.id)
          const act = (name: string, run: (id: ModelId) => void) => ({ name, run: () => run(model.id) })
          const offered = isOpen
            ? [
                act(state.kind === 'touch-up' ? 'Mended' : 'Done', actions.done),
                ...(left.length > 1 && model.id !== left.at(-1) ? [act('Skip for now', actions.skip)] : []),
              ]
            : [act('Another coat', actions.again), act('Slip or missed part', actions.touchUp)]
          return (
            <li
              key={model.id}
              className={clsx('border-b-4', model === next ? 'border-hands' : 'border-transparent')}
            >
              <DropdownMenu.Root modal={false}>
                <DropdownMenu.Trigger className="block rounded-full">
                  <PunchHole state={state} now={now} size={44} />
                  <span className="sr-only">
                    {model.name}: {holeText(state)}
                    {model === next ? ', next' : ''}
                  </span>
                </DropdownMenu.Trigger>
                <DropdownMenu.Content
                  sideOffset={4}
                  collisionPadding={12}
                  className="ticket z-10 min-w-44 p-1 shadow-lg"
                >
                  <DropdownMenu.Label className="px-3 py-1 text-sm text-ink-soft">
                    {model.name}
                  </DropdownMenu.Label>
                  {offered.map(({ name, run }) => (
                    <DropdownMenu.Item
                      key={name}
                      onSelect={run}
                      className="flex min-h-12 cursor-pointer items-center rounded-[3px] px-3 font-bold outline-none data-highlighted:bg-mat"
                    >
                      {name}
                    </DropdownMenu.Item>
                  ))}
                </DropdownMenu.Content>
              </DropdownMenu.Root>
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
