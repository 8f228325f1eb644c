// npm run backup [-- FILE]: everything in one checksummed file, while Seriatim runs or not.
import { mkdirSync, rmSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { noteBackup } from './lib/backup-age.mjs'
import { writeBackup } from './lib/backup-file.mjs'
import { openDatabase } from './lib/open-database.mjs'
import { inRoot } from './lib/paths.mjs'
import { run } from './lib/run.mjs'
import { runTool, Stop } from './lib/stop.mjs'

const dataFolder = resolve(process.env.SERIATIM_DATA ?? inRoot('data'))
const stamp = new Date().toISOString().slice(0, 16).replaceAll(':', '')
const file = resolve(process.argv[2] ?? `seriatim-${stamp}.backup`)

await runTool(async () => {
  const database = await openDatabase(dataFolder, { mayMake: false })
  mkdirSync(dirname(file), { recursive: true })
  const dump = join(dirname(file), `.seriatim-dump-${process.pid}`)
  try {
    const { code, output } = await run(
      `${database.bin}/pg_dump`,
      [
        '--format=custom',
        '--no-owner',
        '--no-privileges',
        '--exclude-schema=seriatim_jobs',
        `--file=${dump}`,
        database.address,
      ],
      // Moments are written in one zone, whichever this machine is in.
      { quiet: true, env: { ...process.env, PGTZ: 'UTC' } },
    )
    if (code !== 0) throw new Stop(`The database could not be copied: ${output.trim().split('\n').at(-1)}`)
    const { bytes, writtenAt } = await writeBackup(dump, file)
    if (!process.env.DATABASE_URL) noteBackup(dataFolder, writtenAt)
    process.stdout.write(
      `${file}: ${Math.ceil(bytes / 1024)} KB. npm run restore -- FILE puts it into empty data.\n`,
    )
  } finally {
    rmSync(dump, { force: true })
    await database.close()
  }
})
