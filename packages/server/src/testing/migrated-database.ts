import { pino } from 'pino'
import { openPool } from '../db/client.ts'
import { migrateDatabase } from '../db/migrate.ts'

/** Every test server begins with a copy of it: bringing one up to date takes ten times as long. */
export const migratedDatabase = 'migrated'

const quiet = pino({ level: 'silent' })

/** The address of the cluster that tests may use, and of one of its databases. @throws Error without one. */
export function testAddress(database?: string): string {
  const address = process.env['SERIATIM_TEST_DATABASE']
  if (!address) throw new Error('SERIATIM_TEST_DATABASE is not set: run the tests with npm test')
  const url = new URL(address)
  if (database !== undefined) url.pathname = `/${database}`
  return url.href
}

/** Called once before a whole run. */
export async function setup(): Promise<void> {
  const admin = openPool(testAddress(), quiet)
  await admin.query(`drop database if exists ${migratedDatabase} with (force)`)
  await admin.query(`create database ${migratedDatabase}`)
  await admin.end()
  await migrateDatabase(testAddress(migratedDatabase))
}
