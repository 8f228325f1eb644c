import { materialsOf } from '@seriatim/core/recipe'
import type { Material } from '@seriatim/core/trade'
import type { MaterialId, RecipeId } from '@seriatim/core/units'
import { and, eq, inArray, isNull, sql } from 'drizzle-orm'
import type { Database } from '../../db/client.ts'
import { material } from '../../db/schema/desk.ts'
import { recipe } from '../../db/schema/line.ts'

export async function readShelf(db: Database): Promise<readonly Material[]> {
  const rows = await db
    .select({ document: material.document })
    .from(material)
    .where(isNull(material.removedAt))
    .orderBy(sql`lower(${material.document} ->> 'name')`)
  return rows.map((row) => row.document)
}

export async function isShelfNew(db: Database): Promise<boolean> {
  return (await db.select({ id: material.id }).from(material).limit(1)).length === 0
}

/** One at a time changes the shelf: names stay unique by looking before writing. */
export async function lockShelf(db: Database): Promise<void> {
  await db.execute(sql`select pg_advisory_xact_lock(hashtextextended(this_studio()::text, 1))`)
}

export async function countMaterials(db: Database): Promise<number> {
  return db.$count(material, isNull(material.removedAt))
}

/** Writes them all at once; two that swap their names stand without a name between. */
export async function writeMaterials(db: Database, materials: readonly Material[]): Promise<void> {
  if (materials.length === 0) return
  await db
    .update(material)
    .set({ removedAt: new Date() })
    .where(
      inArray(
        material.id,
        materials.map((each) => each.id),
      ),
    )
  await db
    .insert(material)
    .values(materials.map((document) => ({ id: document.id, document })))
    .onConflictDoUpdate({
      target: [material.studioId, material.id],
      set: { document: sql`excluded.document`, removedAt: null },
    })
}

export async function removeMaterial(db: Database, id: MaterialId): Promise<boolean> {
  const rows = await db
    .update(material)
    .set({ removedAt: new Date() })
    .where(and(eq(material.id, id), isNull(material.removedAt)))
    .returning({ id: material.id })
  return rows.length > 0
}

/** Recipes that name the material, in a version too. */
export async function recipesUsing(
  db: Database,
  id: MaterialId,
): Promise<readonly { readonly id: RecipeId; readonly name: string }[]> {
  const rows = await db.select({ document: recipe.document }).from(recipe).where(isNull(recipe.removedAt))
  return rows
    .filter(({ document }) => materialsOf(document).has(id))
    .map(({ document }) => ({ id: document.id, name: document.name }))
}
