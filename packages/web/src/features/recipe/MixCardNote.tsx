import { mixCard, nearestPaints, stepMillilitres, textOfMix } from '@seriatim/core/mixing'
import type { Shelf, StepFacts, Takers } from '@seriatim/core/recipe'
import type { Mix } from '@seriatim/core/trade'
import { plural, decimalText } from '../../shared/format/index.ts'
import { Button } from '../../shared/ui/index.ts'

interface MixCardNoteProps {
  readonly facts: StepFacts
  readonly shelf: Shelf
  readonly takers: Takers
  /** Paint with this instead. */
  readonly onUse: (mix: Mix) => void
}

/** How much to mix for everyone at once, so that the tone stays the same; and what is missing. */
export function MixCardNote({ facts, shelf, takers, onUse }: MixCardNoteProps) {
  const { models } = takers
  const ml = stepMillilitres(facts, takers.footModels)
  if (models === 0 || ml === 0) return null
  const card = mixCard(facts.step.mix, ml, shelf)
  const mixed = card.lines.length > 1
  const short = card.lines.some((line) => !line.enough)
  const standIns = short ? facts.step.substitutes.flatMap((id) => shelf.get(id) ?? []) : []
  return (
    <section aria-label="Mix card" className="rounded-[3px] bg-paper-dim p-3 text-sm">
      <p>
        <b>
          {mixed ? 'Mix' : 'Takes about'} {millilitres(card.totalMl)}
        </b>{' '}
        for {plural(models, 'model')}
        {mixed ? ' at once, so that all have the same tone' : ''}:
      </p>
      <ul className="mt-1 grid gap-x-6 sm:grid-cols-2">
        {card.lines.map((line) => (
          <li key={line.material.id} className="flex flex-wrap gap-x-2">
            <span className="figures font-bold">
              {mixed ? plural(line.drops, 'drop') : millilitres(line.ml)}
            </span>
            {line.material.name}
            <span className="text-ink-soft">
              {line.enough
                ? 'enough on the shelf'
                : `${millilitres(line.material.stockMl)} on the shelf${line.buyPots > 0 ? `; buy ${plural(line.buyPots, 'pot')}` : ''}`}
            </span>
          </li>
        ))}
      </ul>
      {standIns.map((material) => (
        <p key={material.id} className="mt-1">
          Or {material.name}, of which {millilitres(material.stockMl)} is there:{' '}
          <Button
            weight="quiet"
            className="px-1!"
            onClick={() => onUse([{ materialId: material.id, parts: 1 }])}
          >
            Use it here
          </Button>
        </p>
      ))}
      {short ? <NearMatches facts={facts} shelf={shelf} onUse={onUse} /> : null}
    </section>
  )
}

/** Farther off it is another colour. */
const anotherColour = 10

/** What on the shelf comes nearest to a paint that is not there. */
function NearMatches({ facts, shelf, onUse }: Pick<MixCardNoteProps, 'facts' | 'shelf' | 'onUse'>) {
  const { material } = facts
  if (!material || facts.step.mix.length !== 1) return null
  const near = nearestPaints(material.colour, material.kind, shelf, [material.id])
  const inStock = near.filter(({ mix }) =>
    mix.every((part) => (shelf.get(part.materialId)?.stockMl ?? 0) > 0),
  )
  return inStock.slice(0, 2).map(({ mix, difference }) => (
    <p key={textOfMix(mix, shelf)} className="mt-1">
      Nearest on the shelf: {textOfMix(mix, shelf)}
      <span className="text-ink-soft">
        , {decimalText(difference, 1)} off (
        {difference < 2
          ? 'hardly to be seen'
          : difference < anotherColour
            ? 'a near match'
            : 'another colour'}
        ){' '}
      </span>
      <Button weight="quiet" className="px-1!" onClick={() => onUse(mix)}>
        Use it here
      </Button>
    </p>
  ))
}

export function millilitres(ml: number): string {
  if (ml === 0) return '0 ml'
  return ml < 1 ? `${decimalText(ml, 2)} ml` : `${ml < 10 ? decimalText(ml, 1) : decimalText(ml, 0)} ml`
}
