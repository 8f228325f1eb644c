import './messages.ts'

export { airReadingsSchema, airSchema, type AirReading } from './air.ts'
export { demoProjectId } from './demo-project-id.ts'
export { eventLogSchema, eventSchema, newEventsSchema, type EventJson } from './event.ts'
export { broughtRatesSchema, handSchema, putBroughtRatesSchema, type BroughtRate, type Hand } from './hand.ts'
export { moveProjectFile } from './move-project-file.ts'
export { fieldErrors, pathText, problemSchema, type Problem, type ProblemKind } from './problem.ts'
export { projectJsonSchema } from './project-json-schema.ts'
export { projectFileSchema, type ProjectFile, type ProjectFileJson } from './project-file.ts'
export {
  modelSchema,
  projectSchema,
  projectSettingsSchema,
  projectSummarySchema,
  stageSchema,
  storedProjectSchema,
  unitSchema,
  type ProjectSettings,
  type ProjectSummary,
  type StoredProject,
} from './project.ts'
export { materialSchema, recipeSchema, shelfSchema } from './recipe.ts'
export { renumberProjectFile } from './renumber-project-file.ts'
export {
  atRevisionSchema,
  createProjectSchema,
  putLineSchema,
  putMaterialsSchema,
  putRecipesSchema,
  putSettingsSchema,
  putUnitSchema,
  shelfAnswerSchema,
} from './requests.ts'
