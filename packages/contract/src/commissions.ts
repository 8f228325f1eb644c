import { isCurrency, priceParts, sumOf, type Minor, type PriceParts } from '@seriatim/core/money'
import { standards } from '@seriatim/core/trade'
import type { ClientId, PainterId } from '@seriatim/core/units'
import { z } from 'zod'
import {
  branded,
  idOf,
  instantField,
  localDateField,
  nameOf,
  optionalTextField,
  secondsField,
  textField,
} from './fields.ts'

/** Ten million of most currencies. */
const most = 1_000_000_000

const amount = z
  .int({ error: 'Give an amount of money.' })
  .max(most, { error: 'Give less than ten million.' })

/** Minor units; less than nothing where a margin is. */
const minorField = branded<Minor, number>(amount.min(-most))
const priceField = branded<Minor, number>(amount.min(0, { error: 'A price is nothing at least.' }))

const shareField = (what: string, from: number, to: number, error: string) =>
  z
    .number({ error: `Give ${what} in per cent.` })
    .min(from, { error })
    .max(to, { error })

export const clientSchema = z.object({
  id: idOf<ClientId>(),
  name: textField('the client a name', 120),
  contact: optionalTextField(500),
  note: optionalTextField(2000),
})

export const priceListSchema = z.object({
  currency: z
    .string()
    .length(3, { error: 'Give a currency by its three letters: EUR.' })
    .toUpperCase()
    .refine(isCurrency, { error: 'There is no such currency.' }),
  hour: priceField,
  painters: z
    .array(z.object({ painterId: nameOf<PainterId>(), hour: priceField }))
    .max(200, { error: 'Up to 200 painters with a price of their own.' })
    .readonly(),
  confidence: shareField('how sure it is to be', 0.5, 0.99, 'From 50 to 99 per cent.'),
  preparationSeconds: secondsField.refine((length) => length <= 86_400, { error: 'A day at most.' }),
  pot: priceField,
  can: priceField,
  piece: priceField,
  basing: priceField,
  packing: priceField,
  box: priceField,
  contingency: shareField('the contingency', 0, 2, 'From 0 to 200 per cent.'),
  margin: shareField('the margin', -0.9, 9, 'From −90 to 900 per cent.'),
})

const standardField = z.enum(standards, { error: `Choose a standard: ${standards.join(', ')}.` })

const partsSchema = z.object(
  Object.fromEntries(priceParts.map((part) => [part, minorField])) as Record<
    (typeof priceParts)[number],
    typeof minorField
  >,
)

const amountOfSeconds = z.number().min(0).max(1e9)

const quotedTierSchema = z
  .object({
    standard: standardField,
    lowSeconds: amountOfSeconds,
    chargedSeconds: amountOfSeconds,
    highSeconds: amountOfSeconds,
    hour: priceField,
    parts: partsSchema,
    price: minorField,
    promisedOn: localDateField.nullable(),
  })
  .refine(({ parts, price }) => sumOf(Object.values(parts as PriceParts)) === price, {
    path: ['price'],
    error: 'A price is the sum of its parts.',
  })

const quoteSchema = z.object({
  currency: priceListSchema.shape.currency,
  confidence: priceListSchema.shape.confidence,
  models: z.int().min(1, { error: 'A quote is for one model at least.' }),
  /** For what was left to be painted at this moment; `null`: for all of it. */
  leftAt: instantField.nullable().default(null),
  tiers: z
    .array(quotedTierSchema)
    .min(1, { error: 'A quote has one standard at least.' })
    .max(standards.length)
    .readonly()
    .refine((tiers) => new Set(tiers.map((tier) => tier.standard)).size === tiers.length, {
      error: 'Each standard is quoted once.',
    }),
})

/** A quote as it is kept. */
export const keptQuoteSchema = z.object({
  id: z.uuid(),
  number: z.int(),
  quote: quoteSchema,
  madeAt: instantField,
  madeBy: z.string().nullable(),
  accepted: z.object({ at: instantField, by: z.string().nullable(), standard: standardField }).nullable(),
})

export const newQuoteSchema = z.object({
  id: z.uuid(),
  /** How many there are, as whoever makes this one knows: two who quote at once hear of each other. */
  after: z.int().min(0).max(2_147_483_646),
  quote: quoteSchema,
})

export const acceptQuoteSchema = z.object({ standard: standardField })

export const clientLinkSchema = z.object({
  id: z.uuid(),
  madeAt: instantField,
  expiresAt: instantField,
  revokedAt: instantField.nullable(),
  seenAt: instantField.nullable(),
})

export const newLinkSchema = z.object({
  days: z
    .int({ error: 'Give a whole number of days.' })
    .min(1, { error: 'A link holds a day at least.' })
    .max(730, { error: 'A link holds two years at most.' }),
})

/** What a client sees, and nothing else: no minutes, no prices, no recipes, no names of painters. */
export const sharedProgressSchema = z.object({
  studio: z.string(),
  project: z.string(),
  dueOn: localDateField.nullable(),
  deliveredOn: localDateField.nullable(),
  /** Of the work, 0 to 1. */
  done: z.number().min(0).max(1),
  units: z
    .array(
      z.object({
        name: z.string(),
        standard: standardField,
        models: z.int(),
        tableReady: z.int(),
        finished: z.int(),
        /** Stage by stage, in the order of the work: the share of its models that are through. */
        strip: z.array(z.number().min(0).max(1)).readonly(),
      }),
    )
    .readonly(),
  /** Pictures that were released. */
  photos: z.array(z.object({ id: z.uuid(), caption: z.string() })).readonly(),
  testModel: z.object({ name: z.string(), agreedOn: localDateField.nullable() }).nullable(),
  /** When something was recorded last. */
  lastAt: instantField.nullable(),
  validUntil: instantField,
})

export type Client = z.output<typeof clientSchema>
export type KeptQuote = z.output<typeof keptQuoteSchema>
export type ClientLink = z.output<typeof clientLinkSchema>
export type SharedProgress = z.output<typeof sharedProgressSchema>
