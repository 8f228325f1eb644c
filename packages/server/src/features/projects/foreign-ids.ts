import type { ModelId, ProjectId, RecipeId, StageId, UnitId } from '@seriatim/core/units'
import { eq, inArray } from 'drizzle-orm'
import type { Database } from '../../db/client.ts'
import { recipe, stage } from '../../db/schema/line.ts'
import { model, unit } from '../../db/schema/roster.ts'

export interface IdsOf {
  readonly units: readonly UnitId[]
  readonly models: readonly ModelId[]
  readonly stages: readonly StageId[]
  readonly recipes: readonly RecipeId[]
}

/** Ids of the given kind that exist already but belong to another project. */
export async function foreignIds(db: Database, projectId: ProjectId, ids: IdsOf): Promise<readonly string[]> {
  const units = ids.units.length
    ? await db
        .select({ id: unit.id, owner: unit.projectId })
        .from(unit)
        .where(inArray(unit.id, [...ids.units]))
    : []
  const stages = ids.stages.length
    ? await db
        .select({ id: stage.id, owner: stage.projectId })
        .from(stage)
        .where(inArray(stage.id, [...ids.stages]))
    : []
  const models = ids.models.length
    ? await db
        .select({ id: model.id, owner: unit.projectId })
        .from(model)
        .innerJoin(unit, eq(model.unitId, unit.id))
        .where(inArray(model.id, [...ids.models]))
    : []
  const recipes = ids.recipes.length
    ? await db
        .select({ id: recipe.id, owner: recipe.projectId })
        .from(recipe)
        .where(inArray(recipe.id, [...ids.recipes]))
    : []
  return [...units, ...stages, ...models, ...recipes]
    .filter((each) => each.owner !== projectId)
    .map((each) => each.id)
}
