export { burnUp, type BurnUpDay } from './burn-up.ts'
export { lastRecordedAt, type UnitForClient, unitsForClient } from './client-view.ts'
export {
  groupSheet,
  passes,
  pointsOf,
  type SheetFilter,
  sheetFilters,
  type SheetGroup,
  type SheetGrouping,
  sheetGroupings,
} from './group-sheet.ts'
export { type Checklist, defectCauses, inspectionChecklist } from './inspection.ts'
export { lastSitting, type LastSitting } from './last-sitting.ts'
export { lateModels } from './late-models.ts'
export { laterOnPurpose, type LaterOnPurpose } from './later-on-purpose.ts'
export { createStandings, type ModelStanding } from './model-standing.ts'
export { type TouchUpItem, type TouchUpPot, touchUpRound } from './touch-up-round.ts'
