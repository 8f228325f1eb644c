import { countModels, workLeft, type Unit } from '@seriatim/core'
import { FileUp, Plus } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'
import { finishText } from '../../shared/finish-text.ts'
import { durationText, plural } from '../../shared/format/index.ts'
import { useProgress } from '../../shared/progress/index.ts'
import { useCurrentProject, useEdit, withoutUnit } from '../../shared/project/index.ts'
import { useFinish } from '../../shared/use-finish.ts'
import { useEstimate, useTimes } from '../../shared/working-project.ts'
import { Button, EmptyState, Headline } from '../../shared/ui/index.ts'
import { AddUnitDialog } from './AddUnitDialog.tsx'
import { ImportRosterDialog } from './ImportRosterDialog.tsx'
import { UnitDialog } from './UnitDialog.tsx'
import { UnitTicket } from './UnitTicket.tsx'

export function RosterPage() {
  const project = useCurrentProject()
  const { progress } = useProgress(project.id)
  const edit = useEdit()
  const [open, setOpen] = useState<'add' | 'import' | Unit | null>(null)
  const models = countModels(project)
  const estimate = useEstimate(project, progress)
  const times = useTimes(estimate)
  const finish = useFinish(project, progress)
  const left = progress ? workLeft(project, progress, times) : null

  const actions = (
    <>
      <Button weight="main" onClick={() => setOpen('add')}>
        <Plus aria-hidden="true" size={18} /> New unit
      </Button>
      <Button onClick={() => setOpen('import')}>
        <FileUp aria-hidden="true" size={18} /> Roster from CSV
      </Button>
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
              ? 'Write the line to see how much work this is'
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
      {project.units.length > 0 && project.line.length === 0 ? (
        <p className="mt-6">
          <Link to="../line" className="text-lg font-bold underline underline-offset-4">
            Next: write the line
          </Link>
        </p>
      ) : null}
      <AddUnitDialog open={open === 'add'} onOpenChange={(isOpen) => setOpen(isOpen ? 'add' : null)} />
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
