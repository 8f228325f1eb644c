import { finishes, type Finish, type Recipe, type Region } from '@seriatim/core'
import { Plus, Trash2 } from 'lucide-react'
import { useState } from 'react'
import { v7 } from 'uuid'
import { PartSizes } from './PartSizes.tsx'
import { Button, controlLook, Dialog, IconButton } from '../../shared/ui/index.ts'

interface RegionsDialogProps {
  readonly recipe: Recipe
  readonly open: boolean
  readonly onOpenChange: (open: boolean) => void
  readonly onSave: (recipe: Recipe) => void
}

interface Row {
  /** Its identity while the dialog is open, whatever is typed into its name. */
  readonly key: string
  /** Its name in the recipe so far; `null` for a new one. */
  readonly old: string | null
  readonly name: string
  readonly finish: Finish
  readonly area: string
  readonly parts: string
  readonly depth: string
  readonly apart: string
  readonly bare: boolean
  /** Keys of rows. */
  readonly neighbours: readonly string[]
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

const blankRow: Omit<Row, 'key'> = {
  old: null,
  name: '',
  finish: 'cloth',
  area: '5',
  parts: '1',
  depth: '0',
  apart: '',
  bare: false,
  neighbours: [],
}

function rowsOf(regions: readonly Region[]): readonly Row[] {
  const keys = new Map(regions.map((region) => [region.name, v7()]))
  const keyOf = (name: string) => keys.get(name) ?? []
  return regions.map((region) => ({
    key: keys.get(region.name) ?? v7(),
    old: region.name,
    name: region.name,
    finish: region.finish,
    area: String(Math.round(region.areaShare * 1000) / 10),
    parts: String(region.parts),
    depth: String(region.depth),
    apart: region.apart,
    bare: region.bare,
    neighbours: region.neighbours.flatMap(keyOf),
  }))
}

/** Touching goes both ways. */
function linked(rows: readonly Row[], a: string, b: string, touches: boolean): readonly Row[] {
  const change = (row: Row, other: string): Row => ({
    ...row,
    neighbours: touches
      ? [...new Set([...row.neighbours, other])]
      : row.neighbours.filter((each) => each !== other),
  })
  return rows.map((row) => (row.key === a ? change(row, b) : row.key === b ? change(row, a) : row))
}

const apartOf = (row: Row) => row.apart.trim().toLowerCase().slice(0, 40)
const areaOf = (row: Row) => Number(row.area.replace(',', '.'))

function faultOf(rows: readonly Row[], recipe: Recipe): string {
  const names = rows.map((row) => row.name.trim().toLowerCase())
  const nameless = names.findIndex((name) => name === '')
  if (nameless >= 0) return `Region ${String(nameless + 1)} needs a name.`
  const twin = names.find((name, index) => names.indexOf(name) !== index)
  if (twin !== undefined) return `Two regions are called “${twin}”.`
  for (const row of rows) {
    if (row.area.trim() === '' || !(areaOf(row) >= 0 && areaOf(row) <= 100))
      return `${row.name}: give the area as a number from 0 to 100.`
    if (!/^\d{1,3}$/.test(row.parts.trim())) return `${row.name}: give the parts as a whole number.`
    if (!/^\d$/.test(row.depth.trim())) return `${row.name}: give the depth as a number from 0 to 9.`
  }
  const kept = new Set(rows.map((row) => row.old))
  const lost = recipe.regions.find((region) => !kept.has(region.name))
  const orphan = recipe.steps.find(
    (step) => step.on !== 'whole' && step.on.every((name) => !kept.has(name)) && lost !== undefined,
  )
  return orphan && lost
    ? `A layer lands on nothing but the ${orphan.on === 'whole' ? '' : orphan.on.join(', ')}. Take it out first.`
    : ''
}

/** The recipe with these regions; steps and neighbours follow a new name, and leave a region that is gone. */
function withRegions(recipe: Recipe, rows: readonly Row[]): Recipe {
  const newName = new Map(rows.flatMap((row) => (row.old === null ? [] : [[row.old, row.name.trim()]])))
  const nameOf = new Map(rows.map((row) => [row.key, row.name.trim()]))
  return {
    ...recipe,
    regions: rows.map((row) => ({
      name: row.name.trim(),
      finish: row.finish,
      areaShare: areaOf(row) / 100,
      parts: Number(row.parts),
      depth: Number(row.depth),
      neighbours: row.neighbours.flatMap((key) => nameOf.get(key) ?? []),
      apart: apartOf(row),
      bare: row.bare,
    })),
    steps: recipe.steps.map((step) => {
      const renamed = (names: readonly string[]) => names.flatMap((name) => newName.get(name) ?? [])
      return step.on === 'whole'
        ? { ...step, except: renamed(step.except) }
        : { ...step, on: renamed(step.on) }
    }),
  }
}
