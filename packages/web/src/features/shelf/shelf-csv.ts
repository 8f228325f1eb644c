import { parseHex } from '@seriatim/core/colour'
import { kindPresets } from '@seriatim/core/presets'
import { materialForms, materialKinds, sheens, type Carrier, type Material } from '@seriatim/core/trade'
import { minutes, type MaterialId, type Seconds } from '@seriatim/core/units'
import { writeCsv, type CsvCell, type CsvReader } from '../../shared/csv/index.ts'
import { durationText, minutesInputText, parseMinutesText } from '../../shared/format/index.ts'

const columns = [
  'name',
  'kind',
  'colour',
  'form',
  'sheen',
  'base',
  'opacity',
  'dry from',
  'dry to',
  'wipe from',
  'wipe to',
  'coverage cm2/ml',
  're-activates',
  'stock ml',
  'pot ml',
] as const
type Column = (typeof columns)[number]

const most = 5000

/** The shelf as CSV (RFC 4180), a heading first; drying in minutes. `shelfReader` reads it back unchanged. */
export function shelfCsv(materials: Iterable<Material>): string {
  const rows = [...materials].map((material): Record<Column, string> => ({
    name: material.name,
    kind: material.kind,
    colour: material.colour,
    form: material.form ?? '',
    sheen: material.sheen ?? '',
    base: material.carrier,
    opacity: String(material.opacity),
    'dry from': minutesInputText(material.dryingMinSeconds),
    'dry to': minutesInputText(material.dryingMaxSeconds),
    'wipe from': material.workable ? minutesInputText(material.workable.min) : '',
    'wipe to': material.workable ? minutesInputText(material.workable.max) : '',
    'coverage cm2/ml': String(material.coverage),
    're-activates': material.reactivates ? 'yes' : 'no',
    'stock ml': String(material.stockMl),
    'pot ml': String(material.potMl),
  }))
  return writeCsv(
    columns,
    rows.map((row) => columns.map((column) => row[column])),
  )
}

/**
 * A shelf's rows. Only name and kind are needed; what is missing comes from the kind. A name that is on the shelf already
 * keeps its identity and is changed.
 */
export function shelfReader(
  shelf: ReadonlyMap<MaterialId, Material>,
  newId: () => string,
): CsvReader<Material, Column> {
  return {
    columns,
    needed: ['name', 'kind'],
    usualOrder: null,
    most,
    begin: () => {
      const known = new Map([...shelf.values()].map((material) => [material.name.toLowerCase(), material]))
      const seen = new Set<string>()
      return (cell, complain) => {
        const name = cell('name').toLowerCase()
        if (name === '') complain('name', 'The name is missing.')
        if (seen.has(name)) complain('name', `“${cell('name')}” is there twice.`)
        seen.add(name)
        return readMaterial(cell, complain, known.get(name), newId)
      }
    },
  }
}

function readMaterial(
  cell: CsvCell<Column>,
  complain: (column: Column, message: string) => void,
  old: Material | undefined,
  newId: () => string,
): Material | null {
  const kind = materialKinds.find((each) => each === cell('kind').toLowerCase())
  if (!kind) {
    complain('kind', `“${cell('kind')}” is not a kind; these are: ${materialKinds.join(', ')}.`)
    return null
  }
  const preset = kindPresets[kind]
  const number = (column: Column, otherwise: number, top: number): number => {
    const text = cell(column)
    if (text === '') return otherwise
    const value = Number(text.replace(',', '.'))
    if (!Number.isFinite(value) || value < 0 || value > top) {
      complain(column, `“${text}” is not a number from 0 to ${String(top)}, without a unit.`)
    }
    return value
  }
  const wait = (column: Column, otherwise: number): number => {
    const seconds = cell(column) === '' ? otherwise : parseMinutesText(cell(column))
    if (seconds === null) complain(column, `“${cell(column)}” is not a time in minutes.`)
    return seconds ?? 0
  }
  const oneOf = <T extends string>(column: Column, all: readonly T[], otherwise: T | null): T | null => {
    const text = cell(column).toLowerCase()
    const found = all.find((each) => each === text)
    if (text !== '' && !found) complain(column, `“${text}” is none of these: ${all.join(', ')}.`)
    return found ?? otherwise
  }
  const colour = cell('colour') === '' ? (old?.colour ?? parseHex('#808080')) : parseHex(cell('colour'))
  if (!colour) complain('colour', `“${cell('colour')}” is not a colour as #rrggbb.`)
  const base = cell('base').toLowerCase() || (old?.carrier ?? preset.carrier)
  if (base !== 'water' && base !== 'spirit' && base !== 'dry') {
    complain('base', `“${base}” is not a base: water, spirit or dry.`)
  }
  const [from, to] = [
    wait('dry from', old?.dryingMinSeconds ?? minutes(preset.dry[0])),
    wait('dry to', old?.dryingMaxSeconds ?? minutes(preset.dry[1])),
  ]
  if (to < from)
    complain(
      'dry to',
      `It cannot be dry after ${durationText(to)} at most and ${durationText(from)} at least.`,
    )
  const wipe = [cell('wipe from'), cell('wipe to')].some((text) => text !== '')
    ? { min: wait('wipe from', 0) as Seconds, max: wait('wipe to', 0) as Seconds }
    : null
  if (wipe && wipe.max < wipe.min)
    complain('wipe to', 'It cannot be too late to wipe it before it can be wiped.')
  return {
    id: old?.id ?? (newId() as MaterialId),
    name: cell('name'),
    kind,
    colour: colour ?? '#808080',
    form: oneOf('form', materialForms, old?.form ?? null),
    sheen: oneOf('sheen', sheens, old?.sheen ?? null),
    carrier: base as Carrier,
    opacity: number('opacity', old?.opacity ?? preset.opacity, 1),
    dryingMinSeconds: from as Material['dryingMinSeconds'],
    dryingMaxSeconds: to as Material['dryingMaxSeconds'],
    workable: wipe ?? old?.workable ?? null,
    coverage: number('coverage cm2/ml', old?.coverage ?? preset.coverage, 10_000),
    reactivates:
      cell('re-activates') === ''
        ? (old?.reactivates ?? false)
        : /^(yes|y|true|1)$/i.test(cell('re-activates')),
    stockMl: number('stock ml', old?.stockMl ?? 0, 100_000),
    potMl: number('pot ml', old?.potMl ?? preset.potMl, 100_000),
  }
}
