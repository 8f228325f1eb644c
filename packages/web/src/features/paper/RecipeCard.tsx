import { deskTools, setUpCard } from '@seriatim/core/bench'
import type { Progress } from '@seriatim/core/progress'
import type { Shelf } from '@seriatim/core/recipe'
import { dryingWait, stagesOf, type Project, type Unit } from '@seriatim/core/trade'
import { durationText, plural } from '../../shared/format/index.ts'

interface RecipeCardProps {
  readonly unit: Unit
  readonly project: Project
  readonly progress: Progress
  readonly shelf: Shelf
}

/** A unit's recipe in the order of the line: the pot or mix in drops, the brush, the wait, and what was said. */
export function RecipeCard({ unit, project, progress, shelf }: RecipeCardProps) {
  const count = unit.models.length
  return (
    <section className="paper-sheet ticket mt-5 p-4">
      <h2 className="text-xl">
        {unit.name}
        <span className="text-base font-normal text-ink-soft">
          {' '}
          · {plural(count, 'model')} to {unit.standard} · {project.name}
        </span>
      </h2>
      <table className="mt-2 w-full border-collapse text-left text-sm">
        <thead>
          <tr className="text-ink-soft">
            <th scope="col">Stage</th>
            <th scope="col">For {plural(count, 'model')}</th>
            <th scope="col">With</th>
            <th scope="col" className="text-right">
              Dry after
            </th>
          </tr>
        </thead>
        <tbody>
          {stagesOf(project, unit.id).map((stage, place) => {
            const card = setUpCard(project, progress, shelf, { stage, unit, models: unit.models, used: null })
            const drops = card.mix?.lines.map(
              ({ material, drops: each }) => `${plural(each, 'drop')} ${material.name}`,
            )
            const said = [stage.note, card.said?.note ?? ''].filter(Boolean)
            return (
              <tr key={stage.id} className="break-inside-avoid border-t border-paper-edge align-top">
                <th scope="row" className="py-0.5 pr-3 font-normal">
                  <span className="figures text-xs text-ink-soft">{place + 1}</span> <b>{stage.name}</b>
                  {said.map((each) => (
                    <span key={each} className="block text-xs text-ink-soft">
                      {each}
                    </span>
                  ))}
                </th>
                <td className="pr-3">{drops && drops.length > 0 ? drops.join(' + ') : stage.material}</td>
                <td className="pr-3">{card.tool ? deskTools[card.tool] : ''}</td>
                <td className="text-right whitespace-nowrap">
                  {dryingWait(stage) === 0 ? '' : durationText(dryingWait(stage))}
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
    </section>
  )
}
