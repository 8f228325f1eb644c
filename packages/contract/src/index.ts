import './messages.ts'

export { airSchema, type AirReading, type AirTakenBack } from './air.ts'
export {
  changesAtOnce,
  commandSchema,
  fieldSchemas,
  loggedChangeSchema,
  newChangeSchema,
  type LoggedChange,
  type NewChange,
} from './commands.ts'
export {
  clientSchema,
  priceListSchema,
  type Client,
  type ClientLink,
  type KeptQuote,
  type SharedProgress,
} from './commissions.ts'
export { demoProjectId } from './demo-project-id.ts'
export { eventSchema, type EventJson, type EventVerdict } from './event.ts'
export { unkeepableText } from './fields.ts'
export { batchNames } from './files/project-file-v1.ts'
export { anyProjectFileSchema } from './files/read-project-file.ts'
export {
  broughtRatesSchema,
  handSchema,
  bringRatesSchema,
  knownPace,
  type BringRates,
  type BroughtRate,
  type Hand,
} from './hand.ts'
export { moveProjectFile } from './move-project-file.ts'
export {
  mayAsk,
  newMemberSchema,
  roles,
  scopes,
  type AccessKey,
  type Audience,
  type Me,
  type Member,
  type Role,
  type Scope,
  type OtherStudio,
} from './members.ts'
export { type Photo, type PhotoFields } from './photos.ts'
export { planBefore, planToKeep, type PlanToKeep, type StoredPlan } from './plans.ts'
export { isLasting, fieldErrors, pathText, problemSchema, type Problem, type ProblemKind } from './problem.ts'
export { projectJsonSchema, studioJsonSchema } from './file-json-schemas.ts'
export { anyStudioFileSchema, studioFileSchema, type StudioFile, type StudioFileJson } from './studio-file.ts'
export { mostEvents, projectFileSchema, type ProjectFile, type ProjectFileJson } from './project-file.ts'
export {
  createLogPacker,
  eventJson,
  packedLogSchema,
  packLog,
  unpackLog,
  type LogPacker,
  type PackedLog,
} from './packed-log.ts'
export {
  modelSchema,
  lineSchema,
  projectSchema,
  projectSettingsSchema,
  projectSummarySchema,
  stageSchema,
  storedProjectSchema,
  unitSchema,
  unitsSchema,
  type ProjectSettings,
  type ProjectSummary,
  type StoredProject,
} from './project.ts'
export { materialSchema, mostMaterials, recipeSchema, recipesSchema, shelfSchema } from './recipe.ts'
export { recipeFileSchema, type RecipeFile } from './recipe-file.ts'
export { renumberProjectFile } from './renumber-project-file.ts'
export { openApiDocument } from './open-api.ts'
export { calendarFeed, newsStream, routes, type Route } from './routes.ts'
