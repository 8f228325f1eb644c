import { bodyPlans } from '../recipe/index.ts'
import { type Size, type Standard, standards } from '../trade/index.ts'
import { numberWords, withCapital } from '../units/index.ts'

/** A unit as somebody says it. */
export interface SaidUnit {
  readonly name: string
  /** Of each squad, or of the unit where there are none. */
  readonly each: number
  /** What the squads are told apart by; empty: one squad. */
  readonly marks: readonly string[]
  /** Of a body plan. */
  readonly bodyPlan: string
  readonly size: Size
  /** As it was said; `null`: nothing was. */
  readonly standard: Standard | null
}

export interface SaidUnits {
  readonly units: readonly SaidUnit[]
  /** What is not understood, a sentence each. */
  readonly questions: readonly string[]
}

/** Of whom there can be so many. */
const mostModels = 999
const mostSquads = 20
const longestName = 100

/** What models are called, and what kind of model each is; the first that is found counts. From memory. */
const kinds: readonly (readonly [RegExp, bodyPlan: string])[] = [
  [/\b(?:riders?|riding|cavalry|mounted|horse(?:men)?|knights on|outriders|lancers)\b/, 'rider-and-mount'],
  [/\b(?:guns?|cannons?|catapults?|mortars?|ballistas?|crews?|artillery)\b/, 'gun-and-crew'],
  [
    /\b(?:tanks?|vehicles?|wagons?|carts?|trucks?|cars?|walkers?|boats?|ships?|flyers?|bikes?|engines?)\b/,
    'vehicle',
  ],
  [
    /\b(?:beasts?|monsters?|creatures?|dragons?|trolls?|giants?|lizards?|bears?|wolves|wolf|hounds?|birds?|beetles?)\b/,
    'large-creature',
  ],
  [/\b(?:armou?red|plated|knights?|heavy foot)\b/, 'armoured-foot'],
  [/\b(?:cloaked|hooded|robed|wizards?|mages?|priests?)\b/, 'cloaked-foot'],
]

const bigger: Readonly<Partial<Record<Size, Size>>> = {
  foot: 'large foot',
  large: 'very large',
  mounted: 'large',
}
const smaller: Readonly<Partial<Record<Size, Size>>> = { foot: 'small', large: 'foot' }

const counts: Readonly<Record<string, number>> = { ...numberWords, a: 1, an: 1, the: 1, dozen: 12 }
const count = String.raw`(?:\d+|${Object.keys(counts)
  .filter((word) => word !== 'half')
  .join('|')})`
const start = new RegExp(
  String.raw`^(?:(${count})\s*(?:x|×|times|squads? of|units? of|groups? of)\s*)?(${count})\s+(.*)$`,
  'i',
)
const squads = new RegExp(
  String.raw`\bin\s+(${count})\s+(?:squads?|units?|groups?|teams?)\b[\s:(]*(.*?)\)?$`,
  'i',
)
const standardSaid = new RegExp(
  String.raw`\s*\b(?:to|at|in)?\s*(?:a\s+)?(${standards.toSorted((a, b) => b.length - a.length).join('|')})(?:\s+(?:standard|quality))?\s*$`,
  'i',
)

/**
 * Reads what is painted as people say it: `30 foot in 3 squads red blue green, 5 riders to display, 1 big beast`,
 * `2 × 10 pikes`, `Fen wardens: 12 cloaked foot`. Kind and size of a model follow from its words; who is called by none that
 * is known goes on foot.
 */
export function readSaidUnits(text: string): SaidUnits {
  const units: SaidUnit[] = []
  const questions: string[] = []
  for (const part of partsOf(text)) {
    const read = readOne(part)
    if (typeof read === 'string') questions.push(read)
    else if (units.reduce((sum, unit) => sum + modelsOf(unit), modelsOf(read)) > mostModels)
      questions.push(`“${part}”: more than ${String(mostModels)} models in all.`)
    else units.push({ ...read, name: freeName(read.name, units) })
  }
  return { units, questions }
}

/** All models of it. */
export function modelsOf({ each, marks }: SaidUnit): number {
  return each * Math.max(marks.length, 1)
}

/** By lines, commas and `and`; what follows squads without a number are their marks. */
function partsOf(text: string): readonly string[] {
  const isStart = (part: string) => start.test(part) || part.includes(':')
  const parts: string[] = []
  for (const line of text.split(/[\n;]+/)) {
    let open = false
    for (const part of line.split(/,|\band\b|\bplus\b(?=\s+(?:\d|an?\b))|[+&]/i).map((each) => each.trim())) {
      if (part === '') continue
      const last = parts.at(-1)
      if (open && last !== undefined && !isStart(part) && squads.test(last)) {
        parts[parts.length - 1] = `${last} ${part}`
        continue
      }
      parts.push(part)
      open = true
    }
  }
  return parts
}

function readOne(part: string): SaidUnit | string {
  const standardMatch = standardSaid.exec(part)
  const standard = standards.find((each) => each === standardMatch?.[1]?.toLowerCase()) ?? null
  const [given, said] = splitName(standardMatch ? part.slice(0, standardMatch.index) : part)
  const match = start.exec(said)
  if (!match) return `“${part}”: how many of which? Such as 10 foot, or 1 big beast.`
  const [, times, number = '', rest = ''] = match
  const inSquads = squads.exec(rest)
  const words = (inSquads ? rest.slice(0, inSquads.index) : rest).trim()
  const all = numberOf(number)
  const named = splitMarks(inSquads?.[2] ?? '')
  const many = inSquads ? numberOf(inSquads[1] ?? '') : times === undefined ? 1 : numberOf(times)
  if (all < 1 || all > mostModels) return `“${part}”: from 1 to ${String(mostModels)} models.`
  if (many < 1 || many > mostSquads) return `“${part}”: up to ${String(mostSquads)} squads.`
  if (named.length > 0 && named.length !== many)
    return `“${part}”: ${String(many)} squads, and ${String(named.length)} names for them.`
  if (inSquads && all % many !== 0)
    return `“${part}”: ${String(all)} models do not go into ${String(many)} squads evenly.`
  const [bodyPlan, size] = kindOf(words)
  const name = given ?? withCapital(words.replace(/^of\s+/, ''))
  if (name === '') return `“${part}”: how many of which? Such as 10 foot, or 1 big beast.`
  if (name.length > longestName)
    return `“${name.slice(0, 20)} …”: keep a name under ${String(longestName)} characters.`
  const numbered = Array.from({ length: many }, (_, index) => String(index + 1))
  return {
    name,
    each: inSquads ? all / many : all,
    marks: many === 1 ? [] : named.length > 0 ? named : numbered,
    bodyPlan,
    size,
    standard,
  }
}

/** `Fen wardens: 10 foot` has a name of its own. */
function splitName(part: string): readonly [string | null, string] {
  const [before = '', ...after] = part.split(':')
  return after.length > 0 && !squads.test(before) && before.trim() !== ''
    ? [withCapital(before.trim()), after.join(':').trim()]
    : [null, part.trim()]
}

function splitMarks(text: string): readonly string[] {
  return text.split(/[\s,()]+/).filter((mark) => mark !== '' && mark.length <= 50)
}

function numberOf(word: string): number {
  return counts[word.toLowerCase()] ?? Number(word)
}

function kindOf(words: string): readonly [bodyPlan: string, size: Size] {
  const said = words.toLowerCase()
  const [, bodyPlan] = kinds.find(([pattern]) => pattern.test(said)) ?? [null, 'foot']
  const size = bodyPlans.find(({ id }) => id === bodyPlan)?.usualSize ?? 'foot'
  if (/\b(?:huge|giant|enormous)\b/.test(said) && bodyPlan !== 'foot') return [bodyPlan, 'huge']
  if (/\b(?:big|large|great)\b/.test(said)) return [bodyPlan, bigger[size] ?? size]
  if (/\b(?:small|little|tiny)\b/.test(said)) return [bodyPlan, smaller[size] ?? size]
  return [bodyPlan, size]
}

function freeName(name: string, units: readonly SaidUnit[]): string {
  const taken = new Set(units.map((unit) => unit.name))
  for (let number = 1; ; number++) {
    const tried = number === 1 ? name : `${name} ${String(number)}`
    if (!taken.has(tried)) return tried
  }
}
