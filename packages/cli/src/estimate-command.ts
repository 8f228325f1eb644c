import {
  overallPace,
  secondsAModel,
  sharedHandsOnSeconds,
  totalOf,
  type BesideWork,
  type BesideWorkOf,
  type Figures,
  type StageEstimate,
  type TimeRange,
} from '@seriatim/core/estimating'
import { besideInPlan, planLine, planningOf } from '@seriatim/core/plan'
import type { RememberedUnit } from '@seriatim/core/progress'
import { seconds, type Instant, type Result } from '@seriatim/core/units'
import { sequentialIds } from './demo/ids.ts'
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
import { withLine } from './job.ts'
import { readRemembered, withRemembered } from './remembered.ts'

/** What is left of a project's work: by unit, by stage, with ranges and what they are made of. */
export function runEstimate(args: readonly string[]): Printed {
  const options = readOptions(args)
  if (!options.ok) return { ok: false, error: [options.error] }
  const file = readProjectFile(options.value.path)
  if (!file.ok) return file
  const { shelf } = file.value
  const { batchSize } = options.value
  const lined = withLine(file.value.project, shelf, sequentialIds())
  const project = batchSize === undefined ? lined : { ...lined, batchSize, firstBatch: null }
  if (project.line.length === 0) {
    return {
      ok: false,
      error: ['project.line: There is nothing to estimate: no stages, and no unit follows a recipe.'],
    }
  }
  const { now, effort } = options.value
  const figures = figuresOf(withRemembered({ ...file.value, project }, options.value.remembered), now)
  const asked = batchSize === undefined ? planBefore(file.value) : { split: project }
  const planned = planLine(planningOf(figures, { ...asked, ...(effort === undefined ? {} : { effort }) }))
  const beside = planned.ok ? besideInPlan(planned.value, figures.times) : figures.besideByBatch
  const json = estimateJson(figures, beside, options.value.painters)
  return { ok: true, value: `${JSON.stringify(json, null, 2)}\n` }
}

interface Options {
  readonly path: string
  readonly now: Instant
  readonly batchSize: number | undefined
  readonly painters: number
  readonly effort: number | undefined
  readonly remembered: readonly RememberedUnit[]
}

function readOptions(args: readonly string[]): Result<Options, string> {
  const read = readArguments(args, ['now', 'batch-size', 'painters', 'effort', 'remembered'])
  if (!read.ok) return read
  const { path, values } = read.value
  const now = readNow(values.now)
  if (!now.ok) return now
  const batchSize = readCount('batch-size', values['batch-size'])
  if (!batchSize.ok) return batchSize
  const painters = readCount('painters', values.painters)
  if (!painters.ok) return painters
  const effort = readEffort(values.effort)
  if (!effort.ok) return effort
  const remembered = values.remembered === undefined ? null : readRemembered(values.remembered)
  if (remembered && !remembered.ok) return remembered
  return {
    ok: true,
    value: {
      path,
      now: now.value,
      batchSize: batchSize.value,
      painters: painters.value ?? 1,
      effort: effort.value,
      remembered: remembered ? [remembered.value] : [],
    },
  }
}

const whole = ({ low, likely, high }: TimeRange) => ({
  low: Math.round(low),
  likely: Math.round(likely),
  high: Math.round(high),
})

/** Durations in whole seconds; a range holds in four cases of five. Set-ups are those of the plan. */
function estimateJson(figures: Figures, beside: BesideWorkOf, painters: number) {
  const { project, estimate } = figures
  const total = (isMeant?: (stage: StageEstimate) => boolean) =>
    totalOf(estimate.rates, figures.amountsLeft(beside, isMeant))
  const sum = (of: keyof BesideWork) => [...beside.values()].reduce((all, each) => all + each[of], 0)
  const setUpSeconds = sum('setUpSeconds')
  const touchUpSeconds = sum('touchUpSeconds')
  const all = total()
  const names = new Map(project.line.map((stage) => [stage.id, stage]))
  const shared = (each: StageEstimate) =>
    sharedHandsOnSeconds(seconds(Math.round(each.perModel.likely)), each.left, painters)
  return {
    project: project.name,
    batchSize: project.batchSize,
    handsOnSeconds: whole(all),
    setUpSeconds,
    touchUpSeconds,
    // By model, without set-ups: as pages say how much is done.
    workLeftSeconds: figures.left.leftSeconds,
    workTotalSeconds: figures.left.totalSeconds,
    painters,
    onTheClockSeconds: estimate.stages.reduce(
      (all, each) => all + shared(each),
      setUpSeconds + touchUpSeconds + sum('otherWaySeconds'),
    ),
    laps: estimate.observed.filter((each) => each.silent === null).length,
    pace: overallPace(estimate.rates),
    units: project.units.map((unit) => {
      const range = total((stage) => stage.work.unitId === unit.id)
      const models = unit.models.length
      return {
        unit: unit.name,
        models,
        size: unit.size,
        detail: unit.detail,
        standard: unit.standard,
        handsOnSeconds: whole(range),
        perModelSeconds: models === 0 ? null : Math.round(secondsAModel(project.line, [unit], figures.times)),
        stages: estimate.stages
          .filter((stage) => stage.work.unitId === unit.id)
          .map((stage) => stageJson(stage, names.get(stage.work.stageId)?.name ?? '')),
      }
    }),
  }
}

function stageJson(stage: StageEstimate, name: string) {
  const { work } = stage
  return {
    stageId: work.stageId,
    stage: name,
    technique: work.technique,
    source: stage.source,
    laps: Math.round(stage.laps * 10) / 10,
    modelsLeft: stage.left,
    perModelSeconds: whole(stage.perModel),
    setUpSeconds: work.setUpSeconds,
    pace: stage.pace,
    learning: stage.learning,
    handlingSeconds: Math.round(work.handlingSeconds),
    parts: work.parts.map((part) => ({
      text: part.text,
      share: part.share,
      seconds: Math.round(part.seconds),
      factors: part.factors,
    })),
  }
}
