import { holeState, type Progress, isOpenHole } from '@seriatim/core/progress'
import { stagesOf, type Model, type Project, type Unit } from '@seriatim/core/trade'
import type { Instant } from '@seriatim/core/units'
import { Pencil, Trash2 } from 'lucide-react'
import { Link } from 'react-router'
import { plural, numberText } from '../../shared/format/index.ts'
import { IconButton, PunchStrip } from '../../shared/ui/index.ts'
import { useNow } from '../../shared/use-now.ts'

interface UnitTicketProps {
  readonly project: Project
  readonly unit: Unit
  readonly progress: Progress | undefined
  readonly onEdit: () => void
  readonly onRemove: () => void
}

const holeSize = 12

/** A unit with one strip a model, small enough to take in at a glance. */
export function UnitTicket({ project, unit, progress, onEdit, onRemove }: UnitTicketProps) {
  const now = useNow(60)
  const points = unit.models.reduce((sum, model) => sum + model.points, 0)
  const strip = holeSize * project.line.length
  const stages = stagesOf(project, unit.id)
  return (
    <article className="ticket p-4">
      <div className="flex items-start gap-1">
        <div className="grow">
          <h2 className="text-xl">{unit.name}</h2>
          <p className="text-sm text-ink-soft">
            {plural(unit.models.length, 'model')}
            {unit.size === 'foot' ? '' : `, ${unit.size}`}
            {unit.detail === 'usual' ? '' : `, ${unit.detail}`}
            {unit.standard === 'tabletop' ? '' : `, ${unit.standard}`}
            {points > 0 ? `, ${numberText(points)} points` : ''}
            {stages.length < project.line.length
              ? `, ${plural(stages.length, 'stage')} of ${String(project.line.length)}`
              : ''}
          </p>
        </div>
        {progress && isFinished(project, unit, progress, now) ? (
          <Link
            to={`../finished/${unit.id}`}
            className="flex min-h-11 items-center px-2 font-bold underline underline-offset-4"
          >
            How it went<span className="sr-only"> with {unit.name}</span>
          </Link>
        ) : project.line.length > 0 && unit.models.length > 1 ? (
          <Link
            to={`../pilot/${unit.id}`}
            className="flex min-h-11 items-center px-2 font-bold underline underline-offset-4"
          >
            {unit.pilot.length === 0 ? 'Paint a test model' : 'The pilot'}
            <span className="sr-only"> of {unit.name}</span>
          </Link>
        ) : null}
        <IconButton label={`Change ${unit.name}`} onClick={onEdit}>
          <Pencil aria-hidden="true" size={18} />
        </IconButton>
        <IconButton label={`Remove ${unit.name}`} onClick={onRemove}>
          <Trash2 aria-hidden="true" size={18} />
        </IconButton>
      </div>
      <ul
        className="mt-2 grid gap-x-8"
        style={{ gridTemplateColumns: `repeat(auto-fill, minmax(min(100%, ${String(170 + strip)}px), 1fr))` }}
      >
        {unit.models.map((model) => (
          <li
            key={model.id}
            className="flex min-h-8 min-w-0 flex-wrap items-center justify-between gap-x-2 border-t border-paper-edge py-1"
          >
            <span className="min-w-0 grow basis-40 truncate" title={model.name}>
              {model.name}
              {tellsApart(model) === '' ? null : (
                <span className="ml-1.5 text-sm text-ink-soft">{tellsApart(model)}</span>
              )}
            </span>
            {progress ? (
              <ModelStrip project={project} unit={unit} model={model} progress={progress} now={now} />
            ) : null}
          </li>
        ))}
      </ul>
    </article>
  )
}

/** Every model through every stage it takes. */
function isFinished(project: Project, unit: Unit, progress: Progress, now: Instant): boolean {
  return (
    project.line.length > 0 &&
    unit.models.every((model) =>
      project.line.every((stage) => !isOpenHole(holeState(progress, unit.id, model, stage, now))),
    )
  )
}

/** What sets a model apart from a plain trooper. */
function tellsApart({ role, variants }: Model): string {
  return [...(role === 'trooper' || role === '' ? [] : [role]), ...variants].join(', ')
}

interface ModelStripProps {
  readonly project: Project
  readonly unit: Unit
  readonly model: Model
  readonly progress: Progress
  readonly now: Instant
}

function ModelStrip({ project, unit, model, progress, now }: ModelStripProps) {
  const holes = project.line.map((stage) => ({
    id: stage.id,
    state: holeState(progress, unit.id, model, stage, now),
    stopLine: stage.tableReady,
  }))
  const needed = holes.filter((hole) => hole.state.kind !== 'not-needed')
  const done = needed.filter((hole) => !isOpenHole(hole.state)).length
  const touchUp = holes.some((hole) => hole.state.kind === 'touch-up') ? ', a touch-up' : ''
  const label = `${model.name}: ${done} of ${plural(needed.length, 'stage')} done${touchUp}`
  return <PunchStrip label={label} now={now} size={holeSize} holes={holes} />
}
