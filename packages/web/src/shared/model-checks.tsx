import type { Model } from '@seriatim/core/trade'
import type { ModelId } from '@seriatim/core/units'
import { useState } from 'react'
import { CheckField } from './ui/index.ts'

interface ModelChecksProps {
  readonly models: readonly Model[]
  readonly chosen: ReadonlySet<ModelId>
  readonly onToggle: (id: ModelId) => void
}

/** Models to be ticked, each with its role where it is no trooper. */
export function ModelChecks({ models, chosen, onToggle }: ModelChecksProps) {
  return (
    <ul className="mt-3 grid gap-x-4 sm:grid-cols-2">
      {models.map((model) => (
        <li key={model.id}>
          <CheckField
            label={model.role === 'trooper' ? model.name : `${model.name}, ${model.role}`}
            checked={chosen.has(model.id)}
            onChange={() => onToggle(model.id)}
          />
        </li>
      ))}
    </ul>
  )
}

/** Which models are ticked, and what ticks one or takes the tick away. */
export function useChosenModels(first: readonly ModelId[] = []) {
  const [chosen, setChosen] = useState<ReadonlySet<ModelId>>(new Set(first))
  const toggle = (id: ModelId) => {
    const next = new Set(chosen)
    if (!next.delete(id)) next.add(id)
    setChosen(next)
  }
  return {
    chosen,
    toggle,
    clear: () => setChosen(new Set()),
    /** In roster order. */
    among: (models: readonly Model[]) => models.flatMap((model) => (chosen.has(model.id) ? [model.id] : [])),
  }
}
