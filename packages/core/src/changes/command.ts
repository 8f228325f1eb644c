import type {
  Holder,
  KeptBatch,
  Model,
  Painter,
  Pin,
  Planning,
  Project,
  Recipe,
  Stage,
  Step,
  Unit,
} from '../trade/index.ts'

/** What a project says of itself and of its planning, apart from the lists in it. */
export type ProjectFields = Omit<Project, 'id' | 'planning' | 'units' | 'recipes' | 'line'> &
  Omit<Planning, 'painters' | 'pins' | 'batches' | 'holders'>

/** The things of a project that stand in a list, each under an id. */
export interface Listed {
  readonly unit: Unit
  readonly model: Model
  readonly recipe: Recipe
  readonly step: Step
  readonly stage: Stage
  readonly painter: Painter
  readonly pin: Pin
  readonly batch: KeptBatch
  readonly holder: Holder
}

export type Thing = keyof Listed

/** What of each thing is set by itself; what is a list of things in it is not. */
export interface Fields {
  readonly project: ProjectFields
  readonly unit: Omit<Unit, 'id' | 'models'>
  readonly model: Omit<Model, 'id'>
  readonly recipe: Omit<Recipe, 'id' | 'steps'>
  readonly step: Omit<Step, 'id'>
  readonly stage: Omit<Stage, 'id'>
  readonly painter: Omit<Painter, 'id'>
  readonly pin: Omit<Pin, 'batchId' | 'stageId'>
  readonly batch: Omit<KeptBatch, 'id'>
  readonly holder: Omit<Holder, 'id'>
}

/** Which thing is meant. */
interface ThingRef<T extends Thing = Thing> {
  readonly thing: T
  readonly id: string
  /** The unit of a model, the recipe of a step; `null` for what stands in the project itself. */
  readonly in: string | null
}

/** Where a thing comes to stand: after the one (`null`: first), else before the other, else last. */
export interface Neighbours {
  readonly after: string | null
  readonly before: string | null
}

type SetOf<Ref, F> = { readonly [K in keyof F]: Ref & { readonly field: K; readonly value: F[K] } }[keyof F]

type SetCommand = { readonly kind: 'set' } & (
  | SetOf<{ readonly thing: 'project' }, Fields['project']>
  | { readonly [T in Thing]: SetOf<ThingRef<T>, Fields[T]> }[Thing]
)

type PutCommand = { readonly kind: 'put' } & {
  readonly [T in Thing]: ThingRef<T> & Neighbours & { readonly value: Listed[T] }
}[Thing]

type TakeCommand = { readonly kind: 'take' } & ThingRef
type MoveCommand = { readonly kind: 'move' } & ThingRef & Neighbours

/**
 * One small change to the structure of a project: a field set, a thing put in, taken out or moved. It says what it
 * changes and nothing else, so that it can be made on a state that others changed meanwhile.
 */
export type Command = SetCommand | PutCommand | TakeCommand | MoveCommand
