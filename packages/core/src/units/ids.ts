declare const brand: unique symbol
type Id<Name extends string> = string & { readonly [brand]: Name }

export type ProjectId = Id<'project'>
export type UnitId = Id<'unit'>
export type ModelId = Id<'model'>
export type StageId = Id<'stage'>
export type EventId = Id<'event'>
/** Names a batch by the models it begins and ends with: `<first>..<last>`. */
export type BatchId = Id<'batch'>
export type MaterialId = Id<'material'>
export type RecipeId = Id<'recipe'>
export type StepId = Id<'step'>
export type PainterId = Id<'painter'>
/** Who has models painted. */
export type ClientId = Id<'client'>
/** One browser, tablet or phone. */
export type DeviceId = Id<'device'>
/** One change to the structure of a project. */
export type ChangeId = Id<'change'>
