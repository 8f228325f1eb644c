import { existsSync } from 'node:fs'
import { Cluster } from './cluster.mjs'
import { ensurePostgres, postgresBin, postgresMajors } from './debian-packages.mjs'
import { holdFolder } from './locks.mjs'
import { Stop } from './stop.mjs'

/**
 * The database of a data folder, or the one of DATABASE_URL, for a tool: the one that runs, else started for as long as
 * the tool needs it.
 * @param mayMake whether a folder without data gets some; such a tool wants the folder to itself.
 */
export async function openDatabase(dataFolder, { mayMake }) {
  await ensurePostgres()
  const given = process.env.DATABASE_URL
  if (given) return { address: given, bin: postgresBin(postgresMajors()[0]), close: async () => undefined }
  if (!mayMake && !existsSync(dataFolder)) throw new Stop(`There are no data in ${dataFolder}.`)
  const cluster = new Cluster(dataFolder)
  if (!mayMake && !cluster.hasData()) throw new Stop(`There are no data in ${dataFolder}.`)
  if (!mayMake && cluster.isRunning()) {
    const { address, bin } = await cluster.running()
    return { address, bin, close: async () => undefined }
  }
  await holdFolder(dataFolder, 0)
  const address = await cluster.start()
  return { address, bin: cluster.bin, close: () => cluster.stop() }
}
