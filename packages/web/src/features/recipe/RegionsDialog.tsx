import { finishes, type Finish, type Recipe } from '@seriatim/core/trade'
import { Plus, Trash2 } from 'lucide-react'
import { useState } from 'react'
import { v7 } from 'uuid'
import { PartSizes } from './PartSizes.tsx'
import {
  apartOf,
  blankRow,
  faultOf,
  linked,
  rowsOf,
  usualPlaces,
  withRegions,
  type Row,
} from './region-rows.ts'
import { Button, controlLook, Dialog, IconButton } from '../../shared/ui/index.ts'

interface RegionsDialogProps {
  readonly recipe: Recipe
  readonly open: boolean
  readonly onOpenChange: (open: boolean) => void
  readonly onSave: (recipe: Recipe) => void
}

/** What the model is made of: shares, counts, depths and what touches what. */
export function RegionsDialog({ recipe, open, onOpenChange, onSave }: RegionsDialogProps) {
  const [rows, setRows] = useState<readonly Row[]>(() => rowsOf(recipe.regions))
  const [fault, setFault] = useState('')
  const [parts, setParts] = useState(recipe.subAssemblies)
  const apart = [...new Set(rows.map((row) => apartOf(row)).filter((name) => name !== ''))]
  const set = (index: number, some: Partial<Row>) =>
    setRows(rows.map((row, each) => (each === index ? { ...row, ...some } : row)))
  const save = () => {
    const found = faultOf(rows, recipe)
    setFault(found)
    if (found === '')
      onSave({
        ...withRegions(recipe, rows),
        subAssemblies: parts.filter(({ name }) => apart.includes(name)),
      })
  }
  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      title="Regions"
      description="Parts of the model with one finish each. Area in per cent of the surface; depth 0 lies outside. What is painted apart is joined later by a layer of its own."
      wide
    >
      <ul className="grid gap-3">
        {rows.map((row, index) => (
          <li key={row.key} className="border-t border-paper-edge pt-3">
            <div className="grid grid-cols-2 items-end gap-2 sm:grid-cols-[2fr_1.4fr_1fr_1fr_1fr_1.6fr_auto]">
              <Cell label="Name" value={row.name} onChange={(name) => set(index, { name })} />
              <label className="grid text-sm font-bold">
                Finish
                <select
                  className={controlLook}
                  value={row.finish}
                  onChange={(event) => set(index, { finish: event.target.value as Finish })}
                >
                  {finishes.map((finish) => (
                    <option key={finish}>{finish}</option>
                  ))}
                </select>
              </label>
              <Cell label="Area, %" value={row.area} onChange={(area) => set(index, { area })} />
              <Cell label="Parts" value={row.parts} onChange={(parts) => set(index, { parts })} />
              <Cell label="Depth" value={row.depth} onChange={(depth) => set(index, { depth })} />
              <Cell label="Painted apart as" value={row.apart} onChange={(apart) => set(index, { apart })} />
              <IconButton
                label={`Take ${row.name || 'the region'} out`}
                onClick={() => setRows(rows.filter((_, each) => each !== index))}
              >
                <Trash2 aria-hidden="true" size={18} />
              </IconButton>
            </div>
            <label className="inline-flex min-h-8 items-center gap-1 text-sm">
              <input
                type="checkbox"
                className="size-4 accent-ink"
                checked={row.bare}
                onChange={(event) => set(index, { bare: event.target.checked })}
              />
              needs no layer of its own: primer, stain or wash is its finish
            </label>
            <label className="flex flex-wrap items-center gap-x-2 text-sm">
              a colour hides
              <input
                className={`${controlLook} min-w-0 grow basis-60 py-1! font-normal`}
                aria-label={`Where a colour hides on the ${row.name || 'region'}`}
                placeholder={usualPlaces(row, rows) || 'nowhere of its own'}
                value={row.hides ?? ''}
                onChange={(event) => set(index, { hides: event.target.value })}
              />
            </label>
            <div className="flex flex-wrap gap-x-3 text-sm" role="group" aria-label={`${row.name} touches`}>
              <span className="self-center text-ink-soft">touches</span>
              {rows
                .filter((other) => other.key !== row.key && other.name.trim() !== '')
                .map((other) => (
                  <label key={other.key} className="inline-flex min-h-8 items-center gap-1">
                    <input
                      type="checkbox"
                      className="size-4 accent-ink"
                      checked={row.neighbours.includes(other.key)}
                      onChange={(event) => setRows(linked(rows, row.key, other.key, event.target.checked))}
                    />
                    {other.name}
                  </label>
                ))}
            </div>
          </li>
        ))}
      </ul>
      {apart.length === 0 ? null : (
        <PartSizes
          names={apart}
          parts={parts}
          onChange={(name, part) =>
            setParts([...parts.filter((each) => each.name !== name), ...(part ? [part] : [])])
          }
        />
      )}
      {fault === '' ? null : (
        <p role="alert" className="mt-3 font-bold text-hands">
          {fault}
        </p>
      )}
      <div className="mt-4 flex flex-wrap gap-3">
        <Button onClick={() => setRows([...rows, { ...blankRow, key: v7() }])}>
          <Plus aria-hidden="true" size={18} /> Add a region
        </Button>
        <Button weight="main" className="ml-auto" onClick={save}>
          Save the regions
        </Button>
      </div>
    </Dialog>
  )
}

interface CellProps {
  readonly label: string
  readonly value: string
  readonly onChange: (value: string) => void
}

function Cell({ label, value, onChange }: CellProps) {
  return (
    <label className="grid text-sm font-bold">
      {label}
      <input className={controlLook} value={value} onChange={(event) => onChange(event.target.value)} />
    </label>
  )
}
