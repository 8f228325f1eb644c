import { localDateAt } from '@seriatim/core/calendar'
import { projectForStandard } from '@seriatim/core/estimating'
import {
  quoteDoubts,
  workByPainter,
  type Quote,
  type QuoteDoubt,
  type PriceList,
  type QuoteTier,
} from '@seriatim/core/money'
import { countModels, deskOf, type Project, type Standard } from '@seriatim/core/trade'
import type { Instant, LocalDate } from '@seriatim/core/units'
import { useMemo } from 'react'
import { useHoursOf, usePrices } from '../../shared/api/index.ts'
import { asItWas } from '../../shared/progress/index.ts'
import type { ShownProject } from '../../shared/project/index.ts'
import { useJobs } from '../../shared/use-jobs.ts'
import {
  useDeskPlan,
  useQuoteTiers,
  type DeskShown,
  type DeskWish,
  type JobToPlan,
  type QuoteWish,
} from '../../shared/worker/index.ts'
import { useCurrentFigures } from '../../shared/figures.ts'

/** A standard with the day it could be promised for. */
export interface PromisedTier extends QuoteTier {
  /** `undefined` until it is worked out; `null` where nothing could be planned. */
  readonly promisedOn: LocalDate | null | undefined
  /** So many pots less are opened than if it were painted by itself. */
  readonly potsSaved: number
}

export interface QuoteNow {
  readonly input: QuoteWish
  readonly tiers: readonly PromisedTier[]
  readonly doubts: readonly QuoteDoubt[]
  /** What would be kept; `null` while a date is missing, or there is nothing to quote. */
  readonly quote: Quote | null
}

/**
 * What the project costs at each standard by today's prices, laps and queue; `undefined` until it is worked out.
 *
 * @param leftAt only what was left to be painted at this moment; `null`: all of it.
 */
export function useQuoteNow(leftAt: Instant | null): QuoteNow | undefined {
  const { written: project, progress, sources } = useCurrentFigures()
  const { data: kept } = usePrices()
  const prices = kept?.prices
  const plain = useMemo((): QuoteWish | null => {
    if (!sources || !progress || !prices) return null
    const asOf = leftAt === null ? progress : asItWas(progress, leftAt)
    return { sources: { ...sources, progress: asOf }, prices, onlyLeft: leftAt !== null }
  }, [sources, prices, progress, leftAt])
  const offered = useQuoteTiers(plain)
  const plans = usePlans(project, offered?.map((tier) => tier.standard) ?? [], prices?.confidence)
  const workOf = useMemo(() => {
    const known = Object.values(plans).find((plan) => plan !== undefined && plan !== null)
    if (!known || !prices || prices.painters.length === 0) return undefined
    const units = new Set<string>(project.units.map((unit) => unit.id))
    const { batches, stretches, painters } = known.plan
    const own = new Set(batches.filter((batch) => units.has(batch.unitId)).map((batch) => batch.id))
    return workByPainter(
      stretches.filter((each) => own.has(each.batchId)),
      painters,
    )
  }, [plans, prices, project.units])
  const input = useMemo(() => plain && (workOf ? { ...plain, workOf } : plain), [plain, workOf])
  const tiers = useQuoteTiers(input) ?? offered
  return useMemo(() => {
    if (!input || !tiers) return undefined
    const promised = tiers.map((tier): PromisedTier => {
      const plan = plans[tier.standard]
      const doneBy = plan?.jobs.find((job) => job.projectId === project.id)?.doneBy ?? null
      return {
        ...tier,
        promisedOn:
          plan === undefined
            ? undefined
            : doneBy === null
              ? null
              : localDateAt(doneBy, project.evenings.timeZone),
        potsSaved: plan?.potsSaved ?? 0,
      }
    })
    const doubts = quoteDoubts({ project, prices: input.prices }, tiers)
    return { input, tiers: promised, doubts, quote: quoteOf(project, input.prices, leftAt, promised) }
  }, [input, tiers, plans, project, leftAt])
}

function quoteOf(
  project: Project,
  prices: PriceList,
  leftAt: Instant | null,
  tiers: readonly PromisedTier[],
): Quote | null {
  const models = countModels(project)
  if (models === 0 || tiers.length === 0 || tiers.some((tier) => tier.promisedOn === undefined)) return null
  return {
    currency: prices.currency,
    confidence: prices.confidence,
    models,
    leftAt,
    tiers: tiers.map(({ standard, hours, chargedSeconds, hour, parts, price, promisedOn }) => ({
      standard,
      lowSeconds: hours.low,
      chargedSeconds,
      highSeconds: hours.high,
      hour,
      parts,
      price,
      promisedOn: promisedOn ?? null,
    })),
  }
}

type Plans = Readonly<Record<Standard, DeskShown | null | undefined>>

/** The queue of the desk with this project in it, painted to each standard: from it dates are promised. */
function usePlans(
  project: ShownProject,
  offered: readonly Standard[],
  confidence: number | undefined,
): Plans {
  const { queue: all } = useJobs()
  const hours = useHoursOf()
  const queue = useMemo((): QuoteQueue | null | undefined => {
    if (!all || hours.data === undefined || confidence === undefined) return null
    const { jobs, ...around } = all
    const own = jobs.find((job) => job.project.id === project.id)
    const others = jobs.filter(
      (job) => job.project.id !== project.id && (job.project.commission?.deliveredOn ?? null) === null,
    )
    const host = [...others, { project }].find((job) => job.project.id === hours.data) ??
      others[0] ?? { project }
    return own && { ...around, own: { ...own, project }, others, desk: deskOf(host.project), confidence }
  }, [all, hours.data, project, confidence])
  const plain = usePlanOf(queue, offered, 'three-colour')
  const tabletop = usePlanOf(queue, offered, 'tabletop')
  const plus = usePlanOf(queue, offered, 'tabletop plus')
  const display = usePlanOf(queue, offered, 'display')
  return useMemo(
    () => ({ 'three-colour': plain, tabletop, 'tabletop plus': plus, display }),
    [plain, tabletop, plus, display],
  )
}

interface QuoteQueue extends Omit<DeskWish, 'jobs' | 'confidence'> {
  readonly own: JobToPlan
  readonly others: readonly JobToPlan[]
  readonly confidence: number
}

function usePlanOf(
  queue: QuoteQueue | null | undefined,
  offered: readonly Standard[],
  standard: Standard,
): DeskShown | null | undefined {
  const isOffered = offered.includes(standard)
  const wish = useMemo((): DeskWish | null => {
    if (!queue || !isOffered) return null
    const { own, others, ...rest } = queue
    return { ...rest, jobs: [{ ...own, project: projectForStandard(own.project, standard) }, ...others] }
  }, [queue, isOffered, standard])
  const planned = useDeskPlan(wish, `${queue?.own.project.id ?? ''} ${standard}`)
  if (queue === undefined) return null
  if (!wish || !planned) return undefined
  if (!planned.ok) return null
  // No day is promised that is not drawn.
  return planned.value.forecast ? planned.value : undefined
}
