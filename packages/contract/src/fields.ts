import { instant, parseLocalDate, type Instant, type LocalDate, type Seconds } from '@seriatim/core/units'
import { z } from 'zod'

/** A UUID in lower case that carries the core's brand; what goes over the wire is the plain string. */
export function idOf<Id extends string>(): z.ZodType<Id, string> {
  return z.codec(
    z.uuid({ error: 'This must be a UUID.' }),
    z.custom<Id>((value) => typeof value === 'string'),
    { decode: (text) => text.toLowerCase() as Id, encode: (id) => id },
  )
}

/** Text of one of the core's own names, such as a painter or a batch. */
export function nameOf<Name extends string>(longest = 80): z.ZodType<Name, string> {
  return z.codec(
    z.string().min(1).max(longest),
    z.custom<Name>((value) => typeof value === 'string'),
    { decode: (text) => text as Name, encode: (name) => name },
  )
}

/** A schema whose values, once checked, carry one of the core's own types: nothing of them changes. */
export function branded<Brand, Plain>(schema: z.ZodType<Plain, Plain>): z.ZodType<Brand, Plain> {
  return schema as unknown as z.ZodType<Brand, Plain>
}

const longestSeconds = 14 * 24 * 3600

/** Whole seconds from zero to fourteen days. */
export const secondsField = branded<Seconds, number>(
  z
    .int({ error: 'Give a whole number of seconds.' })
    .min(0, { error: 'A time cannot be negative.' })
    .max(longestSeconds, { error: 'This is longer than fourteen days.' }),
)

/** Whole seconds of what may go on for years, together. */
export const sumOfSecondsField = branded<Seconds, number>(z.int().min(0).max(2_147_483_647))

/** Nothing is painted before this, nor planned for after it; both can be kept by any database. */
const [firstYear, lastYear] = [1970, 2199]

export const localDateField = branded<LocalDate, string>(
  z
    .string()
    .refine((text) => parseLocalDate(text).ok, { error: 'Give a day that exists, as YYYY-MM-DD.' })
    .refine((text) => isKnownYear(Number(text.slice(0, 4))), {
      error: `Give a day between ${String(firstYear)} and ${String(lastYear)}.`,
    }),
)

function isKnownYear(year: number): boolean {
  return year >= firstYear && year <= lastYear
}

/** An ISO 8601 moment with its offset outside, epoch milliseconds inside. */
export const instantField = z.codec(
  z.iso
    .datetime({
      offset: true,
      error: 'Give a moment as ISO 8601 with an offset, such as 2026-11-24T19:30:00Z.',
    })
    .refine((text) => isKnownYear(new Date(Date.parse(text)).getUTCFullYear()), {
      error: `Give a moment between ${String(firstYear)} and ${String(lastYear)}.`,
    }),
  z.custom<Instant>((value) => typeof value === 'number'),
  {
    decode: (text) => instant(Date.parse(text)),
    encode: (moment) => new Date(moment).toISOString(),
  },
)

/** Trimmed, one line. */
export function textField(what: string, longest: number): z.ZodType<string, string> {
  return z
    .string()
    .trim()
    .min(1, { error: `Give ${what}.` })
    .max(longest, { error: `Keep it under ${String(longest)} characters.` })
}

export function optionalTextField(longest: number): z.ZodType<string, string> {
  return z
    .string()
    .trim()
    .max(longest, { error: `Keep it under ${String(longest)} characters.` })
}

/** Refuses two entries with the same id, at the second one. */
export function refuseTwins(
  entries: readonly { readonly id: string }[],
  context: z.core.$RefinementCtx,
  what: string,
  path: readonly string[] = [],
): void {
  const seen = new Set<string>()
  entries.forEach((entry, index) => {
    if (seen.has(entry.id)) {
      context.addIssue({
        code: 'custom',
        path: [...path, index, 'id'],
        message: `Two ${what} share this id.`,
        input: entry.id,
      })
    }
    seen.add(entry.id)
  })
}

/** Where something in parsed JSON holds text that no database keeps: a NUL, or half a surrogate pair. */
export function unkeepableText(
  value: unknown,
  path: readonly PropertyKey[] = [],
): readonly PropertyKey[] | null {
  // With the flag `u` only half a pair matches.
  if (typeof value === 'string') return value.includes('\0') || /[\uD800-\uDFFF]/u.test(value) ? path : null
  if (typeof value !== 'object' || value === null) return null
  for (const [key, each] of Object.entries(value)) {
    const found =
      unkeepableText(key, path) ?? unkeepableText(each, [...path, Array.isArray(value) ? Number(key) : key])
    if (found) return found
  }
  return null
}
