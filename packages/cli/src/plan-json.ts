import type { FinishForecast } from '@seriatim/core/forecasting'
import { planNoteText, type LinePlan, type RunSheet, type RunSheetEntry } from '@seriatim/core/plan'
import { batchName, type Project } from '@seriatim/core/trade'
import type { Instant } from '@seriatim/core/units'

const iso = (moment: Instant) => new Date(moment).toISOString()

/** The plan as JSON: moments as ISO 8601, durations in whole seconds, names beside the ids. */
export function planJson(
  { name, dueOn }: Pick<Project, 'name' | 'dueOn'>,
  plan: LinePlan,
  sheets: readonly RunSheet[],
  forecast: FinishForecast | null,
) {
  return {
    project: name,
    // By then it is done in eight of ten futures: the date to be told.
    doneBy: forecast && (forecast.p80 === null ? null : iso(forecast.p80)),
    median: forecast && (forecast.p50 === null ? null : iso(forecast.p50)),
    odds: forecast && forecast.odds,
    finishesAt: iso(plan.finishesAt),
    room: plan.room,
    dueOn,
    firstBatchAt: iso(plan.firstBatchAt),
    handsOnSeconds: plan.handsOnSeconds,
    setUpSeconds: plan.setUpSeconds,
    potOpenings: plan.potOpenings,
    hiddenDryingSeconds: plan.hiddenSeconds,
    exposedDryingSeconds: plan.exposedSeconds,
    bound: { earliestFinishAt: iso(plan.earliestFinishAt), gap: plan.gap },
    habits: {
      batchByBatch: iso(plan.habits.batchByBatch),
      stageByStage: iso(plan.habits.stageByStage),
    },
    painters: plan.painters.map((painter) => ({
      name: painter.name,
      handsOnSeconds: painter.handsOnSeconds,
      doneAt: painter.doneAt === null ? null : iso(painter.doneAt),
    })),
    notes: plan.notes.map((note) =>
      planNoteText(note, { day: (moment) => iso(moment).slice(0, 10), date: (date) => date }),
    ),
    batches: plan.batches.map((batch) => ({
      id: batch.id,
      name: batchName(batch),
      unit: batch.unitName,
      number: batch.number,
      of: batch.of,
      modelIds: batch.models.map((model) => model.id),
    })),
    sessions: sheets.map((sheet) => ({
      painter: plan.painters[sheet.session.painter]?.name,
      startsAt: iso(sheet.session.startsAt),
      endsAt: iso(sheet.session.endsAt),
      freeSeconds: sheet.freeSeconds,
      roomSeconds: sheet.roomSeconds,
      entries: sheet.entries.map(entryJson),
    })),
  }
}

function entryJson(entry: RunSheetEntry) {
  if (entry.kind === 'wait') {
    return {
      kind: entry.kind,
      startsAt: iso(entry.startsAt),
      endsAt: iso(entry.endsAt),
      for: entry.for && {
        batch: entry.for.batch.id,
        stage: entry.for.stage.name,
        until: iso(entry.for.until),
      },
    }
  }
  const { stretch, batch, stage, fills, departure } = entry
  return {
    kind: entry.kind,
    startsAt: iso(stretch.startsAt),
    endsAt: iso(stretch.endsAt),
    batch: batch.id,
    stageId: stage.id,
    stage: stage.name,
    touchUp: stretch.touchUp,
    by: stretch.by,
    material: stage.material,
    modelIds: stretch.modelIds,
    opensPot: stretch.opensPot,
    setUpSeconds: stretch.setUpSeconds,
    dryAt: iso(stretch.dryAt),
    aheadOf: departure && {
      stage: departure.ahead.name,
      wetAfter: departure.wet && { stage: departure.wet.after.name, until: iso(departure.wet.until) },
      potOpen: departure.isPotOpen,
    },
    fills: fills.map((each) => ({ batch: each.batch.id, stage: each.stage.name, until: iso(each.until) })),
  }
}
