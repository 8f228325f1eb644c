import type { ProjectFile } from '@seriatim/contract'
import { estimateLine, roomFor, timesOf, type LineEstimate } from '@seriatim/core/estimating'
import { forecastFinish } from '@seriatim/core/forecasting'
import {
  planProblemText,
  planTogether,
  runSheets,
  solveLine,
  type PlanningInput,
  toPlan,
} from '@seriatim/core/plan'
import { foldProgress } from '@seriatim/core/progress'
import { deskOf, partsOf } from '@seriatim/core/trade'
import type { Instant, Result } from '@seriatim/core/units'
import {
  readArguments,
  readBeside,
  readCount,
  readEffort,
  readNow,
  readProjectFile,
  type Printed,
} from './input.ts'
import { planJson } from './plan-json.ts'

/** The plan of a project file. */
export function runPlan(args: readonly string[]): Printed {
  const options = readOptions(args)
  if (!options.ok) return { ok: false, error: [options.error] }
  const file = readProjectFile(options.value.path)
  if (!file.ok) return file
  const { now, batchSize, beside, effort } = options.value
  const own = ownInput(file.value, now, batchSize)
  const others = readBeside(file.value, beside)
  if (!others.ok) return others
  const input =
    beside.length === 0
      ? own.input
      : planTogether(deskOf(file.value.project), [
          own.input,
          ...others.value.map((other) => ownInput(other, now, undefined).input),
        ])
  const planned = solveLine({ ...input, spare: true, ...(effort === undefined ? {} : { effort }) })
  if (!planned.ok) return { ok: false, error: [`project: ${planProblemText(planned.error)}`] }
  const { plan } = planned.value
  // Several projects together have no estimate of their own to draw from.
  const forecast =
    beside.length === 0 ? forecastFinish({ solved: planned.value, estimate: own.estimate }) : null
  return {
    ok: true,
    value: `${JSON.stringify(planJson(file.value.project, plan, runSheets(plan, input.work), forecast), null, 2)}\n`,
  }
}

/** What a project file's plan is made of, at its own desk. */
export function ownInput(
  { project, events, shelf }: ProjectFile,
  now: Instant,
  batchSize: number | undefined,
): { readonly input: PlanningInput; readonly estimate: LineEstimate } {
  const progress = foldProgress(events)
  const materials = new Map(shelf.map((material) => [material.id, material]))
  const estimate = estimateLine({ project, shelf: materials, progress, now })
  const room = roomFor(partsOf(project), estimate).share
  const split = batchSize === undefined ? {} : { split: { batchSize, firstBatch: null } }
  const times = timesOf(estimate)
  return { input: { ...toPlan(project), progress, now, times, shelf: materials, room, ...split }, estimate }
}

interface Options {
  readonly path: string
  readonly now: Instant
  readonly batchSize: number | undefined
  readonly beside: readonly string[]
  readonly effort: number | undefined
}

function readOptions(args: readonly string[]): Result<Options, string> {
  const read = readArguments(args, ['now', 'batch-size', 'beside', 'effort'])
  if (!read.ok) return read
  const { path, values, beside } = read.value
  const now = readNow(values.now)
  if (!now.ok) return now
  const batchSize = readCount('batch-size', values['batch-size'])
  if (!batchSize.ok) return batchSize
  const effort = readEffort(values.effort)
  if (!effort.ok) return effort
  return {
    ok: true,
    value: { path, now: now.value, batchSize: batchSize.value, effort: effort.value, beside },
  }
}
