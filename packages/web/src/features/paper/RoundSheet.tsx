import type { TouchUpPot } from '@seriatim/core/sheet'
import type { Project } from '@seriatim/core/trade'
import { durationText } from '../../shared/format/index.ts'

interface RoundSheetProps {
  readonly round: readonly TouchUpPot[]
  readonly project: Project
}

/** Everything that waits to be mended, pot by pot, with a box each. */
export function RoundSheet({ round, project }: RoundSheetProps) {
  return (
    <section className="paper-sheet ticket mt-5 p-4">
      <h2 className="text-xl">
        Touch-up round<span className="text-base font-normal text-ink-soft"> · {project.name}</span>
      </h2>
      {round.map((pot) => (
        <div key={pot.pot} className="mt-3 break-inside-avoid">
          <h3 className="font-bold">
            {pot.name}{' '}
            <span className="text-sm font-normal text-ink-soft">
              {durationText(pot.setUpSeconds + pot.dabSeconds)}
            </span>
          </h3>
          <ul>
            {pot.items.map(({ stage, model, region, note, groundSeconds }) => (
              <li key={`${stage.id} ${model.id}`} className="border-t border-paper-edge py-0.5">
                <span
                  aria-hidden="true"
                  className="mr-2 inline-block size-3.5 border border-ink align-[-2px]"
                />
                <b>{model.name}</b>, {[stage.name, region, note].filter(Boolean).join(', ')}
                {groundSeconds === null ? '' : ` (ground first, ${durationText(groundSeconds)} to dry)`}
              </li>
            ))}
          </ul>
        </div>
      ))}
    </section>
  )
}
