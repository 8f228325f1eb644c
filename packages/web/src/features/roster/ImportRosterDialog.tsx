import type { UnitId } from '@seriatim/core/units'
import { useMemo, useState } from 'react'
import { BringCsvDialog } from '../../shared/csv/index.ts'
import { plural } from '../../shared/format/index.ts'
import { useCurrentProject, useEdit, withUnit, type ShownProject } from '../../shared/project/index.ts'
import { TextField } from '../../shared/ui/index.ts'
import { unitsOf, type RosterLine } from '../../shared/new-models/index.ts'
import { rosterReader } from './roster-reader.ts'

interface ImportRosterDialogProps {
  readonly open: boolean
  readonly onOpenChange: (open: boolean) => void
}

const example = 'name,count,role,points,variants\nPikewarden,1,leader,12,cloak\nReed-pike,11,trooper,6,'

/** A roster from a CSV file or from pasted text. */
export function ImportRosterDialog({ open, onOpenChange }: ImportRosterDialogProps) {
  const project = useCurrentProject()
  const edit = useEdit()
  const [unitName, setUnitName] = useState('')
  /** Units of this file that are on the roster already: rows mended later join them. */
  const [made, setMade] = useState<ReadonlyMap<string, UnitId>>(new Map())
  const reader = useMemo(() => rosterReader(unitName.trim() || 'New unit'), [unitName])

  /** All units in one change: what is taken is taken whole or not at all. */
  const take = (lines: readonly RosterLine[]) => {
    const units = unitsOf(lines)
    const count = plural(modelsIn(lines), 'model')
    const next = units.reduce<ShownProject>((all, unit) => {
      const before = all.units.find(({ id }) => id === made.get(unit.name))
      return withUnit(all, before ? { ...before, models: [...before.models, ...unit.models] } : unit)
    }, project)
    setMade(new Map([...units.map(({ name, id }) => [name, id] as const), ...made]))
    edit(
      project,
      next,
      units.length === 1
        ? `${units[0]?.name ?? ''}: ${count} on the roster.`
        : `${plural(units.length, 'unit')} with ${count} on the roster.`,
    )
  }

  return (
    <BringCsvDialog
      open={open}
      onOpenChange={(stays) => {
        if (!stays) setMade(new Map())
        onOpenChange(stays)
      }}
      title="Roster from CSV"
      description="Columns: name, count, role, points, variants, size, detail; a column “unit” sorts them into units. Only the name is needed."
      placeholder={example}
      reader={reader}
      what={['row', 'rows']}
      summary={(lines) => `${plural(modelsIn(lines), 'model')} in ${plural(unitsOf(lines).length, 'unit')}.`}
      onTake={take}
    >
      <TextField
        label="Unit for lines that name none"
        placeholder="New unit"
        value={unitName}
        onChange={(event) => setUnitName(event.target.value)}
      />
    </BringCsvDialog>
  )
}

const modelsIn = (lines: readonly RosterLine[]) => lines.reduce((sum, { count }) => sum + count, 0)
