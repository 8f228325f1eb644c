import { forecastFigures } from '@seriatim/core/forecasting'
import { planLine, planningOf, planProblemText, planTogether, runSheets } from '@seriatim/core/plan'
import { deskOf } from '@seriatim/core/trade'
import type { Instant, Result } from '@seriatim/core/units'
import {
  figuresOf,
  planBefore,
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
  const figures = figuresOf(file.value, now)
  const others = readBeside(file.value, beside)
  if (!others.ok) return others
  const searched = effort === undefined ? {} : { effort }
  const asked = batchSize === undefined ? planBefore(file.value) : { split: { batchSize, firstBatch: null } }
  const own = planningOf(figures, { ...asked, ...searched })
  const input =
    others.value.length === 0
      ? own
      : planTogether(deskOf(file.value.project), [
          own,
          ...others.value.map((other) => planningOf(figuresOf(other, now))),
        ])
  const planned = planLine(input)
  if (!planned.ok) return { ok: false, error: [`project: ${planProblemText(planned.error)}`] }
  const plan = planned.value
  // Several projects together have no figures of their own to draw from.
  const forecast =
    others.value.length === 0 ? forecastFigures(figures, { ...asked, ...searched, before: plan }) : null
  return {
    ok: true,
    value: `${JSON.stringify(planJson(file.value.project, plan, runSheets(plan, input.work), forecast), null, 2)}\n`,
  }
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
