import type { Client } from '@seriatim/contract'
import type { ClientId } from '@seriatim/core/units'
import { and, eq, isNull, sql } from 'drizzle-orm'
import type { Database } from '../../db/client.ts'
import { client } from '../../db/schema/commissions.ts'
import { project } from '../../db/schema/project.ts'
import { mergedOrRefused } from '../../http/merged.ts'
import { RequestProblem } from '../../http/problem.ts'

const mostClients = 5000

/** By name. */
export async function readClients(db: Database): Promise<readonly Client[]> {
  return db
    .select({ id: client.id, name: client.name, contact: client.contact, note: client.note })
    .from(client)
    .where(isNull(client.removedAt))
    .orderBy(sql`lower(${client.name})`, client.id)
}

/** Made, changed, or brought back where it was put away. */
export async function putClient(
  db: Database,
  id: ClientId,
  { before, ...stated }: Omit<Client, 'id'> & { readonly before?: Omit<Client, 'id'> },
): Promise<void> {
  await db.transaction((tx) => keepClient(tx, id, stated, before))
}

async function keepClient(
  db: Database,
  id: ClientId,
  stated: Omit<Client, 'id'>,
  before: Omit<Client, 'id'> | undefined,
): Promise<void> {
  const [there] = await db
    .select({ name: client.name, contact: client.contact, note: client.note })
    .from(client)
    .where(and(eq(client.id, id), isNull(client.removedAt)))
    .for('update')
  const own = mergedOrRefused(before, there, stated, '')
  await db
    .insert(client)
    .values({ id, ...own })
    .onConflictDoUpdate({ target: [client.studioId, client.id], set: { ...own, removedAt: null } })
  if ((await db.$count(client, isNull(client.removedAt))) > mostClients)
    throw new RequestProblem('too-many', 'Up to 5,000 clients: put away some that are long gone.')
}

/** @throws RequestProblem a project is painted for them. */
export async function removeClient(db: Database, id: ClientId): Promise<void> {
  const [job] = await db
    .select({ name: project.name })
    .from(project)
    .where(and(isNull(project.removedAt), eq(sql`${project.commission} ->> 'clientId'`, id)))
    .limit(1)
  if (job) throw new RequestProblem('in-use', `“${job.name}” is painted for this client.`)
  const gone = await db
    .update(client)
    .set({ removedAt: new Date() })
    .where(and(eq(client.id, id), isNull(client.removedAt)))
    .returning({ id: client.id })
  if (gone.length === 0) throw new RequestProblem('not-found', 'There is no such client.')
}
