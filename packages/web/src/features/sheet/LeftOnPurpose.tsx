import type { BatchTimes } from '@seriatim/core/estimating'
import { laterOnPurpose, type ModelStanding } from '@seriatim/core/sheet'
import type { Project } from '@seriatim/core/trade'
import type { ModelId } from '@seriatim/core/units'
import { durationText, plural } from '../../shared/format/index.ts'
import { ModelLink } from './ModelLink.tsx'

interface LeftOnPurposeProps {
  readonly project: Pick<Project, 'line'>
  readonly times: BatchTimes | undefined
  readonly standings: readonly ModelStanding[]
  readonly onOpen: (modelId: ModelId) => void
}

/** What an inspection left as it is: for another day, when there is one, with what it would take then. */
export function LeftOnPurpose({ project, times, standings, onOpen }: LeftOnPurposeProps) {
  const left = laterOnPurpose(project, standings, times)
  const pots = new Set(left.flatMap((each) => each.pots)).size
  const seconds = left.reduce((sum, each) => sum + each.seconds, 0)
  if (left.length === 0) return null
  return (
    <details className="ticket mt-4 px-4 py-2">
      <summary className="min-h-9 cursor-pointer py-1">
        <h2 className="inline text-lg">Left on purpose: {plural(left.length, 'model')}</h2>
        {seconds > 0 ? (
          <span className="ml-2 text-sm text-ink-soft">
            {durationText(seconds)} from {plural(pots, 'pot')}, if they are taken up
          </span>
        ) : null}
      </summary>
      <ul>
        {left.map(({ model, note, stages, seconds: own }) => (
          <li key={model.id} className="border-t border-paper-edge">
            <ModelLink model={model} onOpen={onOpen} />
            {note === '' ? '' : `: ${note}`}
            {own > 0 ? (
              <span className="block text-sm text-ink-soft">
                {durationText(own)}: {stages.map((stage) => stage.name.toLowerCase()).join(', ')}
              </span>
            ) : null}
          </li>
        ))}
      </ul>
    </details>
  )
}
