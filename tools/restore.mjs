// npm run restore -- FILE: a backup into empty data; the next start brings it up to date.
import { mkdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { readBackup } from './lib/backup-file.mjs'
import { openDatabase } from './lib/open-database.mjs'
import { inRoot } from './lib/paths.mjs'
import { run } from './lib/run.mjs'
import { runTool, Stop } from './lib/stop.mjs'

const dataFolder = resolve(process.env.SERIATIM_DATA ?? inRoot('data'))
const [given] = process.argv.slice(2)

await runTool(async () => {
  if (!given) throw new Stop('Name the file to restore: npm run restore -- FILE')
  const dump = join(tmpdir(), `seriatim-restore-${process.pid}`)
  try {
    const { writtenAt } = await readBackup(resolve(given), dump)
    mkdirSync(dataFolder, { recursive: true })
    const database = await openDatabase(dataFolder, { mayMake: true })
    try {
      await requireEmpty(database)
      const { code, output } = await run(
        `${database.bin}/pg_restore`,
        [
          '--no-owner',
          '--no-privileges',
          '--exit-on-error',
          '--single-transaction',
          `--dbname=${database.address}`,
          dump,
        ],
        { quiet: true },
      )
      if (code !== 0)
        throw new Stop(
          `The backup could not be put in, and nothing was changed: ${output.trim().split('\n').at(-1)}`,
        )
      // Pages that kept a copy of the other database's records are to ask for all of them anew.
      await ask(database, 'update installation set id = gen_random_uuid()', { mayFail: true })
      process.stdout.write(`The backup of ${writtenAt} is in ${dataFolder}. npm start opens it.\n`)
    } finally {
      await database.close()
    }
  } finally {
    rmSync(dump, { force: true })
  }
})

/** What is there is never overwritten. */
async function requireEmpty(database) {
  const tables = await ask(
    database,
    "select count(*) from pg_tables where schemaname not in ('pg_catalog', 'information_schema')",
  )
  if (tables !== '0')
    throw new Stop(
      'There are data already, and they stay as they are. Restore into an empty place with SERIATIM_DATA=FOLDER, or move the old folder away.',
    )
}

async function ask(database, statement, { mayFail = false } = {}) {
  const { code, output } = await run(`${database.bin}/psql`, ['-XAtq', '-c', statement, database.address], {
    quiet: true,
  })
  if (code !== 0 && !mayFail)
    throw new Stop(`The database did not answer: ${output.trim().split('\n').at(-1)}`)
  return output.trim()
}
