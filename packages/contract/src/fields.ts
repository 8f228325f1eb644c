import { instant, parseLocalDate, type Instant, type LocalDate, type Seconds } from '@seriatim/core'
import { z } from 'zod'

/** A UUID that carries the core's brand; what goes over the wire is the plain string. */
export function idOf<Id extends string>(): z.ZodType<Id, string> {
  return z.uuid({ error: 'This must be a UUID.' }) as unknown as z.ZodType<Id, string>
}

const longestSeconds = 14 * 24 * 3600

/** Whole seconds from zero to fourteen days. */
export const secondsField = z
  .int({ error: 'Give a whole number of seconds.' })
  .min(0, { error: 'A time cannot be negative.' })
  .max(longestSeconds, { error: 'This is longer than fourteen days.' }) as unknown as z.ZodType<
  Seconds,
  number
>

export const localDateField = z.string().refine((text) => parseLocalDate(text).ok, {
  error: 'Give a day that exists, as YYYY-MM-DD.',
}) as unknown as z.ZodType<LocalDate, string>

/** An ISO 8601 moment with its offset outside, epoch milliseconds inside. */
export const instantField = z.codec(
  z.iso.datetime({
    offset: true,
    error: 'Give a moment as ISO 8601 with an offset, such as 2026-11-24T19:30:00Z.',
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
