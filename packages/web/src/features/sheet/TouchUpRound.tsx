import type { TouchUpPot } from '@seriatim/core/sheet'
import type { ModelId, StageId } from '@seriatim/core/units'
import { durationText, plural } from '../../shared/format/index.ts'
import { Button } from '../../shared/ui/index.ts'
import { ModelLink } from './ModelLink.tsx'

interface TouchUpRoundProps {
  /** `undefined` while it is put together. */
  readonly round: readonly TouchUpPot[] | undefined
  readonly onMended: (stageId: StageId, modelIds: readonly ModelId[]) => void
  readonly onOpen: (modelId: ModelId) => void
}

/** Everything that waits to be mended, in one go: each pot is opened once. */
export function TouchUpRound({ round, onMended, onOpen }: TouchUpRoundProps) {
  if (!round) return <div aria-hidden="true" className="ticket mt-4 h-14" />
  if (round.length === 0) return null
  const items = round.reduce((sum, pot) => sum + pot.items.length, 0)
  const all = round.reduce((sum, pot) => sum + pot.setUpSeconds + pot.dabSeconds, 0)
  return (
    <details className="ticket mt-4 border-l-8 border-l-touch-up px-4 py-2">
      <summary className="min-h-9 cursor-pointer py-1">
        <h2 className="inline text-lg">
          Touch-up round: {plural(items, 'place')} in {plural(round.length, 'pot')}, {durationText(all)}
        </h2>
      </summary>
      <ol>
        {round.map((pot) => (
          <li key={pot.pot} className="border-t border-paper-edge py-2">
            <div className="flex flex-wrap items-center gap-x-4">
              <h3 className="grow text-base font-bold">
                {pot.name}{' '}
                <span className="figures text-sm font-normal text-ink-soft">
                  opening {durationText(pot.setUpSeconds)}, dabs {durationText(pot.dabSeconds)}
                </span>
              </h3>
              {pot.items.length > 1 ? (
                <Button
                  onClick={() => {
                    const stages = new Set(pot.items.map((item) => item.stage.id))
                    for (const stageId of stages)
                      onMended(
                        stageId,
                        pot.items.filter((item) => item.stage.id === stageId).map((item) => item.model.id),
                      )
                  }}
                >
                  All with this pot mended
                </Button>
              ) : null}
            </div>
            <ul>
              {pot.items.map(({ stage, model, region, note, groundSeconds }) => (
                <li key={`${stage.id} ${model.id}`} className="flex flex-wrap items-center gap-x-3">
                  <span className="min-w-0 grow basis-60">
                    <ModelLink model={model} onOpen={onOpen} />, {stage.name}
                    {region === null ? '' : `, ${region}`}
                    {note === '' ? '' : `: ${note}`}
                    {groundSeconds === null
                      ? ''
                      : ` (its ground first, ${durationText(groundSeconds)} to dry, then the tint)`}
                  </span>
                  <Button
                    weight="quiet"
                    aria-label={`Mended: ${model.name}, ${stage.name}`}
                    onClick={() => onMended(stage.id, [model.id])}
                  >
                    Mended
                  </Button>
                </li>
              ))}
            </ul>
          </li>
        ))}
      </ol>
    </details>
  )
}
