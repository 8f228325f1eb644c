import type { Role } from '@seriatim/contract'
import { betterAuth } from 'better-auth/minimal'
import { drizzleAdapter } from 'better-auth/adapters/drizzle'
import type { Logger } from 'pino'
import { v7 } from 'uuid'
import type { Database } from '../../db/client.ts'
import type { StudioId } from '../../db/schema/columns.ts'
import { account, credential, knocks, signIn, verification } from '../../db/schema/door.ts'
import { addressHeader, authPath } from './auth-path.ts'
import { whoHasKey } from './keys.ts'
import { readDoorKey, readMembership } from './repository.ts'

/** Somebody who signed in, in a studio of theirs. */
export interface Visitor {
  readonly studio: StudioId
  readonly role: Role
  readonly accountId: string
  readonly name: string
  /** `null` for a key. */
  readonly signInId: string | null
  /** By signing in, or by a key; a looking key changes nothing. */
  readonly by: 'sign-in' | 'key' | 'looking-key'
}

/** Whoever is not on this machine comes through here. */
export interface Door {
  /** Sign-in, sign-out, a new password: what the authentication library answers. */
  readonly answer: (request: Request) => Promise<Response>
  /**
   * `null` for whoever is not signed in, or belongs to no studio any more.
   * @param feedKey the key in the address of a feed, for calendars that can send no header.
   */
  readonly whoIs: (headers: Headers, feedKey?: string) => Promise<Visitor | null>
  readonly accounts: Accounts
}

/** Accounts and their passwords. */
export interface Accounts {
  readonly make: (name: string, email: string, password: string) => Promise<string>
  /** Ends every sign-in of the account too. */
  readonly setPassword: (accountId: string, password: string) => Promise<void>
}

const day = 86_400

/** @param owner the whole database: who may sign in is no studio's affair. @param origin as browsers name this place. */
export async function openAuth(owner: Database, origin: string, log: Logger): Promise<Door> {
  const auth = betterAuth({
    appName: 'Seriatim',
    baseURL: origin,
    basePath: authPath,
    secret: await readDoorKey(owner),
    telemetry: { enabled: false },
    logger: {
      level: 'warn',
      log: (level, message) => log[level]({ door: message }, 'door'),
    },
    database: drizzleAdapter(owner, {
      provider: 'pg',
      schema: { user: account, session: signIn, account: credential, verification, rateLimit: knocks },
    }),
    // An owner makes the accounts.
    emailAndPassword: {
      enabled: true,
      disableSignUp: true,
      minPasswordLength: 10,
      revokeSessionsOnPasswordReset: true,
    },
    session: { expiresIn: 30 * day, updateAge: day },
    rateLimit: {
      enabled: true,
      storage: 'database',
      customRules: { '/sign-in/email': { window: 60, max: 10 }, '/get-session': false },
    },
    advanced: {
      useSecureCookies: origin.startsWith('https:'),
      cookiePrefix: 'seriatim',
      database: { generateId: () => v7() },
      ipAddress: { ipAddressHeaders: [addressHeader] },
    },
  })
  const { internalAdapter, password: secrets } = await auth.$context
  return {
    answer: (request) => auth.handler(request),
    whoIs: async (headers, feedKey) => {
      const [, bearer] = /^Bearer (\S+)$/.exec(headers.get('authorization') ?? '') ?? []
      const key = bearer ?? feedKey
      if (key !== undefined) return whoHasKey(owner, key)
      const known = await auth.api.getSession({ headers })
      return known ? readMembership(owner, known.user.id, known.session.id) : null
    },
    accounts: {
      make: async (name, email, password) => {
        const made = await internalAdapter.createUser(
          { name, email, emailVerified: true },
          { method: 'admin' },
        )
        const hash = await secrets.hash(password)
        await internalAdapter.linkAccount({
          userId: made.id,
          accountId: made.id,
          providerId: 'credential',
          password: hash,
        })
        return made.id
      },
      setPassword: async (accountId, password) => {
        await internalAdapter.updatePassword(accountId, await secrets.hash(password))
        await internalAdapter.deleteUserSessions(accountId)
      },
    },
  }
}
