import type { StoredProject } from '@seriatim/contract'
import type { ProjectId, Recipe } from '@seriatim/core'
import { and, asc, eq, isNull, sql } from 'drizzle-orm'
import type { Database } from '../../db/client.ts'
import { recipe } from '../../db/schema.ts'

export async function readRecipes(db: Database, projectId: ProjectId): Promise<StoredProject['recipes']> {
  const rows = await db
    .select({ document: recipe.document })
    .from(recipe)
    .where(and(eq(recipe.projectId, projectId), isNull(recipe.removedAt)))
    .orderBy(asc(recipe.position), asc(recipe.id))
  return rows.map((row) => row.document)
}

/** Writes all recipes; those no longer named are marked removed, and named ones come back. */
export async function writeRecipes(
  db: Database,
  projectId: ProjectId,
  recipes: readonly Recipe[],
): Promise<void> {
  await db
    .update(recipe)
    .set({ removedAt: new Date() })
    .where(and(eq(recipe.projectId, projectId), isNull(recipe.removedAt)))
  if (recipes.length === 0) return
  await db
    .insert(recipe)
    .values(recipes.map((document, position) => ({ id: document.id, projectId, position, document })))
    .onConflictDoUpdate({
      target: recipe.id,
      set: { position: sql`excluded.position`, document: sql`excluded.document`, removedAt: null },
    })
}
