import { numberWords } from '../units/index.ts'

/** One part of a mix as written; the name is `null` where none was given. */
export interface MixPart {
  readonly amount: number
  readonly name: string | null
}

/** What has to be asked before a mix can be measured out. */
export type MixQuestion =
  | { readonly kind: 'nothing'; readonly text: string }
  | { readonly kind: 'no amount'; readonly text: string }
  | { readonly kind: 'which paint'; readonly text: string; readonly part: number }
  | { readonly kind: 'in how much'; readonly text: string; readonly part: number }
  | { readonly kind: 'not understood'; readonly text: string }

export interface ParsedMix {
  readonly parts: readonly MixPart[]
  readonly questions: readonly MixQuestion[]
}

type Unit = 'part' | 'drop' | 'percent' | null

interface Term {
  readonly amount: number | null
  readonly unit: Unit
  readonly words: readonly string[]
}

type Token =
  | { readonly kind: 'number'; readonly value: number }
  | { readonly kind: 'between' }
  | { readonly kind: 'ratio' }
  | { readonly kind: 'unit'; readonly unit: Unit }
  | { readonly kind: 'word'; readonly text: string }

const units: Readonly<Record<string, Unit>> = {
  part: 'part',
  parts: 'part',
  blob: 'part',
  blobs: 'part',
  dab: 'part',
  dabs: 'part',
  drop: 'drop',
  drops: 'drop',
  '%': 'percent',
  percent: 'percent',
}

/**
 * Reads a mix as people write them: `3:1 medium to moss`, `2 parts medium to 1 moss`, `2 drops to 9`,
 * `50/50`, `70:30 + 1 drop ink`, `moss`, `paint and improver 1:1`, `equal parts bone and moss`, `two blobs to one`.
 * Of a ratio with one name, what only thins stands first and water last, as they are said. Never throws; what is left
 * open comes back as questions.
 */
export function parseMix(text: string): ParsedMix {
  const tokens = tokensOf(text)
  const terms = sameUnit(termsOf(tokens))
  if (terms.length === 0) return { parts: [], questions: [{ kind: 'nothing', text: 'Which paint?' }] }
  const questions: MixQuestion[] = []
  const units = new Set(terms.filter((term) => term.amount !== null).map((term) => term.unit ?? 'part'))
  const mixesUnits = units.has('drop') && units.size > 1
  const parts = terms.map((term, part): MixPart => {
    const name = term.words.length > 0 ? term.words.join(' ') : null
    const known = name === null ? 'it' : name
    if (term.amount === null && terms.length > 1) {
      questions.push({ kind: 'no amount', text: `How much of ${known}?` })
    } else if (term.amount !== null && !(term.amount > 0)) {
      questions.push({ kind: 'no amount', text: `${String(term.amount)} of ${known} is nothing: how much?` })
    }
    if (name === null) {
      questions.push({ kind: 'which paint', part, text: `Which paint is the ${String(term.amount ?? '?')}?` })
    }
    if (mixesUnits && term.unit === 'drop') {
      questions.push({ kind: 'in how much', part, text: `One drop of ${known} in how much?` })
    }
    return { amount: term.amount ?? 1, name }
  })
  if (parts.length > 12) questions.push({ kind: 'not understood', text: 'That is more than twelve paints.' })
  return { parts, questions }
}

/** The mix in words that `parseMix` reads back as it was. */
export function printMix(parts: readonly MixPart[]): string {
  const [only] = parts
  if (parts.length === 1 && only) {
    return only.amount === 1 && only.name !== null
      ? only.name
      : `${amountText(only.amount)} ${only.name ?? ''}`.trim()
  }
  return parts.map(({ amount, name }) => `${amountText(amount)} ${name ?? ''}`.trim()).join(' to ')
}

function amountText(amount: number): string {
  return String(Math.round(amount * 1000) / 1000)
}

/** “3 drops to 10” means drops both times. */
function sameUnit(terms: readonly Term[]): readonly Term[] {
  const [first] = terms
  const isDrops = first?.unit === 'drop' && terms.length === 2 && terms[1]?.unit === null
  return isDrops ? terms.map((term) => ({ ...term, unit: 'drop' as const })) : terms
}

function tokensOf(text: string): readonly Token[] {
  const pieces = text.toLowerCase().match(/\d+(?:[.,]\d+)?|[:/]|[+,;&]|%|[^\s\d:/+,;&%]+/g) ?? []
  return pieces.map((piece): Token => {
    if (/^\d/.test(piece)) return { kind: 'number', value: Number(piece.replace(',', '.')) }
    if (piece === ':' || piece === '/') return { kind: 'ratio' }
    if (/^[+,;&]$/.test(piece) || piece === 'to' || piece === 'and') return { kind: 'between' }
    const said = numberWords[piece]
    if (said !== undefined) return { kind: 'number', value: said }
    const unit = units[piece]
    return unit === undefined ? { kind: 'word', text: piece } : { kind: 'unit', unit }
  })
}

/** A ratio gives its numbers first or last and its names after or before; all else gives each number with its name. */
function termsOf(tokens: readonly Token[]): readonly Term[] {
  const equal = equalParts(tokens)
  if (equal) return equal
  const last = ratioAtTheEnd(tokens)
  if (last) return last
  const ratio: number[] = []
  let at = 0
  for (; at < tokens.length; at += 1) {
    const token = tokens[at]
    if (token?.kind === 'number' && tokens[at + 1]?.kind === 'ratio') {
      ratio.push(token.value)
      at += 1
    } else if (token?.kind === 'number' && ratio.length > 0 && tokens[at - 1]?.kind === 'ratio') {
      ratio.push(token.value)
      at += 1
      break
    } else break
  }
  const rest = split(tokens.slice(at))
  if (ratio.length < 2) return split(tokens)
  const names = rest.filter((term) => term.amount === null)
  const extras = rest.filter((term) => term.amount !== null)
  const [only] = names
  // “2:1 water” is two of the paint to one of water.
  const named =
    names.length === 1 && ratio.length === 2 && only?.words.join(' ') === 'water' ? [undefined, only] : names
  const main = ratio.map((amount, index): Term => ({
    amount,
    unit: 'part',
    words: named[index]?.words ?? [],
  }))
  return [...main, ...names.slice(ratio.length), ...extras]
}

/** `equal parts bone and moss`, in front or behind. */
function equalParts(tokens: readonly Token[]): readonly Term[] | null {
  const at = tokens.findIndex((token) => token.kind === 'word' && token.text === 'equal')
  if (at < 0) return null
  const rest = tokens.filter((token, index) => {
    if (index === at) return false
    if (index === at + 1 && token.kind === 'unit') return false
    return !(index === at - 1 && token.kind === 'word' && token.text === 'in')
  })
  const names = split(rest)
  if (names.some((term) => term.amount !== null)) return null
  return names.map((term) => ({ ...term, amount: 1, unit: 'part' }))
}

/** `paint and improver 1:1`. */
function ratioAtTheEnd(tokens: readonly Token[]): readonly Term[] | null {
  let from = tokens.length
  while (from >= 2 && tokens[from - 1]?.kind === 'number' && tokens[from - 2]?.kind === 'ratio') from -= 2
  if (from === tokens.length || tokens[from - 1]?.kind !== 'number') return null
  const start = from - 1
  const numbers = tokens.slice(start).flatMap((token) => (token.kind === 'number' ? [token.value] : []))
  const names = split(tokens.slice(0, start))
  if (names.length !== numbers.length || names.some((term) => term.amount !== null)) return null
  return names.map((term, index) => ({ ...term, amount: numbers[index] ?? null, unit: 'part' }))
}

function split(tokens: readonly Token[]): readonly Term[] {
  const terms: { amount: number | null; unit: Unit; words: string[] }[] = []
  let open: (typeof terms)[number] | null = null
  for (const token of tokens) {
    if (token.kind === 'between' || token.kind === 'ratio') {
      open = null
      continue
    }
    if (open === null || (token.kind === 'number' && (open.amount !== null || open.words.length > 0))) {
      open = { amount: null, unit: null, words: [] }
      terms.push(open)
    }
    if (token.kind === 'number') open.amount = token.value
    else if (token.kind === 'unit') open.unit = token.unit
    else if (!(token.text === 'of' && open.words.length === 0)) open.words.push(token.text)
  }
  return terms.filter((term) => term.amount !== null || term.words.length > 0)
}
