import { mixOfText } from '../mixing/index.ts'
import type { Shelf } from '../recipe/index.ts'
import {
  plainStep,
  standards,
  type Extent,
  type Material,
  type MaterialKind,
  type Mix,
  type Region,
  type Step,
  type Technique,
} from '../trade/index.ts'
import { numberWords } from '../units/index.ts'
import type { ReadPiece, ReadStep, Words } from './recipe-of-notes.ts'

/** What people call the techniques, the longer ones first. */
const called: readonly (readonly [pattern: RegExp, technique: Technique])[] = [
  [/\b(?:zenithal(?:ly)?|spray(?:ed)? from above)\b/, 'spray from above'],
  [/\bair ?brush(?:ed)?\b/, 'airbrush'],
  [/\bdry ?brush(?:ed|ing)?\b/, 'dry brush'],
  [/\b(?:pin wash|line|lining|lined)\b/, 'pin wash'],
  [/\b(?:edge highlights?|edges?|edging|edged)\b/, 'edge'],
  [/\b(?:highlights?|layers?|layered)\b/, 'layer'],
  [/\b(?:base ?coat(?:ed)?|based|flat)\b/, 'base coat'],
  [/\b(?:wash(?:ed)?|shade|shaded)\b/, 'wash'],
  [/\bglaz(?:e|ed|ing)\b/, 'glaze'],
  [/\bstippl(?:e|ed|ing)\b/, 'stipple'],
  [/\b(?:sponge|sponged|chips?|chipped|chipping)\b/, 'chip'],
  [/\bblend(?:ed)?\b/, 'blend'],
  [/\bdip(?:ped)?\b/, 'dip'],
  [/\bpen\b/, 'pen'],
  [/\bdetails?\b/, 'detail'],
  [/\bspray(?:ed)?\b/, 'spray'],
  [/\bvarnish(?:ed)? by brush\b/, 'varnish'],
  [/\bmask(?:ed)?\b/, 'mask'],
  [/\bpeel(?:ed)?\b/, 'peel'],
  [/\bwip(?:e|ed)\b/, 'wipe'],
  [/\b(?:spread|slathered)\b/, 'spread'],
  [/\b(?:sprinkle|sprinkled|strew|strewn)\b/, 'sprinkle'],
  [/\bstick|stuck\b/, 'stick'],
  [/\bjoin(?:ed)?\b/, 'join'],
]

/** How a material goes on where nothing is said. */
const usualTechnique: Partial<Record<MaterialKind, Technique>> = {
  primer: 'spray',
  wash: 'wash',
  ink: 'wash',
  oil: 'pin wash',
  dip: 'dip',
  'texture paste': 'spread',
  glue: 'spread',
  grit: 'sprinkle',
  flock: 'sprinkle',
  tuft: 'stick',
  pigment: 'stipple',
  mask: 'mask',
  decal: 'decal',
  effect: 'detail',
  'gloss varnish': 'spray',
  'satin varnish': 'spray',
  'matt varnish': 'spray',
}

/** What a technique is done with, where the paint is only half named. */
const kindsOf: Partial<Record<Technique, readonly MaterialKind[]>> = {
  wash: ['wash', 'ink'],
  'pin wash': ['wash', 'oil'],
  dip: ['dip'],
  spray: ['primer', 'matt varnish', 'gloss varnish', 'satin varnish'],
  'spray from above': ['primer'],
}

const dabs = /\b(?:a little|a touch|a bit|dabs?|dots?|spots?|tips?|tops?)\b/
const extentsSaid: readonly (readonly [RegExp, Extent])[] = [
  [dabs, 'dabs'],
  [/\bmost(?:ly)?\b/, 'most'],
  [/\bhalf\b/, 'half'],
  [/\b(?:a |one )?third\b/, 'a third'],
]

const everywhere = /\b(?:all over|over everything|everything|the whole model|everywhere|overall)\b/

/** One piece of a note: what goes on, how, and where; with what was not understood. */
export function readFreely(piece: string, words: Words, before: ReadStep | undefined): ReadPiece {
  const said = piece
    .toLowerCase()
    .replaceAll(/(?<=[a-z])-(?=[a-z])/g, ' ')
    .replaceAll(/(\d)\s*-\s*(\d)/g, '$1:$2')
  const added = before && addedTo(said, words.shelf, before)
  if (added) return added
  const [main = '', ...others] = clausesOf(said, words.regions)
  const read = mainStep(main, words, before)
  if (!read.step) return { steps: [], questions: [{ about: piece, text: read.question }] }
  const steps: ReadStep[] = [read.step]
  const questions = read.question === '' ? [] : [{ about: piece, text: read.question }]
  for (const clause of others) {
    const last = steps.at(-1) ?? read.step
    const more = furtherClause(clause, last, words.regions)
    const another = more === null ? mainStep(clause, words, last) : null
    if (another?.step && another.step.mix.length > 0 && another.question === '') steps.push(another.step)
    else if (more === null) questions.push({ about: clause, text: `“${clause}” was not understood.` })
    else if (more.isAnother) steps.push(more.step)
    else steps.splice(-1, 1, more.step)
  }
  return { steps, questions }
}

/** `a drop of soot black in it`. */
function addedTo(said: string, shelf: Shelf, before: ReadStep): ReadPiece | null {
  const [, what] =
    /^(?:and |with )?(?:an? |one )?(?:drop|touch|bit|dash|little)(?: of)? (.+?) (?:in it|in that|mixed in)$/.exec(
      said,
    ) ?? []
  const material = what === undefined ? null : materialCalled(what, shelf, null)
  if (what === undefined || before.mix.length === 0) return null
  if (!material) return { steps: [], questions: [{ about: said, text: `Which paint is “${what}”?` }] }
  const all = before.mix.reduce((sum, { parts }) => sum + parts, 0)
  const mix = [
    ...before.mix.map((part) => ({ ...part, parts: (part.parts * dropIn) / all })),
    { materialId: material.id, parts: 1 },
  ]
  const text = `A drop of ${material.name} in how much? It is taken as one in ${String(dropIn)}.`
  return { steps: [], mixBefore: mix, questions: [{ about: said, text }] }
}

/** A drop is put into so many where nobody says: from memory. */
const dropIn = 10

/** Parted by commas, but for those between regions. */
function clausesOf(said: string, regions: readonly Region[]): readonly string[] {
  const clauses: string[] = []
  for (const part of said.split(/\s*,\s*/)) {
    const isRegion = regionsIn(part, regions).left.replaceAll(filler, '').trim() === '' && part !== ''
    const goesOn = clauses.length > 0 && (isRegion || /^spray$/.test(part))
    if (goesOn) clauses.push(`${clauses.pop() ?? ''}, ${part}`)
    else clauses.push(part)
  }
  return clauses
}

const filler =
  /\b(?:and|then|the|on|over|onto|to|with|of|in|it|its|all|both|some|a|an|by|but|except|for|last|at|first|also)\b|[,&+]/g

interface Found<Thing> {
  readonly thing: Thing
  readonly left: string
}

function cut(said: string, pattern: RegExp): Found<boolean> {
  const left = said.replace(pattern, ' ')
  return { thing: left !== said, left }
}

/** The regions a text names, and the text without them; `shells` is `shell`. */
function regionsIn(
  said: string,
  regions: readonly Region[],
): { readonly names: readonly string[]; readonly left: string } {
  let left = ` ${said} `
  const names: string[] = []
  for (const { name } of regions.toSorted((a, b) => b.name.length - a.name.length)) {
    const one = name.toLowerCase()
    const forms = [one, `${one}s`, one.replace(/s$/, '')].filter((form) => form.length > 2)
    for (const form of forms) {
      const next = left.replaceAll(new RegExp(`(?<=[^\\p{L}])${escaped(form)}(?=[^\\p{L}])`, 'gu'), ' ')
      if (next !== left && !names.includes(name)) names.push(name)
      left = next
    }
  }
  const inOrder = regions.map(({ name }) => name).filter((name) => names.includes(name))
  return { names: inOrder, left: left.trim() }
}

function escaped(text: string): string {
  return text.replaceAll(/[.*+?^${}()|[\]\\]/g, String.raw`\$&`)
}

interface ReadMain {
  readonly step: ReadStep | null
  readonly question: string
}

function mainStep(whole: string, { regions, shelf }: Words, before: ReadStep | undefined): ReadMain {
  const standard = standardIn(whole)
  const said = standard ? whole.replace(`for ${standard}`, ' ') : whole
  const [what = '', ...places] = said.split(/\b(?:all over|over|onto|on)\b|(?<!\d)\s*:\s*(?!\d)/)
  const where = places.length > 0 ? said.slice(what.length) : ''
  const coats = coatsIn(said)
  const isLast = /\b(?:last|at the end|finally)\b/.test(said)
  const bare = coats.left.replace(/\b(?:last|at the end|finally|first|then)\b/g, ' ').trim()
  const paint = paintIn(places.length > 0 ? without(what, coats.words) : bare, regions, shelf)
  const technique = paint.technique ?? (paint.mix.length > 0 ? usualOf(paint.mix, shelf) : null)
  if (!technique) {
    return { step: null, question: paint.name === '' ? 'Which paint, and how?' : paint.question }
  }
  const isSamePlace = /^\W*(?:over|on)?\s*(?:it|them|that|this)\W*$/.test(where)
  const place = isSamePlace ? null : placeIn(where === '' ? paint.left : where, regions)
  const isUnknown = where !== '' && !isSamePlace && !place
  const onAll =
    place ??
    (isUnknown
      ? null
      : (whereUsual(technique, paint.mix, regions, shelf) ?? (before && placeOf(before)) ?? null))
  const named = paint.mix.length > 0 || paint.name === ''
  const questions = [
    named ? '' : paint.question,
    place?.unknown ? `No ${place.unknown} on this model.` : '',
    isUnknown
      ? `No ${where
          .replaceAll(filler, ' ')
          .replaceAll(/[^\p{L}]+/gu, ' ')
          .trim()} on this model.`
      : '',
    onAll || isUnknown ? '' : 'Where does it go?',
  ].filter((text) => text !== '')
  // Nothing is put where nobody said.
  if (!onAll || !named) return { step: null, question: questions.join(' ') }
  const isEyes =
    onAll.on !== 'whole' && regions.every(({ name, finish }) => finish === 'eye' || !onAll.on.includes(name))
  const step: ReadStep = {
    ...plainStep,
    on: onAll.on,
    except: onAll.except,
    mix: paint.mix,
    technique: isEyes && paint.technique === null ? 'detail' : technique,
    coats: coats.thing,
    extent: place ? extentIn(said) : 'all of it',
    standard: standard ?? plainStep.standard,
    ...(isLast ? { isLast } : {}),
  }
  return { step, question: questions.join(' ') }
}

const placeOf = ({ on, except }: ReadStep) => ({ on, except })

function without(text: string, words: string): string {
  return words === '' ? text : text.replace(words, ' ')
}

/** Bases for what belongs there, the whole model for what is sprayed or dipped. */
function whereUsual(
  technique: Technique,
  mix: Mix,
  regions: readonly Region[],
  shelf: Shelf,
): Pick<Step, 'on' | 'except'> | null {
  const kind = shelf.get(mix[0]?.materialId ?? ('' as Material['id']))?.kind
  const bases = regions.filter(({ finish }) => finish === 'base').map(({ name }) => name)
  if (['texture paste', 'grit', 'flock', 'tuft', 'glue'].includes(kind ?? '') && bases.length > 0)
    return { on: bases, except: [] }
  return ['spray', 'spray from above', 'dip'].includes(technique) ? { on: 'whole', except: [] } : null
}

function usualOf(mix: Mix, shelf: Shelf): Technique {
  const [first] = mix
  const kind = first && shelf.get(first.materialId)?.kind
  return (kind && usualTechnique[kind]) ?? 'base coat'
}

interface Paint {
  readonly mix: Mix
  readonly technique: Technique | null
  /** As it was called, where it is not on the shelf; and what is asked then. */
  readonly name: string
  readonly question: string
  readonly left: string
}

/** Material and technique out of `pale bone dry brush`, `3:1 medium to moss, glaze`. */
function paintIn(said: string, regions: readonly Region[], shelf: Shelf): Paint {
  const isMixed = /\d|\bparts?\b|\bdrops?\b|\bblobs?\b|\bequal\b/.test(said)
  const whole = isMixed ? null : wholeName(said, shelf)
  const rest = whole ? said.replace(whole.name.toLowerCase(), ' ') : said
  const found = called.find(([pattern]) => pattern.test(rest))
  const technique = found?.[1] ?? null
  const left = (found ? rest.replace(found[0], ' ') : rest).trim()
  const read = (mix: Mix): Paint => ({ mix, technique, name: '', question: '', left })
  if (whole) return read(one(whole))
  if (isMixed) {
    const mixed = [left, rest].map((text) => mixOfText(text.replace(/^(?:with|of)\b/, '').trim(), shelf))
    const good = mixed.find((each) => each.ok)
    if (good?.ok) return { ...read(good.value), left: '' }
    const [asked] = mixed
    return { ...read([]), name: left, question: asked && !asked.ok ? asked.error : '' }
  }
  const name = left.replaceAll(filler, ' ').replaceAll(/\s+/g, ' ').trim()
  const unnamed = regionsIn(name, regions).left.replaceAll(/\s+/g, ' ').trim()
  const wash = technique === 'wash' ? ' wash' : ''
  for (const words of [name, unnamed]) {
    const material = materialCalled(`${words}${wash}`.trim(), shelf, technique)
    if (material) return { ...read(one(material)), left: words === name ? '' : left.replace(unnamed, ' ') }
  }
  return { ...read([]), name: unnamed, question: `Which paint is “${unnamed}”?` }
}

const one = (material: Material): Mix => [{ materialId: material.id, parts: 1 }]

/** The longest name of the shelf that stands in a text. */
function wholeName(said: string, shelf: Shelf): Material | null {
  return [...shelf.values()]
    .filter(({ name }) =>
      new RegExp(`(^|[^\\p{L}])${escaped(name.toLowerCase())}($|[^\\p{L}])`, 'u').test(said),
    )
    .reduce<Material | null>(
      (best, each) => (best && best.name.length >= each.name.length ? best : each),
      null,
    )
}

/** The paint that has most of the words, by the technique where that says what kind it is. */
function materialCalled(said: string, shelf: Shelf, technique: Technique | null): Material | null {
  const words = said.split(/\s+/).filter((word) => word.length > 2)
  if (words.length === 0) return null
  const kinds = technique ? kindsOf[technique] : undefined
  const fits = ({ kind }: Material) =>
    kinds ? kinds.includes(kind) : kind !== 'wash' || words.includes('wash')
  const scored = [...shelf.values()].map((material) => {
    const own = material.name.toLowerCase().split(/[^\p{L}]+/u)
    const has = words.filter((word) => own.includes(word)).length
    return { material, has, own: own.length, fits: fits(material) }
  })
  const fitting = scored.filter(({ has, fits: isKind }) => has === words.length && isKind)
  const opaque = fitting.filter(({ material }) => material.kind === 'opaque')
  const [best, next] = (opaque.length > 0 ? opaque : fitting).sort((a, b) => a.own - b.own)
  if (!best) return null
  // Two that fit as well are a question.
  return next && next.own === best.own && words.length === 1 ? null : best.material
}

interface Place extends Pick<Step, 'on' | 'except'> {
  /** A word for a place that there is not. */
  readonly unknown: string
}

function placeIn(said: string, regions: readonly Region[]): Place | null {
  const [before = '', ...after] = said.split(/\b(?:but|except(?: for)?|not)\b/)
  const all = cut(before, everywhere)
  const { names, left } = regionsIn(all.left, regions)
  const unknown = left
    .replace(dabs, ' ')
    .replaceAll(filler, ' ')
    .replaceAll(/\b(?:mostly|most|half|third|one|twice|times|coats?)\b/g, ' ')
    .replaceAll(/\s+/g, ' ')
    .trim()
  if (all.thing) {
    const except = regionsIn(after.join(' '), regions).names
    return except.length < regions.length ? { on: 'whole', except, unknown: '' } : null
  }
  return names.length > 0 ? { on: names, except: [], unknown } : null
}

function extentIn(said: string): Extent {
  return extentsSaid.find(([pattern]) => pattern.test(said))?.[1] ?? 'all of it'
}

function standardIn(said: string): Step['standard'] | null {
  return (
    standards.toSorted((a, b) => b.length - a.length).find((each) => said.includes(`for ${each}`)) ?? null
  )
}

function coatsIn(said: string): Found<number> & { readonly words: string } {
  const found = /\b(?:twice|two times|three times|(\d|one|two|three|four|five) (?:thin )?coats?)\b/.exec(said)
  if (!found) return { thing: 1, left: said, words: '' }
  const [words, count] = found
  const coats =
    count === undefined ? (words === 'three times' ? 3 : 2) : (numberWords[count] ?? Number(count))
  return { thing: coats > 0 ? coats : 1, left: said.replace(words, ' '), words }
}

/** `a little on the ears` is another step by the same pot; `twice` is of the one before. */
function furtherClause(
  clause: string,
  last: ReadStep,
  regions: readonly Region[],
): { readonly step: ReadStep; readonly isAnother: boolean } | null {
  const coats = coatsIn(clause)
  if (coats.words !== '' && coats.left.replaceAll(filler, '').trim() === '')
    return { step: { ...last, coats: coats.thing }, isAnother: false }
  if (/^(?:last|at the end|finally)$/.test(clause))
    return { step: { ...last, isLast: true }, isAnother: false }
  const standard = standardIn(clause)
  if (standard) return { step: { ...last, standard }, isAnother: false }
  const place = placeIn(clause, regions)
  if (!place || place.unknown !== '') return null
  return { step: { ...last, on: place.on, except: place.except, extent: extentIn(clause) }, isAnother: true }
}
