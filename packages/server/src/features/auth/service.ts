import { randomInt } from 'node:crypto'
import type { Member, Role } from '@seriatim/contract'
import type { Database } from '../../db/client.ts'
import type { StudioId } from '../../db/schema/columns.ts'
import { RequestProblem } from '../../http/problem.ts'
import type { Accounts } from './auth.ts'
import * as rows from './repository.ts'

/** What changing who belongs to a studio takes: its own rows, all accounts, and the keeper of passwords. */
export interface MembersOf {
  readonly db: Database
  readonly owner: Database
  readonly accounts: Accounts
}

/** Letters and digits that nobody takes for one another. */
const clear = 'abcdefghjkmnpqrstuvwxyz23456789'

/** About 79 bits, in four groups to be read aloud. */
function newPassword(): string {
  const group = () => Array.from({ length: 4 }, () => clear[randomInt(clear.length)]).join('')
  return [group(), group(), group(), group()].join('-')
}

interface PasswordMade {
  readonly member: Member
  /** `null` for who had one already. */
  readonly password: string | null
}

type NewMember = Pick<Member, 'name' | 'email' | 'role'>

/**
 * Somebody new, with a password; who has an account in another studio is asked to come, and comes with the next sign-in that
 * chooses this one.
 * @throws RequestProblem somebody of this address belongs here, or is asked, already.
 */
export async function addMember(
  { db, owner, accounts }: MembersOf,
  { name, email, role }: NewMember,
  password = newPassword(),
): Promise<PasswordMade> {
  const known = await rows.accountOf(owner, email)
  if (known !== null) return askMember({ db, owner }, known, role)
  const id = await accounts.make(name, email, password).catch(async (error: unknown) => {
    // Of two at once the second finds it taken.
    throw (await rows.accountOf(owner, email)) === null ? error : taken()
  })
  await rows.insertMembership(db, { accountId: id, role, isAsked: false })
  return { member: { id, name, email, role, isAsked: false }, password }
}

/** Who has an account comes to a studio by the word of whoever runs the server, without being asked. */
export async function moveIn(
  { db, owner, accounts }: MembersOf,
  given: NewMember,
  password: string,
): Promise<{ readonly isNew: boolean }> {
  const known = await rows.accountOf(owner, given.email)
  if (known === null) await addMember({ db, owner, accounts }, given, password)
  else if (await isOfStudio({ db, owner }, known)) throw taken()
  else await rows.insertMembership(db, { accountId: known, role: given.role, isAsked: false })
  return { isNew: known === null }
}

async function askMember(
  of: Pick<MembersOf, 'db' | 'owner'>,
  accountId: string,
  role: Role,
): Promise<PasswordMade> {
  if (await isOfStudio(of, accountId)) throw taken()
  await rows.insertMembership(of.db, { accountId, role, isAsked: true })
  return { member: await requireMember(of, accountId), password: null }
}

async function isOfStudio({ db, owner }: Pick<MembersOf, 'db' | 'owner'>, id: string): Promise<boolean> {
  return (await rows.readMembers(db, owner)).some((each) => each.id === id)
}

function taken(): RequestProblem {
  const message = 'Somebody with this address can sign in here already.'
  return new RequestProblem('id-reused', message, [{ path: 'email', message }])
}

/** @throws RequestProblem they neither belong to it nor are asked there. */
export async function chooseStudio(
  owner: Database,
  by: { readonly signInId: string; readonly accountId: string },
  studioId: StudioId,
): Promise<void> {
  if (!(await rows.leadTo(owner, by, studioId)))
    throw new RequestProblem('not-found', 'You belong to no studio of this id.')
}

async function requireMember({ db, owner }: Pick<MembersOf, 'db' | 'owner'>, id: string): Promise<Member> {
  const member = (await rows.readMembers(db, owner)).find((each) => each.id === id)
  if (!member) throw new RequestProblem('not-found', 'Nobody of this studio has this id.')
  return member
}

/** Under a lock: of two that each take away the last but one owner, the second is refused. */
async function withOwnerLeft(db: Database, change: (tx: Database) => Promise<void>): Promise<void> {
  await db.transaction(async (tx) => {
    await rows.lockMembers(tx)
    await change(tx)
    const left = [...(await rows.readRoles(tx)).values()]
    if (!left.includes('owner'))
      throw new RequestProblem('last-owner', 'The last owner stays one: make somebody else an owner first.')
  })
}

export async function setMemberRole(of: MembersOf, id: string, role: Role): Promise<Member> {
  const member = await requireMember(of, id)
  await withOwnerLeft(of.db, (tx) => rows.setRole(tx, id, role))
  return { ...member, role }
}

export async function renewPassword(of: MembersOf, id: string): Promise<PasswordMade> {
  const member = await requireMember(of, id)
  // Whose account it is elsewhere as well is not for one studio to let in and out.
  if (member.isAsked || (await rows.countHomes(of.owner, id)) > 1)
    throw new RequestProblem(
      'elsewhere-too',
      'This account belongs to another studio too: only its holder changes its password.',
    )
  const password = newPassword()
  await of.accounts.setPassword(id, password)
  return { member, password }
}

export async function removeMember(of: MembersOf, id: string): Promise<void> {
  await requireMember(of, id)
  await withOwnerLeft(of.db, (tx) => rows.deleteMembership(tx, id))
  await rows.dropAccountOfNobody(of.owner, id)
}
