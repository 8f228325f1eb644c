import { paintedBy } from '@seriatim/core/calendar'
import type { FinishForecast } from '@seriatim/core/forecasting'
import { type Project, dateOf } from '@seriatim/core/trade'
import { clockText, dateText, dayText } from './format/index.ts'

interface Said extends Pick<FinishForecast, 'p80' | 'odds'> {
  readonly isFresh?: boolean
}

/**
 * The day that holds in eight of ten simulations, said alike wherever a finish is named; in the project's zone, else here. What
 * is of before the last change says so.
 */
export function finishText(
  { p80, isFresh = true }: Pick<Said, 'p80' | 'isFresh'>,
  project?: Pick<Project, 'evenings'>,
): string {
  const anew = isFresh ? '' : ', being worked out anew'
  if (p80 === null) return `done beyond the calendar${anew}`
  return `done by ${dayText(p80, project?.evenings.timeZone)} in 8 of 10 cases${anew}`
}

/** The same with the odds of the date, where there is one. */
export function finishAndOddsText(said: Said, project: Pick<Project, 'evenings'>): string {
  const finish = finishText({ p80: said.p80 }, project)
  const anew = said.isFresh === false ? ', being worked out anew' : ''
  return `${finish}${said.odds === null ? '' : `; odds of the date ${percentText(said.odds)}`}${anew}`
}

/** `86 %`; never quite certain, never quite hopeless. */
export function percentText(share: number): string {
  const percent = Math.round(share * 100)
  if (share > 0 && percent === 0) return '<\u00A01\u00A0%'
  if (share < 1 && percent === 100) return '>\u00A099\u00A0%'
  return `${String(percent)}\u00A0%`
}

/** The due day, with its hour where there is one. */
export function dueText({ dueOn, planning }: Pick<Project, 'dueOn' | 'planning'>): string {
  if (dueOn === null) return 'no date'
  return planning.handOver ? `${dateText(dueOn)}, ${planning.handOver.at}` : dateText(dueOn)
}

/** By when the last coat has to be dry, so that it cures and is packed before the hour; `null` where no hour is given. */
export function lastCoatText(project: Project): string | null {
  const { handOver } = project.planning
  const by = paintedBy(dateOf(project), project)
  if (by === null || !handOver) return null
  const { timeZone } = project.evenings
  const coat = project.line.some((stage) => /varnish/i.test(stage.material)) ? 'varnish' : 'coat'
  return `last ${coat} dry by ${dayText(by, timeZone)} ${clockText(by, timeZone)}`
}
