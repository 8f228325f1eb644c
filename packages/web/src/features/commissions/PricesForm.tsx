import { zodResolver } from '@hookform/resolvers/zod'
import { confidences, isCurrency, minor, type PriceList } from '@seriatim/core/money'
import { seconds } from '@seriatim/core/units'
import { useForm, useWatch } from 'react-hook-form'
import { z } from 'zod'
import { usePrices, useSetPrices } from '../../shared/api/index.ts'
import { minutesInputText, moneyInputText, parseMinutesText, parseMoney } from '../../shared/format/index.ts'
import { Button, ErrorState, SelectField, TextField } from '../../shared/ui/index.ts'
import { PainterPrices } from './PainterPrices.tsx'

const money = ['hour', 'pot', 'can', 'piece', 'basing', 'packing', 'box'] as const

const percentOf = (text: string) => Number(text.replace(',', '.').replace('%', '').trim()) / 100
const percent = (from: number, to: number) =>
  z
    .string()
    .refine((text) => text.trim() !== '' && Number.isFinite(percentOf(text)), { error: 'Give per cent: 15.' })
    .refine((text) => !(percentOf(text) < from / 100 || percentOf(text) > to / 100), {
      error: `From ${String(from).replace('-', '−')} to ${String(to)} per cent.`,
    })

const formSchema = z
  .object({
    currency: z
      .string()
      .trim()
      .toUpperCase()
      .refine(isCurrency, { error: 'Give a currency by its three letters: EUR.' }),
    ...(Object.fromEntries(money.map((field) => [field, z.string()])) as Record<
      (typeof money)[number],
      z.ZodString
    >),
    confidence: z.string(),
    preparation: z.string().refine((text) => parseMinutesText(text) !== null, { error: 'Give minutes: 6.' }),
    contingency: percent(0, 200),
    margin: percent(-90, 900),
  })
  .superRefine((values, context) => {
    if (!isCurrency(values.currency)) return
    for (const field of money) {
      const amount = parseMoney(values[field], values.currency)
      if (amount === null || amount < 0)
        context.addIssue({ code: 'custom', path: [field], message: 'Give an amount: 20.00.' })
    }
  })

type Values = z.output<typeof formSchema>

const percentText = (share: number) => String(Math.round(share * 1000) / 10)

/** `8 of 10 cases`, `19 of 20 cases`, `87 of 100 cases`. */
function casesText(share: number): string {
  const of = [10, 20, 100].find((all) => Number.isInteger(Math.round(share * all * 1e6) / 1e6)) ?? 100
  return `${String(Math.round(share * of))} of ${String(of)} cases`
}

function valuesOf(prices: PriceList): Values {
  const { currency, confidence, preparationSeconds, contingency, margin } = prices
  return {
    currency,
    ...(Object.fromEntries(money.map((field) => [field, moneyInputText(prices[field], currency)])) as Record<
      (typeof money)[number],
      string
    >),
    confidence: String(confidence),
    preparation: minutesInputText(preparationSeconds),
    contingency: percentText(contingency),
    margin: percentText(margin),
  }
}

function pricesOf(values: Values, before: PriceList): PriceList {
  const amount = (text: string) => parseMoney(text, values.currency) ?? minor(0)
  return {
    ...before,
    currency: values.currency,
    hour: amount(values.hour),
    pot: amount(values.pot),
    can: amount(values.can),
    piece: amount(values.piece),
    basing: amount(values.basing),
    packing: amount(values.packing),
    box: amount(values.box),
    confidence: Number(values.confidence),
    preparationSeconds: seconds(parseMinutesText(values.preparation) ?? 0),
    contingency: percentOf(values.contingency),
    margin: percentOf(values.margin),
  }
}

/** What the studio charges; every quote is worked out from it. */
export function PricesForm() {
  const kept = usePrices()
  if (kept.error && !kept.data) return <ErrorState error={kept.error} />
  if (!kept.data) return null
  const { prices, revision } = kept.data
  return <PricesAt key={revision} prices={prices} revision={revision} />
}

function PricesAt({ prices, revision }: { readonly prices: PriceList; readonly revision: number }) {
  const set = useSetPrices()
  const { register, handleSubmit, formState, control } = useForm<Values>({
    resolver: zodResolver(formSchema),
    defaultValues: valuesOf(prices),
  })
  const { errors } = formState
  const margin = useWatch({ control, name: 'margin' })
  const field = (name: keyof Values, label: string, hint?: string) => (
    <TextField
      label={label}
      hint={hint}
      error={errors[name]?.message}
      inputMode="decimal"
      {...register(name)}
    />
  )
  return (
    <section className="ticket p-4" aria-labelledby="prices">
      <h2 id="prices" className="text-xl">
        What the studio charges
      </h2>
      {revision === 0 ? (
        <p className="mt-1 text-sm text-ink-soft">
          To begin with, figures from memory: set your own before the first quote.
        </p>
      ) : null}
      <form
        className="mt-3 grid grid-cols-2 items-start gap-3 sm:grid-cols-3"
        onSubmit={(event) =>
          void handleSubmit((values) => set.mutate({ prices: pricesOf(values, prices), revision }))(event)
        }
      >
        {field('currency', 'Currency')}
        {field('hour', 'An hour at the desk')}
        <SelectField
          label="Hours and dates hold in"
          options={[...new Set([...confidences, prices.confidence])].map((share) => ({
            value: String(share),
            text: casesText(share),
          }))}
          {...register('confidence')}
        />
        {field('preparation', 'Preparation, minutes', 'of a model on foot')}
        {field('basing', 'Basing', 'of a model on foot')}
        {field('packing', 'Packing a model')}
        {field('box', 'The box')}
        {field('pot', 'A pot of paint', 'by what is used of it')}
        {field('can', 'A can')}
        {field('piece', 'A tuft or decal')}
        {field('contingency', 'Contingency, %')}
        {field('margin', 'Margin, %')}
        {percentOf(margin) < 0 ? (
          <p role="status" className="col-span-full font-bold text-hands">
            With a margin below nothing every commission is paid for by the studio.
          </p>
        ) : null}
        <Button
          type="submit"
          weight="main"
          className="col-span-full justify-self-start"
          disabled={set.isPending}
        >
          Keep these prices
        </Button>
      </form>
      <PainterPrices
        prices={prices}
        onChange={(painters) => set.mutate({ prices: { ...prices, painters }, revision })}
      />
    </section>
  )
}
