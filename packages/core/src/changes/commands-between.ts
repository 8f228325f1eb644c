import type { Project } from '../trade/index.ts'
import { placeBetween } from './apply-command.ts'
import type { Command, Listed, Thing } from './command.ts'
import { neighboursAt } from './invert-command.ts'
import { idOfThing, projectFields, collections } from './collections.ts'
import { sameJson } from './same-json.ts'

/** Lists in a thing that are told of by commands of their own. */
const inside: Readonly<Partial<Record<Thing, { readonly thing: Thing; readonly key: string }>>> = {
  unit: { thing: 'model', key: 'models' },
  recipe: { thing: 'step', key: 'steps' },
}

const topThings = [
  'unit',
  'recipe',
  'stage',
  'painter',
  'pin',
  'batch',
  'holder',
] as const satisfies readonly Thing[]

/**
 * The small commands that make one state of a project of another. Carried out on `from` they give `to`; carried out
 * on a state that others changed meanwhile, they change only what differs between the two.
 */
export function commandsBetween(from: Project, to: Project): readonly Command[] {
  const [before, after] = [fieldsOf(projectFields(from)), fieldsOf(projectFields(to))]
  const own = differences(before, after).map(
    ([field, value]) => ({ kind: 'set', thing: 'project', field, value }) as Command,
  )
  return [...own, ...topThings.flatMap((thing) => commandsInList(thing, from, to, null))]
}

function commandsInList(thing: Thing, from: Project, to: Project, within: string | null): Command[] {
  const before = collections[thing].list(from, within) ?? []
  const after = collections[thing].list(to, within) ?? []
  if (before === after) return []
  const [known, wanted] = [byId(before), byId(after)]
  const commands: Command[] = []
  const ref = (id: string) => ({ thing, id, in: within })
  for (const id of known.keys()) if (!wanted.has(id)) commands.push({ kind: 'take', ...ref(id) })
  for (const [id, value] of wanted) {
    const old = known.get(id)
    if (!old || old === value) continue
    const nested = inside[thing]
    const skip = new Set(['id', nested?.key])
    for (const [field, next] of differences(fieldsOf(old), fieldsOf(value)))
      if (!skip.has(field)) commands.push({ kind: 'set', ...ref(id), field, value: next } as Command)
    if (nested) commands.push(...commandsInList(nested.thing, from, to, id))
  }
  return [...commands, ...ordering(thing, within, known, wanted)]
}

/** What is new is put in its place, and what stands elsewhere is moved: as few moves as will do. */
function ordering(
  thing: Thing,
  within: string | null,
  known: ReadonlyMap<string, Listed[Thing]>,
  wanted: ReadonlyMap<string, Listed[Thing]>,
): Command[] {
  const target = [...wanted.keys()]
  const current = [...known.keys()].filter((id) => wanted.has(id))
  const still = longestInOrder(current, target)
  const commands: Command[] = []
  target.forEach((id, place) => {
    if (still.has(id)) return
    const where = neighboursAt(target, place)
    const ref = { thing, id, in: within }
    if (known.has(id)) {
      current.splice(current.indexOf(id), 1)
      commands.push({ kind: 'move', ...ref, ...where })
    } else commands.push({ kind: 'put', ...ref, ...where, value: wanted.get(id) } as Command)
    current.splice(placeBetween(current, where), 0, id)
  })
  return commands
}

/** The longest row of ids that stand in the same order in both lists: these need not move. */
function longestInOrder(current: readonly string[], target: readonly string[]): ReadonlySet<string> {
  const placeIn = new Map(target.map((id, index) => [id, index]))
  const places = current.map((id) => placeIn.get(id) ?? -1)
  // Ends of rising rows by length, and what stands before each (patience sorting).
  const ends: number[] = []
  const before: number[] = []
  places.forEach((place, index) => {
    let length = ends.findIndex((end) => (places[end] ?? 0) >= place)
    if (length < 0) length = ends.length
    before[index] = length > 0 ? (ends[length - 1] ?? -1) : -1
    ends[length] = index
  })
  const still = new Set<string>()
  for (let index = ends.at(-1) ?? -1; index >= 0; index = before[index] ?? -1) still.add(current[index] ?? '')
  return still
}

const byId = (list: readonly Listed[Thing][]) => new Map(list.map((each) => [idOfThing(each), each]))
const fieldsOf = (thing: object) => thing as Readonly<Record<string, unknown>>

function differences(
  before: Readonly<Record<string, unknown>>,
  after: Readonly<Record<string, unknown>>,
): readonly (readonly [string, unknown])[] {
  return Object.entries(after).filter(([field, value]) => !sameJson(before[field], value))
}
