import { setUpCard } from '@seriatim/core/bench'
import type { Progress } from '@seriatim/core/progress'
import type { Shelf } from '@seriatim/core/recipe'
import { stagesOf, type Project, type Unit } from '@seriatim/core/trade'
import { plural } from '../../shared/format/index.ts'
import { StageTable } from './StageTable.tsx'

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
      <StageTable
        numbers="places"
        amounts={`For ${plural(count, 'model')}`}
        stages={stagesOf(project, unit.id).map((stage, place) => {
          const card = setUpCard(project, progress, shelf, { stage, unit, models: unit.models, used: null })
          return { stage, card, number: place + 1, said: [stage.note, card.said?.note ?? ''].filter(Boolean) }
        })}
      />
    </section>
  )
}
