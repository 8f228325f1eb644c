import { isThrough, type Progress } from '@seriatim/core/progress'
import { takesStage, type Project } from '@seriatim/core/trade'
import { seconds, type Instant, type ModelId, type Seconds, type StageId } from '@seriatim/core/units'
import { momentOf, type CsvReader } from '../../shared/csv/index.ts'
import { parseMinutesText, plural } from '../../shared/format/index.ts'

const needed = ['unit', 'stages', 'models', 'minutes'] as const
const columns = ['time', ...needed] as const

/** So many models of a unit through some stages, and how long that took: told later, from notes or another program. */
export interface ToldLap {
  readonly at: Instant
  readonly stageIds: readonly StageId[]
  readonly modelIds: readonly ModelId[]
  readonly workSeconds: Seconds
}

/**
 * Laps a line each: unit and stages by their names (several stages with + between), how many models, the minutes; without a time
 * it was now. They are the first models that are not through, one row after the other.
 */
export function lapsReader(
  project: Pick<Project, 'units' | 'line'>,
  progress: Progress,
  clock: () => Instant,
): CsvReader<ToldLap, (typeof columns)[number]> {
  const named = <T extends { readonly name: string }>(list: readonly T[], name: string) =>
    list.find((each) => each.name.toLowerCase() === name.trim().toLowerCase())
  return {
    columns,
    needed,
    usualOrder: null,
    most: 5000,
    begin: () => {
      const told = new Set<string>()
      const keyOf = (model: ModelId, stage: StageId) => `${model} ${stage}`
      const now = clock()
      return (cell, complain) => {
        const at = cell('time') === '' ? now : momentOf(cell('time'))
        if (at === null) complain('time', `“${cell('time')}” is not a time such as 2026-11-24 19:00.`)
        else if (at > now) complain('time', 'This lies ahead: only what was done is a lap.')
        const unit = named(project.units, cell('unit'))
        if (!unit) complain('unit', `There is no unit “${cell('unit')}” on the roster.`)
        const stages = cell('stages')
          .split('+')
          .flatMap((name) => {
            const stage = named(project.line, name)
            if (!stage) complain('stages', `There is no stage “${name.trim()}”.`)
            return stage ?? []
          })
        const spent = minutesOf(cell('minutes'))
        if (spent === null) complain('minutes', `“${cell('minutes')}” is not a time such as 22 or 1 h 30.`)
        const count = countOf(cell('models'))
        if (count === null) complain('models', `“${cell('models')}” is not a number of models from 1.`)
        if (at === null || !unit || spent === null || count === null) return null
        const left = unit.models.filter((model) =>
          stages.some(
            (stage) =>
              takesStage(stage, unit.id, model) &&
              !isThrough(progress, model.id, stage) &&
              !told.has(keyOf(model.id, stage.id)),
          ),
        )
        if (left.length < count && stages.length > 0) {
          const are = left.length === 1 ? 'is' : 'are'
          complain('models', `Only ${plural(left.length, 'model')} of ${unit.name} ${are} not through that.`)
        }
        const models = left.slice(0, count)
        for (const model of models) for (const stage of stages) told.add(keyOf(model.id, stage.id))
        return {
          at,
          stageIds: stages.map((stage) => stage.id),
          modelIds: models.map((model) => model.id),
          workSeconds: spent,
        }
      }
    },
  }
}

/** Up to a day. */
function minutesOf(text: string): Seconds | null {
  const spent = parseMinutesText(text)
  return spent !== null && spent > 0 && spent <= 24 * 3600 ? seconds(spent) : null
}

function countOf(text: string): number | null {
  return /^[1-9]\d{0,3}$/.test(text) ? Number(text) : null
}
