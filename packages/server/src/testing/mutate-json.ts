import type { RandomUnit } from '@seriatim/core/units'
import { v7 } from 'uuid'

export type Json = null | boolean | number | string | readonly Json[] | { readonly [key: string]: Json }

const oddTexts = [
  '',
  ' ',
  '\0',
  'a\0b',
  '\uD800',
  'x'.repeat(5000),
  '=cmd()',
  "'; drop table project; --",
  '<img src=x onerror=alert(1)>',
  '\u202E\u0000',
  '½',
  '00000000-0000-0000-0000-000000000000',
  'ffffffff-ffff-ffff-ffff-ffffffffffff',
  '0000-01-01',
  '9999-12-31',
  '2026-02-30',
  '0000-01-01T00:00:00Z',
  '9999-12-31T23:59:59-14:00',
  '1969-12-31T23:59:59.999Z',
  '2199-12-31T23:59:59.999Z',
  '2199-12-31',
  '24:00',
  '23:59',
  'whole',
  'Europe/Berlin',
  '__proto__',
  'constructor',
]
const oddNumbers = [
  0,
  -0,
  -1,
  0.1,
  1e-9,
  2 ** 31 - 1,
  2 ** 31,
  2 ** 53 - 1,
  2 ** 53,
  1e21,
  1e308,
  -(2 ** 31),
  1_209_600,
]

/** The same JSON with one thing in it changed to something odd that still looks alike. `random` decides. */
export function mutateJson(value: Json, random: RandomUnit, ids: readonly string[]): Json {
  const places: (readonly (string | number)[])[] = []
  collect(value, [], places)
  const path = pick(places, random)
  return replaceAt(value, path, (old) => odd(old, random, ids))
}

function collect(
  value: Json,
  path: readonly (string | number)[],
  places: (readonly (string | number)[])[],
): void {
  places.push(path)
  if (typeof value !== 'object' || value === null) return
  for (const [key, each] of Object.entries(value))
    collect(each, [...path, Array.isArray(value) ? Number(key) : key], places)
}

function replaceAt(value: Json, path: readonly (string | number)[], next: (old: Json) => Json): Json {
  const [key, ...rest] = path
  if (key === undefined) return next(value)
  if (Array.isArray(value))
    return value.map((each: Json, index) => (index === key ? replaceAt(each, rest, next) : each))
  return Object.fromEntries(
    Object.entries(value as Record<string, Json>).map(([name, each]) => [
      name,
      name === key ? replaceAt(each, rest, next) : each,
    ]),
  )
}

function odd(old: Json, random: RandomUnit, ids: readonly string[]): Json {
  if (typeof old === 'string') {
    if (/^[0-9a-f-]{36}$/.test(old))
      return pick([...ids, v7(), old.toUpperCase(), pick(oddTexts, random)], random)
    return pick(oddTexts, random)
  }
  if (typeof old === 'number') return pick(oddNumbers, random)
  if (typeof old === 'boolean') return !old
  if (Array.isArray(old)) {
    const list = old as readonly Json[]
    const twice = list.length > 0 ? [...list, list[0] ?? null] : []
    return pick<Json>([[], twice, list.toReversed(), list.slice(1)], random)
  }
  if (old === null) return pick<Json>([0, '', [], {}, pick(ids, random)], random)
  const entries = Object.entries(old)
  const left = Math.floor(random() * entries.length)
  return pick<Json>([null, Object.fromEntries(entries.filter((_, index) => index !== left)), {}], random)
}

export function pick<T>(list: readonly T[], random: RandomUnit): T {
  return list[Math.floor(random() * list.length)] as T
}
