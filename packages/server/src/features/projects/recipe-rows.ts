import type { StoredProject } from '@seriatim/contract'
import type { Recipe } from '@seriatim/core/trade'
import type { ProjectId } from '@seriatim/core/units'
import { and, asc, desc, eq, inArray, isNull, ne, sql } from 'drizzle-orm'
import type { Database } from '../../db/client.ts'
import { recipe } from '../../db/schema/line.ts'
import { project } from '../../db/schema/project.ts'

export async function readRecipes(db: Database, projectId: ProjectId): Promise<StoredProject['recipes']> {
  const rows = await db
    .select({ document: recipe.document })
    .from(recipe)
    .where(and(eq(recipe.projectId, projectId), isNull(recipe.removedAt)))
    .orderBy(asc(recipe.position), asc(recipe.id))
  return rows.map((row) => row.document)
}

const mostKept = 200

/** The recipes of the projects that are not put away, but for one, the newest projects first. */
export async function readKeptRecipes(
  db: Database,
  beside: ProjectId,
): Promise<readonly { readonly project: string; readonly recipe: Recipe }[]> {
  return db
    .select({ project: project.name, recipe: recipe.document })
    .from(recipe)
    .innerJoin(project, eq(project.id, recipe.projectId))
    .where(and(ne(recipe.projectId, beside), isNull(recipe.removedAt), isNull(project.removedAt)))
    .orderBy(desc(project.id), asc(recipe.position))
    .limit(mostKept)
}

/** Writes the recipes that differ; those no longer named are marked removed, and named ones come back. */
export async function writeRecipes(
  db: Database,
  projectId: ProjectId,
  before: readonly Recipe[],
  after: readonly Recipe[],
): Promise<void> {
  const stay = new Set(after.map((each) => each.id))
  const gone = before.filter((each) => !stay.has(each.id)).map((each) => each.id)
  if (gone.length > 0) await db.update(recipe).set({ removedAt: new Date() }).where(inArray(recipe.id, gone))
  const changed = after.flatMap((document, position) =>
    before.includes(document) ? [] : [{ id: document.id, projectId, position, document }],
  )
  if (changed.length > 0) {
    await db
      .insert(recipe)
      .values(changed)
      .onConflictDoUpdate({
        target: [recipe.studioId, recipe.id],
        set: { position: sql`excluded.position`, document: sql`excluded.document`, removedAt: null },
      })
  }
  await db.execute(sql`
    update recipe set position = place - 1
    from unnest(${sql.param(after.map((each) => each.id))}::uuid[]) with ordinality as wanted (id, place)
    where recipe.id = wanted.id and position <> place - 1`)
}
