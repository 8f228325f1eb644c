// Makes an owner for the studio of this database, or for a new one beside it (--studio NAME): address and name as arguments,
// the password on standard input.
import { text } from 'node:stream/consumers'
import { parseArgs } from 'node:util'
import { newMemberSchema } from '@seriatim/contract'
import { drizzle } from 'drizzle-orm/node-postgres'
import { pino } from 'pino'
import { openPool } from './db/client.ts'
import { migrateDatabase } from './db/migrate.ts'
import { openStudios } from './db/studios.ts'
import { readEnvironment } from './env.ts'
import { insertStudio, moveIn, openAuth } from './features/auth/index.ts'
import { stockShelfOnce } from './features/shelf/service.ts'
import { RequestProblem } from './http/problem.ts'

const shortest = 10
const env = readEnvironment()
const log = pino({ level: env.logLevel }, pino.destination(2))

function giveUp(sentence: string): never {
  process.stderr.write(`${sentence}\n`)
  process.exit(1)
}

const { positionals, values } = parseArgs({ allowPositionals: true, options: { studio: { type: 'string' } } })
const [email = '', called] = positionals
const studioName = values.studio?.trim()
const name = called ?? email.split('@')[0]
const given = newMemberSchema.safeParse({ email, name, role: 'owner' })
if (!given.success) giveUp(given.error.issues[0]?.message ?? 'This is no e-mail address.')
const password = (await text(process.stdin)).replace(/\r?\n$/, '')
if (password.length < shortest) giveUp(`A password has at least ${String(shortest)} characters.`)
if (password.length > 128) giveUp('A password has up to 128 characters.')

if (studioName !== undefined && (studioName.length === 0 || studioName.length > 80))
  giveUp('A studio has a name of up to 80 characters.')
const first = await migrateDatabase(env.databaseUrl)
const studios = openStudios(env.databaseUrl, log)
const pool = openPool(env.databaseUrl, log)
const owner = drizzle(pool)
const { accounts } = await openAuth(owner, env.origin ?? 'http://127.0.0.1', log)
try {
  const studio = studioName === undefined ? first : await insertStudio(owner, studioName)
  if (studio === null) giveUp(`There is a studio called ${studioName ?? ''} already.`)
  const db = studios.of(studio)
  // The first studio's shelf is stocked at its first start, with the demo's materials.
  if (studioName !== undefined) await stockShelfOnce(db)
  const { isNew } = await moveIn({ db, owner, accounts }, given.data, password)
  const how = isNew ? 'may sign in' : 'signs in with the password they have'
  process.stdout.write(`${given.data.email} owns ${studioName ?? 'this studio'} now, and ${how}.\n`)
} catch (error) {
  if (error instanceof RequestProblem) giveUp(error.message)
  throw error
} finally {
  await studios.close()
  await pool.end()
}
