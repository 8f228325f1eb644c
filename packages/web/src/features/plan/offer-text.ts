import type { FinishForecast, Offer } from '@seriatim/core/forecasting'
import type { Project } from '@seriatim/core/trade'
import type { Instant } from '@seriatim/core/units'
import { percentText } from '../../shared/finish-text.ts'
import { dayText, durationText } from '../../shared/format/index.ts'

/** What the painter would do. */
export function offerText(offer: Offer, project: Pick<Project, 'line'>): string {
  switch (offer.kind) {
    case 'one-more-session':
      return 'One more session'
    case 'longer-sessions':
      return `Every session ${durationText(offer.bySeconds)} longer`
    case 'leave-out':
      return `Leave out ${project.line.find((stage) => stage.id === offer.stageId)?.name ?? 'a stage'}`
  }
}

/** What comes of it beside what it was: odds where there is a date, else the day that holds in 80 of 100. */
export function outcomeText(before: FinishForecast, after: FinishForecast, timeZone: string): string {
  if (before.odds !== null && after.odds !== null) {
    const [from, to] = [percentText(before.odds), percentText(after.odds)]
    if (before.odds > 0 || after.odds > 0) return from === to ? `${from}, as now` : `${from} → ${to}`
  }
  const [from, to] = [dayOrLater(before.p80, timeZone), dayOrLater(after.p80, timeZone)]
  return from === to ? `${to}, as now` : `${from} → ${to}`
}

export function dayOrLater(moment: Instant | null, timeZone: string): string {
  return moment === null ? 'beyond the calendar' : dayText(moment, timeZone)
}
