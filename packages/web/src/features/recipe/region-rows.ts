import { usualHidingPlaces } from '@seriatim/core/bench'
import type { Finish, Recipe, Region } from '@seriatim/core/trade'
import { v7 } from 'uuid'

/** A region as the dialog has it. */
export interface Row {
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
  /** With commas; `null`: as finish and place have it. */
  readonly hides: string | null
  /** Keys of rows. */
  readonly neighbours: readonly string[]
}

export const blankRow: Omit<Row, 'key'> = {
  old: null,
  name: '',
  finish: 'cloth',
  area: '5',
  parts: '1',
  depth: '0',
  apart: '',
  bare: false,
  hides: null,
  neighbours: [],
}

export function rowsOf(regions: readonly Region[]): readonly Row[] {
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
    hides: region.hides?.join(', ') ?? null,
    neighbours: region.neighbours.flatMap(keyOf),
  }))
}

/** Touching goes both ways. */
export function linked(rows: readonly Row[], a: string, b: string, touches: boolean): readonly Row[] {
  const change = (row: Row, other: string): Row => ({
    ...row,
    neighbours: touches
      ? [...new Set([...row.neighbours, other])]
      : row.neighbours.filter((each) => each !== other),
  })
  return rows.map((row) => (row.key === a ? change(row, b) : row.key === b ? change(row, a) : row))
}

export const apartOf = (row: Row) => row.apart.trim().toLowerCase().slice(0, 40)
const areaOf = (row: Row) => Number(row.area.replace(',', '.'))

export function faultOf(rows: readonly Row[], recipe: Recipe): string {
  const names = rows.map((row) => row.name.trim().toLowerCase())
  const nameless = names.findIndex((name) => name === '')
  if (nameless >= 0) return `Region ${String(nameless + 1)} needs a name.`
  const twin = names.find((name, index) => names.indexOf(name) !== index)
  if (twin !== undefined) return `Two regions are called “${twin}”.`
  for (const row of rows) {
    if (row.area.trim() === '' || !(areaOf(row) >= 0 && areaOf(row) <= 100))
      return `${row.name}: give the area as a number from 0 to 100.`
    if (!/^\d{1,3}$/.test(row.parts.trim())) return `${row.name}: give the parts as a whole number.`
    const tooLong = placesOf(row.hides ?? '').find((place) => place.length > 60)
    if (tooLong !== undefined) return `${row.name}: “${tooLong.slice(0, 20)} …” is longer than 60 letters.`
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

const placesOf = (text: string) =>
  [...new Set(text.split(',').map((place) => place.trim()))].filter(Boolean).slice(0, 12)

function regionOf(row: Row, nameOf: ReadonlyMap<string, string>): Region {
  const hides = placesOf(row.hides ?? '')
  return {
    name: row.name.trim(),
    finish: row.finish,
    areaShare: areaOf(row) / 100,
    parts: Number(row.parts),
    depth: Number(row.depth),
    neighbours: row.neighbours.flatMap((key) => nameOf.get(key) ?? []),
    apart: apartOf(row),
    bare: row.bare,
    // An empty field is the usual again.
    ...(hides.length > 0 ? { hides } : {}),
  }
}

/** What is looked at where nobody said otherwise. */
export function usualPlaces(row: Row, rows: readonly Row[]): string {
  const nameOf = new Map(rows.map((each) => [each.key, each.name.trim()]))
  return usualHidingPlaces(
    regionOf(row, nameOf),
    rows.map((each) => regionOf(each, nameOf)),
  ).join(', ')
}

/** The recipe with these regions; steps and neighbours follow a new name, and leave a region that is gone. */
export function withRegions(recipe: Recipe, rows: readonly Row[]): Recipe {
  const newName = new Map(rows.flatMap((row) => (row.old === null ? [] : [[row.old, row.name.trim()]])))
  const nameOf = new Map(rows.map((row) => [row.key, row.name.trim()]))
  return {
    ...recipe,
    regions: rows.map((row) => regionOf(row, nameOf)),
    steps: recipe.steps.map((step) => {
      const renamed = (names: readonly string[]) => names.flatMap((name) => newName.get(name) ?? [])
      return step.on === 'whole'
        ? { ...step, except: renamed(step.except) }
        : { ...step, on: renamed(step.on) }
    }),
  }
}
