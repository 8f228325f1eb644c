declare const brand: unique symbol
type Id<Name extends string> = string & { readonly [brand]: Name }

export type ProjectId = Id<'project'>
export type UnitId = Id<'unit'>
export type ModelId = Id<'model'>
export type StageId = Id<'stage'>
export type EventId = Id<'event'>
/** Derived, never stored: `<unitId>/<number from 1>`. */
export type BatchId = Id<'batch'>
export type MaterialId = Id<'material'>
export type RecipeId = Id<'recipe'>
export type StepId = Id<'step'>
export type PainterId = Id<'painter'>
