import {
  forecastFigures,
  offersFor,
  tryOffer,
  type FinishForecast,
  type Offer,
} from '@seriatim/core/forecasting'
import { planLine, planningOf, planProblemText } from '@seriatim/core/plan'
import type { Project } from '@seriatim/core/trade'
import type { Instant, Result } from '@seriatim/core/units'
import {
  figuresOf,
  planBefore,
  readArguments,
  readCount,
  readEffort,
  readNow,
  readProjectFile,
  type Printed,
} from './input.ts'

/** The odds of a project file's date, what drives them, and what would help. */
export function runForecast(args: readonly string[]): Printed {
  const options = readOptions(args)
  if (!options.ok) return { ok: false, error: [options.error] }
  const { path, now, futures, seed, effort } = options.value
  const file = readProjectFile(path)
  if (!file.ok) return file
  const { project } = file.value
  const figures = figuresOf(file.value, now)
  const searched = effort === undefined ? {} : { effort }
  const planned = planLine(planningOf(figures, { ...planBefore(file.value), ...searched }))
  if (!planned.ok) return { ok: false, error: [`project: ${planProblemText(planned.error)}`] }
  const wish = { futures, seed, before: planned.value, ...searched }
  const before = forecastFigures(figures, wish)
  if (!before) return { ok: false, error: ['project: There is no plan.'] }
  const offers = offersFor(project, figures.estimate).flatMap((offer) => {
    const after = tryOffer(figures, offer, wish)
    return after ? [{ offer: offerJson(offer, project), ...outcome(after) }] : []
  })
  const json = {
    project: project.name,
    dueOn: project.dueOn,
    futures: before.futures,
    seed,
    ...outcome(before),
    drivers: before.drivers.slice(0, 3).map(({ stageId, share }) => ({
      stage: project.line.find((stage) => stage.id === stageId)?.name,
      share: Number(share.toFixed(3)),
    })),
    byDay: before.byDay.map(({ until, share }) => ({ until: iso(until), share: Number(share.toFixed(3)) })),
    offers,
  }
  return { ok: true, value: `${JSON.stringify(json, null, 2)}\n` }
}

const iso = (moment: Instant | null) => (moment === null ? null : new Date(moment).toISOString())

function outcome({ odds, p50, p80, p95 }: FinishForecast) {
  return { odds: odds === null ? null : Number(odds.toFixed(3)), p50: iso(p50), p80: iso(p80), p95: iso(p95) }
}

function offerJson(offer: Offer, { line }: Pick<Project, 'line'>) {
  if (offer.kind !== 'leave-out') return offer
  return { kind: offer.kind, stage: line.find((stage) => stage.id === offer.stageId)?.name }
}

interface Options {
  readonly path: string
  readonly now: Instant
  readonly futures: number
  readonly seed: number
  readonly effort: number | undefined
}

function readOptions(args: readonly string[]): Result<Options, string> {
  const read = readArguments(args, ['now', 'futures', 'seed', 'effort'])
  if (!read.ok) return read
  const { path, values } = read.value
  const now = readNow(values.now)
  if (!now.ok) return now
  const futures = readCount('futures', values.futures)
  if (!futures.ok) return futures
  if (values.seed !== undefined && !/^\d{1,9}$/.test(values.seed))
    return { ok: false, error: '--seed: give a whole number.' }
  const effort = readEffort(values.effort)
  if (!effort.ok) return effort
  return {
    ok: true,
    value: {
      path,
      now: now.value,
      futures: futures.value ?? 1000,
      seed: Number(values.seed ?? 1),
      effort: effort.value,
    },
  }
}
