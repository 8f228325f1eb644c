import type { ProgressEvent } from '@seriatim/core/progress'
import type { Material, Model, Painter, Pin, Recipe, Stage, Step, Unit } from '@seriatim/core/trade'
import { describe, expectTypeOf, it } from 'vitest'
import type { z } from 'zod'
import type { eventSchema } from './event.ts'
import type { painterSchema, pinSchema } from './planning.ts'
import type { modelSchema, stageSchema, unitSchema } from './project.ts'
import type { materialSchema, recipeSchema, stepSchema } from './recipe.ts'

/** Each can stand for the other; what may be written to is of no account here. */
type Same<A, B> = [A] extends [B] ? ([B] extends [A] ? true : false) : false

/** What a schema lets in is what the core works with, and nothing more: the compiler says so. */
describe('a schema and the type of the core', () => {
  it('are the same thing', () => {
    expectTypeOf<Same<z.output<typeof unitSchema>, Unit>>().toEqualTypeOf<true>()
    expectTypeOf<Same<z.output<typeof modelSchema>, Model>>().toEqualTypeOf<true>()
    expectTypeOf<Same<z.output<typeof stageSchema>, Stage>>().toEqualTypeOf<true>()
    expectTypeOf<Same<z.output<typeof recipeSchema>, Recipe>>().toEqualTypeOf<true>()
    expectTypeOf<Same<z.output<typeof stepSchema>, Step>>().toEqualTypeOf<true>()
    expectTypeOf<Same<z.output<typeof materialSchema>, Material>>().toEqualTypeOf<true>()
    expectTypeOf<Same<z.output<typeof painterSchema>, Painter>>().toEqualTypeOf<true>()
    expectTypeOf<Same<z.output<typeof pinSchema>, Pin>>().toEqualTypeOf<true>()
    expectTypeOf<Same<z.output<typeof eventSchema>, ProgressEvent>>().toEqualTypeOf<true>()
  })
})
