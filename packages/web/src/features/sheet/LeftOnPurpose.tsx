import type { ModelId, ModelStanding } from '@seriatim/core'
import { plural } from '../../shared/format/index.ts'
import { ModelLink } from './ModelLink.tsx'

interface LeftOnPurposeProps {
  readonly standings: readonly ModelStanding[]
  readonly onOpen: (modelId: ModelId) => void
}

/** What an inspection left as it is: for another day, when there is one. */
export function LeftOnPurpose({ standings, onOpen }: LeftOnPurposeProps) {
  const left = standings.flatMap(({ model, inspection }) =>
    inspection?.verdict === 'left' ? [{ model, note: inspection.note }] : [],
  )
  if (left.length === 0) return null
  return (
    <details className="ticket mt-4 px-4 py-2">
      <summary className="min-h-9 cursor-pointer py-1">
        <h2 className="inline text-lg">Left on purpose: {plural(left.length, 'model')}</h2>
      </summary>
      <ul>
        {left.map(({ model, note }) => (
          <li key={model.id} className="border-t border-paper-edge">
            <ModelLink model={model} onOpen={onOpen} />
            {note === '' ? '' : `: ${note}`}
          </li>
        ))}
      </ul>
    </details>
  )
}
