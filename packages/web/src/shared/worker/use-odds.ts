import type { LineEstimate } from '@seriatim/core/estimating'
import { offersFor, type FinishForecast, type Offer } from '@seriatim/core/forecasting'
import type { ProjectId } from '@seriatim/core/units'
import { skipToken, useQueries, useQuery, useQueryClient, type UseQueryResult } from '@tanstack/react-query'
import { useEffect, useMemo } from 'react'
import { sayFinish } from '../api/index.ts'
import { callPlanner } from './call-planner.ts'
import { inputKey } from './input-key.ts'
import { isDrawn, type PlanShown } from './plan-shown.ts'

export interface TriedOffer {
  readonly offer: Offer
  readonly forecast: FinishForecast
}

export interface Odds {
  /** As the plan is; `null` until it is worked out. */
  readonly forecast: FinishForecast | null
  /** What was tried so far. */
  readonly offers: readonly TriedOffer[]
  readonly total: number
  readonly running: boolean
  readonly cancel: () => void
  readonly restart: () => void
}

/**
 * How it may go, and what would help: each offer planned and drawn anew beside the page, one after the other.
 * @param estimate what the offers follow from; `null` while nobody looks at them.
 */
export function useOdds(shown: PlanShown | null, estimate: LineEstimate | null | undefined): Odds {
  const client = useQueryClient()
  const ready = shown !== null && estimate !== undefined
  const offers = useMemo<readonly (Offer | null)[]>(
    () => (ready ? [null, ...(estimate ? offersFor(shown.sources.project, estimate) : [])] : []),
    [ready, shown, estimate],
  )
  const queryKey = ['odds', ...keyOf(shown)]
  const { results, running, restart } = useQueries({
    queries: offers.map((offer) => ({
      queryKey: [...queryKey, offer],
      queryFn: ({ signal }: { signal: AbortSignal }) => {
        if (!ready) throw new Error('nothing to forecast')
        return draw(shown, offer, signal)
      },
      staleTime: Number.POSITIVE_INFINITY,
      gcTime: 60_000,
    })),
    combine: together,
  })
  return {
    forecast: results[0] ?? null,
    offers: offers.flatMap((offer, index) => {
      const forecast = results[index]
      return offer && forecast ? [{ offer, forecast }] : []
    }),
    total: Math.max(0, offers.length - 1),
    running,
    cancel: () => void client.cancelQueries({ queryKey }),
    restart,
  }
}

const keyOf = (shown: PlanShown | null) => [inputKey(shown?.sources), inputKey(shown?.plan)]

function draw(
  { sources, plan }: PlanShown,
  offer: Offer | null,
  signal: AbortSignal,
): Promise<FinishForecast | null> {
  const wish = plan ? { before: plan } : {}
  return callPlanner(
    'odds',
    async (planner, turn, pack) => planner.tryOffer(pack(sources), wish, offer, turn),
    signal,
  )
}

/** A forecast that is shown, and whether it is of what is there now: else it is being worked out anew. */
export interface FinishShown extends FinishForecast {
  readonly isFresh: boolean
}

/** The last forecast of each project: what is said of its date until the next is there. */
const last = new Map<ProjectId, FinishForecast>()

/**
 * How it may go as it is planned, the same wherever it is asked; the last one stays in view until the next is there, and is
 * known to be that.
 */
export function useForecast(shown: PlanShown | null): FinishShown | null {
  const { data } = useQuery<FinishForecast | null>({
    queryKey: ['odds', ...keyOf(shown), null],
    queryFn: shown ? ({ signal }) => draw(shown, null, signal) : skipToken,
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
  })
  const id = shown?.sources.project.id
  useEffect(() => {
    if (!shown || !data) return
    isDrawn(shown)
    const { id } = shown.sources.project
    const before = last.get(id)
    last.set(id, data)
    // The list of projects says what was worked out last; without the server it goes on saying what it said.
    if (before?.p80 !== data.p80 || before.odds !== data.odds)
      void sayFinish(id, { doneBy: data.p80, odds: data.odds }).catch(() => undefined)
  }, [shown, data])
  return useMemo(() => {
    const said = data ?? (id ? last.get(id) : null)
    return said ? { ...said, isFresh: Boolean(data) } : null
  }, [data, id])
}

function together(all: readonly UseQueryResult<FinishForecast | null>[]) {
  return {
    results: all.map((result) => result.data ?? null),
    running: all.some((result) => result.isFetching),
    restart: () => {
      for (const result of all) if (result.data === undefined) void result.refetch()
    },
  }
}
