import { createHash } from 'node:crypto'
import {
  closeSync,
  createReadStream,
  createWriteStream,
  openSync,
  readSync,
  renameSync,
  rmSync,
  statSync,
} from 'node:fs'
import { pipeline } from 'node:stream/promises'
import { Stop } from './stop.mjs'

const format = 'seriatim-backup'
const version = 1
const longestHeader = 4096

/** Puts a dump behind a line that says what it is and how it is to be recognised; the file appears whole or not at all. */
export async function writeBackup(dump, file) {
  const header = {
    format,
    version,
    writtenAt: new Date().toISOString(),
    bytes: statSync(dump).size,
    sha256: await hashOf(createReadStream(dump)),
  }
  const beside = `${file}.being-written`
  try {
    const out = createWriteStream(beside, { flags: 'w', mode: 0o600 })
    out.write(`${JSON.stringify(header)}\n`)
    await pipeline(createReadStream(dump), out)
    renameSync(beside, file)
  } catch (error) {
    rmSync(beside, { force: true })
    throw new Stop(`The backup ${file} could not be written: ${error.message}.`)
  }
  return header
}

/** Takes the dump out again. @throws Stop when the file is no backup, or not as it was written. */
export async function readBackup(file, dump) {
  const { header, from } = readHeader(file)
  if (header.version > version)
    throw new Stop(`${file} was written by a newer Seriatim; use that to restore it.`)
  const damaged = `${file} is damaged: it is not as it was written. Nothing was changed.`
  if (statSync(file).size !== from + header.bytes) throw new Stop(damaged)
  if ((await hashOf(createReadStream(file, { start: from }))) !== header.sha256) throw new Stop(damaged)
  await pipeline(createReadStream(file, { start: from }), createWriteStream(dump, { mode: 0o600 }))
  return header
}

function readHeader(file) {
  const start = Buffer.alloc(longestHeader)
  let length
  try {
    const handle = openSync(file, 'r')
    length = readSync(handle, start, 0, longestHeader, 0)
    closeSync(handle)
  } catch (error) {
    throw new Stop(`${file} cannot be read: ${error.message}.`)
  }
  const end = start.subarray(0, length).indexOf('\n')
  try {
    const header = JSON.parse(start.subarray(0, Math.max(0, end)).toString())
    if (header.format === format && Number.isInteger(header.version) && Number.isInteger(header.bytes))
      return { header, from: end + 1 }
  } catch {
    // Said below.
  }
  throw new Stop(`${file} is no backup of Seriatim.`)
}

async function hashOf(stream) {
  const hash = createHash('sha256')
  for await (const chunk of stream) hash.update(chunk)
  return hash.digest('hex')
}
