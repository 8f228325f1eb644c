import { coatOver, type Hex } from '@seriatim/core/colour'
import { colourOfMix, type Shelf } from '@seriatim/core/recipe'
import type { Material, Mix } from '@seriatim/core/trade'

const grounds: readonly { readonly name: string; readonly colour: Hex }[] = [
  { name: 'dark', colour: '#26282a' },
  { name: 'mid', colour: '#8b8f90' },
  { name: 'light', colour: '#ece6d6' },
]

interface SwatchesProps {
  readonly mix: Mix
  readonly shelf: Shelf
  readonly material: Material
  readonly coats: number
}

/** The same paint over a dark, a mid and a light undercoat: a guide, not a match. */
export function Swatches({ mix, shelf, material, coats }: SwatchesProps) {
  const colour = colourOfMix(mix, shelf)
  if (!colour || material.opacity === 0) return null
  const opacity = 1 - (1 - material.opacity) ** coats
  return (
    <figure className="text-sm">
      <div className="flex overflow-hidden rounded-[3px] border border-rule">
        {grounds.map((ground) => (
          <span
            key={ground.name}
            aria-hidden="true"
            className="h-9 grow"
            style={{
              background: `linear-gradient(${ground.colour} 25%, ${coatOver(colour, opacity, ground.colour)} 25%)`,
            }}
          />
        ))}
      </div>
      <figcaption className="flex text-ink-soft">
        {grounds.map((ground) => (
          <span key={ground.name} className="grow basis-0 text-center">
            over {ground.name}
          </span>
        ))}
      </figcaption>
    </figure>
  )
}
