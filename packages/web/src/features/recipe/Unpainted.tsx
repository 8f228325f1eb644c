import { joinWords } from '@seriatim/core/recipe'
import type { Recipe } from '@seriatim/core/trade'
import { Button } from '../../shared/ui/index.ts'

interface UnpaintedProps {
  readonly recipe: Recipe
  readonly onChange: (recipe: Recipe, said: string) => void
}

/** Regions that no layer of their own lands on: forgotten, or left so on purpose. */
export function Unpainted({ recipe, onChange }: UnpaintedProps) {
  const names = recipe.regions
    .filter(
      (region) =>
        !region.bare && !recipe.steps.some((step) => step.on !== 'whole' && step.on.includes(region.name)),
    )
    .map((region) => region.name)
  if (names.length === 0) return null
  return (
    <p className="mb-3 text-ink-soft">
      No layer of {names.length === 1 ? 'its' : 'their'} own: {joinWords(names)}.{' '}
      <Button
        weight="quiet"
        className="px-1!"
        onClick={() =>
          onChange(
            {
              ...recipe,
              regions: recipe.regions.map((region) =>
                names.includes(region.name) ? { ...region, bare: true } : region,
              ),
            },
            `Left so on purpose: ${joinWords(names)}.`,
          )
        }
      >
        Left so on purpose
      </Button>
    </p>
  )
}
