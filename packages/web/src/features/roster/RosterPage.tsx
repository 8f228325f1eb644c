import { joinWords } from '@seriatim/core/recipe'
import { countModels, type Project, type Unit } from '@seriatim/core/trade'
import { Download, FileUp, Handshake, Plus } from 'lucide-react'
import { useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import { saveText } from '../../shared/csv/index.ts'
import { finishText } from '../../shared/finish-text.ts'
import { durationText, plural } from '../../shared/format/index.ts'
import { useEdit, withoutUnit } from '../../shared/project/index.ts'
import { useManages } from '../../shared/signed-in.ts'
import { useFinish } from '../../shared/use-finish.ts'
import { useCurrentFigures } from '../../shared/figures.ts'
import { useEstimated } from '../../shared/worker/index.ts'
import { Button, EmptyState, Headline } from '../../shared/ui/index.ts'
import { AddUnitDialog } from './AddUnitDialog.tsx'
import { ImportRosterDialog } from './ImportRosterDialog.tsx'
import { rosterCsv } from './roster-csv.ts'
import { UnitDialog } from './UnitDialog.tsx'
import { UnitTicket } from './UnitTicket.tsx'

export function RosterPage() {
  const { written: project, progress, sources } = useCurrentFigures()
  const edit = useEdit()
  const manages = useManages()
  const [search, setSearch] = useSearchParams()
  const [open, setOpen] = useState<'add' | 'import' | Unit | null>(search.has('new') ? 'add' : null)
  const showAdd = (isOpen: boolean) => {
    setOpen(isOpen ? 'add' : null)
    if (!isOpen && search.has('new')) setSearch({}, { replace: true })
  }
  const models = countModels(project)
  const left = useEstimated(sources)?.left
  const finish = useFinish(sources)

  const hasNoRecipe = withoutRecipe(project)

  const actions = (
    <>
      <Button weight="main" onClick={() => setOpen('add')}>
        <Plus aria-hidden="true" size={18} /> New unit
      </Button>
      <Button onClick={() => setOpen('import')}>
        <FileUp aria-hidden="true" size={18} /> Roster from CSV
      </Button>
      {models > 0 ? (
        <Button onClick={() => saveText('roster.csv', rosterCsv(project.units))}>
          <Download aria-hidden="true" size={18} /> Save as CSV
        </Button>
      ) : null}
      {manages ? (
        <Link
          to="../commission"
          className="inline-flex min-h-11 items-center gap-2 px-2 font-bold underline underline-offset-4"
        >
          <Handshake aria-hidden="true" size={18} /> Commission
        </Link>
      ) : null}
    </>
  )
  const remove = (unit: Unit) => edit(project, withoutUnit(project, unit.id), `${unit.name} left the roster.`)

  return (
    <>
      <Headline
        actions={models > 0 ? actions : undefined}
        sub={
          left && project.line.length > 0
            ? `${durationText(left.totalSeconds)} of hands-on work in all, ${durationText(left.leftSeconds)} left${finish && left.leftSeconds > 0 ? `; ${finishText(finish, project)}` : ''}`
            : models > 0
              ? 'Give them a recipe to see how much work this is'
              : undefined
        }
      >
        {models === 0
          ? 'Who is to be painted?'
          : left
            ? `${plural(models, 'model')} in ${plural(project.units.length, 'unit')}; ${String(left.modelsTableReady)} table-ready`
            : `${plural(models, 'model')} in ${plural(project.units.length, 'unit')}`}
      </Headline>
      {project.units.length === 0 ? (
        <EmptyState title="The roster is empty" actions={actions}>
          <p>
            Add a unit by name and count, or bring a list of dozens from CSV: name, count, role, points,
            variants.
          </p>
        </EmptyState>
      ) : (
        <ul className="grid gap-4">
          {project.units.map((unit) => (
            <li key={unit.id}>
              <UnitTicket
                project={project}
                unit={unit}
                progress={progress}
                onEdit={() => setOpen(unit)}
                onRemove={() => remove(unit)}
              />
            </li>
          ))}
        </ul>
      )}
      {hasNoRecipe ? (
        <p className="mt-6">
          <Link to="../recipe?new" className="text-lg font-bold underline underline-offset-4">
            Next: a recipe for {joinWords(hasNoRecipe.map((unit) => unit.name))}
          </Link>
        </p>
      ) : null}
      <AddUnitDialog open={open === 'add'} onOpenChange={showAdd} />
      <ImportRosterDialog
        open={open === 'import'}
        onOpenChange={(isOpen) => setOpen(isOpen ? 'import' : null)}
      />
      {open !== null && typeof open === 'object' ? (
        <UnitDialog unit={open} project={project} onClose={() => setOpen(null)} />
      ) : null}
    </>
  )
}

/** Units that wait for a recipe, as long as the line is not written by hand; `null` where none does. */
function withoutRecipe({ units, recipes, line }: Project): readonly Unit[] | null {
  if (line.length > 0 && recipes.length === 0) return null
  const waiting = units.filter((unit) => !recipes.some((recipe) => recipe.unitIds.includes(unit.id)))
  return waiting.length > 0 ? waiting.slice(0, 3) : null
}
