import { routes } from '@seriatim/contract'
import type { Hono } from 'hono'
import type { Database } from '../../db/client.ts'
import type { StudioId } from '../../db/schema/columns.ts'
import { RequestProblem } from '../../http/problem.ts'
import { serveRoute, type Asking } from '../../http/serve-route.ts'
import { addKey, listKeys, removeKey } from './keys.ts'
import { readMembers, readOtherStudios, readStudioName } from './repository.ts'
import * as members from './service.ts'

/** @param of `null` where there is no door: then nobody is a member, and nobody needs to be. */
export function memberRoutes(
  app: Hono<{ Bindings: Asking }>,
  of: members.MembersOf | null,
  db: Database,
  studio: StudioId,
): void {
  const required = (): members.MembersOf => {
    if (!of)
      throw new RequestProblem('not-found', 'This desk has no door: whoever sits at it may do everything.')
    return of
  }
  serveRoute(app, routes.readMe, async ({ by }) => {
    const nobody = { member: null, studio: null, otherStudios: [] }
    if (!of) return { door: false, ...nobody }
    if (by.accountId === null) return { door: true, ...nobody }
    const member = (await readMembers(of.db, of.owner)).find((each) => each.id === by.accountId)
    return {
      door: true,
      member: member ?? null,
      studio: await readStudioName(db),
      otherStudios: by.byKey ? [] : await readOtherStudios(of.owner, by.accountId, studio),
    }
  })
  serveRoute(app, routes.chooseStudio, async ({ by, body }) => {
    const accountId = ownAccount(by)
    if (by.signInId === null) throw new RequestProblem('not-allowed', 'Only who signed in goes elsewhere.')
    await members.chooseStudio(
      required().owner,
      { signInId: by.signInId, accountId },
      body.studioId as StudioId,
    )
    return { chosen: true as const }
  })
  serveRoute(app, routes.listKeys, async ({ by }) => ({ keys: await listKeys(db, ownAccount(by)) }))
  serveRoute(app, routes.addKey, async ({ by, body }) =>
    addKey(db, { accountId: ownAccount(by), role: by.role ?? 'painter' }, body),
  )
  serveRoute(app, routes.removeKey, async ({ by, params }) => {
    await removeKey(db, ownAccount(by), params.keyId)
    return { removed: true as const }
  })
  serveRoute(app, routes.listMembers, async () => {
    const { db, owner } = required()
    return { members: await readMembers(db, owner) }
  })
  serveRoute(app, routes.addMember, ({ body }) => members.addMember(required(), body))
  serveRoute(app, routes.setMemberRole, ({ params, body }) =>
    members.setMemberRole(required(), params.memberId, body.role),
  )
  serveRoute(app, routes.renewPassword, ({ params }) => members.renewPassword(required(), params.memberId))
  serveRoute(app, routes.removeMember, async ({ params }) => {
    await members.removeMember(required(), params.memberId)
    return { removed: true as const }
  })
}

/** @throws RequestProblem nobody signed in: there is no door, or a key asks. */
function ownAccount({ accountId, byKey }: Asking): string {
  if (accountId === null)
    throw new RequestProblem(
      'not-found',
      'This desk has no door, and so no keys: scripts on this machine ask without.',
    )
  if (byKey)
    throw new RequestProblem('not-allowed', 'Keys are made and taken away after signing in, not by a key.')
  return accountId
}
