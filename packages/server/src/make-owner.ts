// Makes an owner for the studio of this database: name and address as arguments, the password on standard input.
import { text } from 'node:stream/consumers'
import { newMemberSchema } from '@seriatim/contract'
import { drizzle } from 'drizzle-orm/node-postgres'
import { pino } from 'pino'
import { openPool } from './db/client.ts'
import { migrateDatabase } from './db/migrate.ts'
import { openStudios } from './db/studios.ts'
import { readEnvironment } from './env.ts'
import { addMember, openDoor } from './features/door/index.ts'
import { RequestProblem } from './http/problem.ts'

const shortest = 10
const env = readEnvironment()
const log = pino({ level: env.logLevel }, pino.destination(2))

function giveUp(sentence: string): never {
  process.stderr.write(`${sentence}\n`)
  process.exit(1)
}

const [, , email = '', called] = process.argv
const name = called ?? email.split('@')[0]
const given = newMemberSchema.safeParse({ email, name, role: 'owner' })
if (!given.success) giveUp(given.error.issues[0]?.message ?? 'This is no e-mail address.')
const password = (await text(process.stdin)).replace(/\r?\n$/, '')
if (password.length < shortest) giveUp(`A password has at least ${String(shortest)} characters.`)
if (password.length > 128) giveUp('A password has up to 128 characters.')

const studio = await migrateDatabase(env.databaseUrl)
const studios = openStudios(env.databaseUrl, log)
const pool = openPool(env.databaseUrl, log)
const owner = drizzle(pool)
const { accounts } = await openDoor(owner, env.origin ?? 'http://127.0.0.1', log)
try {
  await addMember({ db: studios.of(studio), owner, accounts }, given.data, password)
  process.stdout.write(`${given.data.email} owns this studio now, and may sign in.\n`)
} catch (error) {
  if (error instanceof RequestProblem) giveUp(error.message)
  throw error
} finally {
  await studios.close()
  await pool.end()
}
