import { splitNames } from '../split-names.ts'

/** Models of a unit that are alike. */
export interface ModelSet {
  readonly count: number
  readonly role: string
  /** What they are called, after the unit: nothing for the rank and file. */
  readonly called: string
  /** The word as it was said; empty for a number alone. */
  readonly word: string
}

type Parsed =
  | { readonly ok: true; readonly sets: readonly ModelSet[] }
  | { readonly ok: false; readonly error: string }

const mostModels = 999
const longestRole = 60
const rankAndFile = 'trooper'

/**
 * A unit as people say it: `10`, `10 pikes, leader, horn`. A number alone or troopers, else the largest set of all, are the
 * rank and file; a word without a number is one model.
 */
export function parseSets(text: string): Parsed {
  const parts = splitNames(text, ',')
  if (parts.length === 0) return { ok: false, error: 'Say how many, such as 10, or 10 pikes, leader, horn.' }
  const said: { count: number; word: string }[] = []
  for (const part of parts) {
    const match = /^(\d+)?\s*[×x]?\s*(.*)$/.exec(part)
    const count = match?.[1] === undefined ? 1 : Number(match[1])
    const word = (match?.[2] ?? '').trim()
    if (count < 1 || count > mostModels)
      return { ok: false, error: `“${part}” is not a number of models from 1 to ${String(mostModels)}.` }
    if (word.length > longestRole) return { ok: false, error: `“${word}” is longer than 60 characters.` }
    if (/\d/.test(word)) return { ok: false, error: `“${part}”: put a comma between two sets.` }
    said.push({ count, word })
  }
  const all = said.reduce((sum, { count }) => sum + count, 0)
  if (all > mostModels)
    return { ok: false, error: `${String(all)} models are more than ${String(mostModels)}.` }
  const largest = said.reduce((most, each) => (each.count > most.count ? each : most))
  const isSaidSo = ({ word }: (typeof said)[number]) => word === '' || /^troopers?$/i.test(word)
  const anySaidSo = said.some(isSaidSo)
  const isRank = (each: (typeof said)[number]) =>
    isSaidSo(each) || (!anySaidSo && each === largest && each.count > 1)
  return {
    ok: true,
    sets: said.map((each) =>
      isRank(each)
        ? { ...each, role: rankAndFile, called: '' }
        : { ...each, role: each.word, called: each.word },
    ),
  }
}
