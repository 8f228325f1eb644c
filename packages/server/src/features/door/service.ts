import { randomInt } from 'node:crypto'
import type { Member, Role } from '@seriatim/contract'
import type { Database } from '../../db/client.ts'
import { RequestProblem } from '../../http/problem.ts'
import type { Accounts } from './door.ts'
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
  readonly password: string
}

/** @throws RequestProblem somebody of this address is a member already, or known elsewhere. */
export async function addMember(
  { db, owner, accounts }: MembersOf,
  { name, email, role }: Omit<Member, 'id'>,
  password = newPassword(),
): Promise<PasswordMade> {
  const taken = () => {
    const message = 'Somebody with this address can sign in here already.'
    return new RequestProblem('id-reused', message, [{ path: 'email', message }])
  }
  if (await rows.accountOf(owner, email)) throw taken()
  const id = await accounts.make(name, email, password).catch(async (error: unknown) => {
    // Of two at once the second finds it taken.
    throw (await rows.accountOf(owner, email)) ? taken() : error
  })
  await rows.insertMembership(db, id, role)
  return { member: { id, name, email, role }, password }
}

async function requireMember({ db, owner }: MembersOf, id: string): Promise<Member> {
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
  const password = newPassword()
  await of.accounts.setPassword(id, password)
  return { member, password }
}

export async function removeMember(of: MembersOf, id: string): Promise<void> {
  await requireMember(of, id)
  await withOwnerLeft(of.db, (tx) => rows.deleteMembership(tx, id))
  await rows.dropAccountOfNobody(of.owner, id)
}
