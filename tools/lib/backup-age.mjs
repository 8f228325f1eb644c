import { existsSync, readFileSync, renameSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'

const day = 24 * 3600 * 1000
/** After so many days a backup is old. */
const oldAfter = 14

const placeOf = (folder) => join(folder, 'last-backup.json')

export function noteBackup(folder, at) {
  writeFileSync(`${placeOf(folder)}.new`, `${JSON.stringify({ at })}\n`)
  renameSync(`${placeOf(folder)}.new`, placeOf(folder))
}

/** A sentence when it is time for a backup of data that were there before; else `null`. */
export function backupReminder(folder, now = Date.now()) {
  if (!existsSync(join(folder, 'postgres'))) return null
  let at = NaN
  try {
    at = Date.parse(JSON.parse(readFileSync(placeOf(folder), 'utf8')).at)
  } catch {
    // None was made, or nobody can tell when.
  }
  if (Number.isNaN(at)) return 'There is no backup of these data yet: npm run backup makes one.'
  const days = Math.floor((now - at) / day)
  return days < oldAfter ? null : `The last backup is ${days} days old: npm run backup makes one.`
}
