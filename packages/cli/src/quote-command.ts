import { readFileSync } from 'node:fs'
import { fieldErrors, priceListSchema } from '@seriatim/contract'
import { localDateAt } from '@seriatim/core/calendar'
import { projectForStandard, type Figures } from '@seriatim/core/estimating'
import { planDesk } from '@seriatim/core/forecasting'
import { quoteDoubts, quoteTiers, usualPriceList, type PriceList, type QuoteTier } from '@seriatim/core/money'
import { countModels, deskOf } from '@seriatim/core/trade'
import type { Result } from '@seriatim/core/units'
import { sequentialIds } from './demo/ids.ts'
import {
  figuresOf,
  readArguments,
  readBeside,
  readEffort,
  readNow,
  readProjectFile,
  type Printed,
} from './input.ts'
import { withLine } from './job.ts'

/** What a project costs at each standard by a price list, and the day each could be promised for beside other projects. */
export function runQuote(args: readonly string[]): Printed {
  const read = readArguments(args, ['now', 'prices', 'of', 'beside', 'effort'])
  if (!read.ok) return { ok: false, error: [read.error] }
  const { path, values, beside } = read.value
  const now = readNow(values.now)
  if (!now.ok) return { ok: false, error: [now.error] }
  const effort = readEffort(values.effort)
  if (!effort.ok) return { ok: false, error: [effort.error] }
  const prices = readPrices(values.prices)
  if (!prices.ok) return prices
  const { of = 'all' } = values
  if (of !== 'all' && of !== 'left')
    return { ok: false, error: [`--of ${of}: give all, or left for what is not painted yet.`] }
  const file = readProjectFile(path)
  if (!file.ok) return file
  const others = readBeside(file.value, beside)
  if (!others.ok) return others
  const shelf = [...others.value, file.value].flatMap((each) => each.shelf)
  const project = withLine(file.value.project, file.value.shelf, sequentialIds())
  const figures = figuresOf({ ...file.value, shelf, project }, now.value)
  const input = { figures, prices: prices.value, onlyLeft: of === 'left' }
  const tiers = quoteTiers(input)
  if (tiers.length === 0)
    return {
      ok: false,
      error: [
        of === 'left'
          ? 'project: Nothing is left to be painted, or no unit has stages.'
          : 'project: There is nothing to quote: no models, or no unit with stages.',
      ],
    }
  const queue = others.value.map((other) => figuresOf({ ...other, shelf }, now.value))
  const promised = (tier: QuoteTier) => promisedOn(tier, figures, queue, prices.value, effort.value)
  const json = {
    project: project.name,
    models: countModels(project),
    of,
    currency: prices.value.currency,
    confidence: prices.value.confidence,
    tiers: tiers.map((tier) => ({
      standard: tier.standard,
      hoursSeconds: {
        low: Math.round(tier.hours.low),
        likely: Math.round(tier.hours.likely),
        high: Math.round(tier.hours.high),
      },
      chargedSeconds: Math.round(tier.chargedSeconds),
      hour: tier.hour,
      parts: tier.parts,
      price: tier.price,
      promisedOn: promised(tier),
    })),
    doubts: quoteDoubts({ project, prices: prices.value }, tiers),
  }
  return { ok: true, value: `${JSON.stringify(json, null, 2)}\n` }
}

/** The day by which a standard is done as often as the price list wants, or `null` where no plan holds. */
function promisedOn(
  { standard }: QuoteTier,
  figures: Figures,
  queue: readonly Figures[],
  { confidence }: PriceList,
  effort: number | undefined,
): string | null {
  const { project } = figures
  const planned = planDesk({
    desk: deskOf(project),
    jobs: [figures.changed({ project: projectForStandard(project, standard) }), ...queue],
    confidence,
    ...(effort === undefined ? {} : { effort }),
  })
  const doneBy = planned.ok ? (planned.value.jobs[0]?.doneBy ?? null) : null
  return doneBy === null ? null : localDateAt(doneBy, project.evenings.timeZone)
}

/** A price list as JSON, in the smallest coin; without one the usual prices. */
function readPrices(path: string | undefined): Result<PriceList, readonly string[]> {
  if (path === undefined) return { ok: true, value: usualPriceList }
  let json: unknown
  try {
    json = JSON.parse(readFileSync(path, 'utf8'))
  } catch {
    return { ok: false, error: [`--prices ${path}: this is no file with JSON in it.`] }
  }
  const parsed = priceListSchema.safeParse(json)
  if (parsed.success) return { ok: true, value: parsed.data }
  return {
    ok: false,
    error: fieldErrors(parsed.error.issues).map((each) => `--prices ${each.path || path}: ${each.message}`),
  }
}
