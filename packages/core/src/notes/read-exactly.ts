import { mixOfText } from '../mixing/index.ts'
import type { Shelf } from '../recipe/index.ts'
import {
  extents,
  plainStep,
  standards,
  techniques,
  type Mix,
  type Region,
  type Step,
} from '../trade/index.ts'
import { seconds, type MaterialId } from '../units/index.ts'
import { noPaint } from './notes-of-recipe.ts'
import type { ReadStep, Words } from './recipe-of-notes.ts'

type Spray = NonNullable<Step['spray']>

/** A line as `notesOfRecipe` prints it; `null` for any other. */
export function readExactly(line: string, { regions, shelf }: Words): ReadStep | null {
  const [, paint, rest] = /^((?:"(?:[^"\\]|\\.)*"|[^"])*?): (.*)$/.exec(line.trim()) ?? []
  if (paint === undefined || rest === undefined) return null
  const mix = mixOf(paint, shelf)
  const [technique] = techniques
    .filter((each) => rest === each || rest.startsWith(`${each}, `))
    .toSorted((a, b) => b.length - a.length)
  if (!mix || technique === undefined) return null
  const reader = new Reader(rest.slice(technique.length))
  reader.skip(', ')
  const place = placeAt(reader, regions)
  if (!place) return null
  const step = withClauses({ ...plainStep, ...place, mix, technique }, reader, shelf)
  return step && reader.isDone() ? step : null
}

function mixOf(text: string, shelf: Shelf): Mix | null {
  if (text === noPaint) return []
  if (!text.includes('"')) {
    const read = mixOfText(text, shelf)
    return read.ok ? read.value : null
  }
  const parts = [...text.matchAll(/([\d.e+-]+) ("(?:[^"\\]|\\.)*")(?: \+ |$)/g)].map(([, amount, name]) => ({
    materialId: idOf(quoted(name), shelf),
    parts: Number(amount),
  }))
  return parts.length > 0 && parts.every((part) => part.materialId !== null && part.parts > 0)
    ? (parts as Mix)
    : null
}

function quoted(text: string | undefined): string {
  try {
    return JSON.parse(text ?? '""') as string
  } catch {
    return ''
  }
}

function idOf(name: string, shelf: Shelf): MaterialId | null {
  return [...shelf.values()].find((material) => material.name === name)?.id ?? null
}

/** Goes along a line from left to right. */
class Reader {
  private rest: string

  constructor(text: string) {
    this.rest = text
  }

  skip(text: string): boolean {
    const isThere = this.rest.startsWith(text)
    if (isThere) this.rest = this.rest.slice(text.length)
    return isThere
  }

  /** A whole name after what parts it from the last. */
  skipName(between: string, name: string): boolean {
    const whole = between + name
    return /^(?:, | and | but | "|$)/.test(this.rest.slice(whole.length)) && this.skip(whole)
  }

  take(pattern: RegExp): readonly string[] | null {
    const found = pattern.exec(this.rest)
    if (found?.index !== 0) return null
    this.rest = this.rest.slice(found[0].length)
    return found.slice(1)
  }

  isDone(): boolean {
    return this.rest === ''
  }
}

function placeAt(reader: Reader, regions: readonly Region[]): Pick<Step, 'on' | 'except'> | null {
  if (!reader.skip('all over')) {
    const on = namesAt(reader, regions)
    return on.length > 0 ? { on, except: [] } : null
  }
  return { on: 'whole', except: reader.skip(' but ') ? namesAt(reader, regions) : [] }
}

/** `coat, trousers and leather`. */
function namesAt(reader: Reader, regions: readonly Region[]): readonly string[] {
  const longestFirst = regions.map(({ name }) => name).toSorted((a, b) => b.length - a.length)
  const names: string[] = []
  for (let name = longestFirst.find((each) => reader.skipName('', each)); name !== undefined;) {
    names.push(name)
    name = longestFirst.find((each) => reader.skipName(', ', each) || reader.skipName(' and ', each))
  }
  return names
}

const number = String.raw`(\d+(?:\.\d+)?)`
const text = String.raw`("(?:[^"\\]|\\.)*")`
const secondsOf = (minutes: string | undefined) => seconds(Math.round(Number(minutes) * 60))

type Clause = (step: ReadStep, found: readonly string[], shelf: Shelf) => ReadStep

const sprayed = (step: ReadStep, some: Partial<Spray>): ReadStep => ({
  ...step,
  spray: { from: 'all round', bar: null, nozzleMm: null, thinning: null, ...step.spray, ...some },
})

/** The clauses of a line in the order in which they are printed. */
const clauses: readonly (readonly [pattern: RegExp, clause: Clause])[] = [
  [/in dabs/, (step) => ({ ...step, extent: 'dabs' })],
  [
    new RegExp(`(${extents.filter((each) => !each.includes('of') && each !== 'dabs').join('|')}) of it`),
    (step, [extent]) => ({ ...step, extent: extents.find((each) => each === extent) ?? step.extent }),
  ],
  [/it matters/, (step) => ({ ...step, matters: true })],
  [/twice/, (step) => ({ ...step, coats: 2 })],
  [/three times/, (step) => ({ ...step, coats: 3 })],
  [/(\d+) coats/, (step, [coats]) => ({ ...step, coats: Number(coats) })],
  [/(\d+) by themselves/, (step, [count]) => ({ ...step, count: Number(count) })],
  [
    new RegExp(`for (${standards.toSorted((a, b) => b.length - a.length).join('|')})`),
    (step, [standard]) => ({
      ...step,
      standard: standards.find((each) => each === standard) ?? step.standard,
    }),
  ],
  [new RegExp(`only ${text}`), (step, [role]) => ({ ...step, roles: [...step.roles, quoted(role)] })],
  [new RegExp(`wet in wet ${text}`), (step, [group]) => ({ ...step, wetGroup: quoted(group) })],
  [
    new RegExp(`dries in ${number}-${number} min`),
    (step, [min, max]) => ({ ...step, dryingSeconds: { min: secondsOf(min), max: secondsOf(max) } }),
  ],
  [/from (all round|above|below)/, (step, [from]) => sprayed(step, { from: from as Spray['from'] })],
  [new RegExp(`${number} bar`), (step, [bar]) => sprayed(step, { bar: Number(bar) })],
  [new RegExp(`nozzle ${number}`), (step, [nozzle]) => sprayed(step, { nozzleMm: Number(nozzle) })],
  [new RegExp(`thinned ${number}`), (step, [thinning]) => sprayed(step, { thinning: Number(thinning) })],
  [
    new RegExp(`or by (${techniques.toSorted((a, b) => b.length - a.length).join('|')}) after ${number} min`),
    (step, [technique, setUp]) => ({
      ...step,
      otherModes: techniques
        .filter((each) => each === technique)
        .reduce(
          (modes, each) => [...modes, { technique: each, setUpSeconds: secondsOf(setUp) }],
          step.otherModes,
        ),
    }),
  ],
  [
    new RegExp(`or in ${text}`),
    (step, [name], shelf) => {
      const id = idOf(quoted(name), shelf)
      return id === null ? step : { ...step, substitutes: [...step.substitutes, id] }
    },
  ],
]

function withClauses(plain: ReadStep, reader: Reader, shelf: Shelf): ReadStep | null {
  let step = plain
  while (reader.skip(', ')) {
    const clause = clauses
      .map(([pattern, change]) => ({ found: reader.take(pattern), change }))
      .find(({ found }) => found)
    if (!clause?.found) return null
    step = clause.change(step, clause.found, shelf)
  }
  const note = reader.take(new RegExp(` ${text}$`))
  return note ? { ...step, note: quoted(note[0]) } : step
}
