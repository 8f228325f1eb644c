import { recipeDoubts, scaledShares, type Shelf } from '@seriatim/core/recipe'
import type { Recipe } from '@seriatim/core/trade'
import type { StepId } from '@seriatim/core/units'
import { useMemo } from 'react'
import { Link } from 'react-router'
import { Button } from '../../shared/ui/index.ts'

interface DoubtsProps {
  readonly recipe: Recipe
  readonly shelf: Shelf
  readonly onChange: (recipe: Recipe, said: string) => void
  readonly onOpen: (stepId: StepId) => void
}

/** What is written so that figures come out wrong or a layer has nothing to do, each with its way out. */
export function Doubts({ recipe, shelf, onChange, onOpen }: DoubtsProps) {
  const doubts = useMemo(() => recipeDoubts(recipe, shelf), [recipe, shelf])
  if (doubts.length === 0) return null
  return (
    <ul
      role="status"
      aria-label="To be set right"
      className="ticket mb-4 border-l-8 border-l-touch-up px-4 py-2"
    >
      {doubts.map(({ kind, text, stepId }) => (
        <li key={`${kind} ${stepId ?? ''}`} className="py-1">
          {text}{' '}
          {kind === 'shares' ? (
            <Button
              weight="quiet"
              className="px-1!"
              onClick={() =>
                onChange({ ...recipe, regions: scaledShares(recipe.regions) }, 'The shares add up.')
              }
            >
              Scale them
            </Button>
          ) : null}
          {kind === 'wipe' && stepId ? (
            <Button weight="quiet" className="px-1!" onClick={() => onOpen(stepId)}>
              Show it
            </Button>
          ) : null}
          {kind === 'no bright ground' ? (
            <Link to="../shelf" className="font-bold underline underline-offset-4">
              To the shelf
            </Link>
          ) : null}
        </li>
      ))}
    </ul>
  )
}
