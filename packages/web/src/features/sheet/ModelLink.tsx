import type { Model } from '@seriatim/core/trade'
import type { ModelId } from '@seriatim/core/units'

/** A model's name in a list; a tap opens it. */
export function ModelLink({
  model,
  onOpen,
}: {
  readonly model: Pick<Model, 'id' | 'name'>
  readonly onOpen: (modelId: ModelId) => void
}) {
  return (
    <button
      type="button"
      className="min-h-9 font-bold underline underline-offset-4"
      onClick={() => onOpen(model.id)}
    >
      {model.name}
    </button>
  )
}
