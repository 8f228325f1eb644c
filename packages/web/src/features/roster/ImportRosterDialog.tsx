import { useMemo, useState } from 'react'
import { useCurrentProject, useEdit, withUnit, type ShownProject } from '../../shared/project/index.ts'
import { plural } from '../../shared/format/index.ts'
import { Button, Dialog, TextAreaField, TextField } from '../../shared/ui/index.ts'
import { unitsOf } from './new-models.ts'
import { parseRoster } from './parse-roster.ts'

interface ImportRosterDialogProps {
  readonly open: boolean
  readonly onOpenChange: (open: boolean) => void
}

const example = 'name,count,role,points,variants\nPikewarden,1,leader,12,cloak\nReed-pike,11,trooper,6,'
const mostFaults = 8

/** A roster from a CSV file or from pasted text; faults are named at their line and column before anything is added. */
export function ImportRosterDialog({ open, onOpenChange }: ImportRosterDialogProps) {
  const project = useCurrentProject()
  const edit = useEdit()
  const [text, setText] = useState('')
  const [unitName, setUnitName] = useState('')
  const parsed = useMemo(() => parseRoster(text, unitName.trim() || 'New unit'), [text, unitName])
  const units = useMemo(() => unitsOf(parsed.lines), [parsed])
  const count = units.reduce((sum, unit) => sum + unit.models.length, 0)
  const ready = count > 0 && parsed.faults.length === 0

  /** All units in one change: a roster is taken whole or not at all. */
  const add = () => {
    edit(
      project,
      units.reduce<ShownProject>((all, unit) => withUnit(all, unit), project),
      units.length === 1
        ? `${units[0]?.name ?? ''}: ${plural(count, 'model')} on the roster.`
        : `${plural(units.length, 'unit')} with ${plural(count, 'model')} on the roster.`,
    )
    setText('')
    setUnitName('')
    onOpenChange(false)
  }

  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      title="Roster from CSV"
      description="Columns: name, count, role, points, variants; a column “unit” sorts them into units. Only the name is needed."
    >
      <div className="grid gap-4">
        <TextField
          label="CSV file"
          type="file"
          accept=".csv,text/csv,text/plain"
          onChange={(event) => {
            const file = event.target.files?.[0]
            if (file) void file.text().then(setText)
          }}
        />
        <TextAreaField
          label="Or paste it here"
          className="figures"
          rows={6}
          placeholder={example}
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
        <TextField
          label="Unit for lines that name none"
          placeholder="New unit"
          value={unitName}
          onChange={(event) => setUnitName(event.target.value)}
        />
        {text.trim() === '' ? null : parsed.faults.length > 0 ? (
          <ul role="alert" className="grid gap-1 border-l-4 border-l-hands pl-3 text-sm">
            {parsed.faults.slice(0, mostFaults).map((fault) => (
              <li key={`${String(fault.line)}-${fault.column}-${fault.message}`}>
                {fault.line > 0 ? (
                  <b>
                    Line {fault.line}, {fault.column}:{' '}
                  </b>
                ) : null}
                {fault.message}
              </li>
            ))}
            {parsed.faults.length > mostFaults ? <li>and {parsed.faults.length - mostFaults} more</li> : null}
          </ul>
        ) : (
          <p role="status">
            {units.map((unit) => `${unit.name}: ${plural(unit.models.length, 'model')}`).join(' · ')}
          </p>
        )}
        <Button weight="main" disabled={!ready} onClick={add}>
          {ready ? `Add ${plural(count, 'model')}` : 'Add to the roster'}
        </Button>
      </div>
    </Dialog>
  )
}
