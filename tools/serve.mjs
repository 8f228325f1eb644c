// npm run serve -- --origin URL: as npm start, for other machines too, behind a door where everybody signs in.
import { existsSync } from 'node:fs'
import { resolve } from 'node:path'
import { parseArgs } from 'node:util'
import { runTool, Stop } from './lib/stop.mjs'

await runTool(async () => {
  const given = options()
  const address = originOf(given.origin)
  if ((given.cert === undefined) !== (given.key === undefined))
    throw new Stop('A certificate and its key go together: --cert FILE --key FILE.')
  for (const file of [given.cert, given.key])
    if (file !== undefined && !existsSync(resolve(file))) throw new Stop(`There is no file ${file}.`)
  if (given.cert !== undefined && address.protocol !== 'https:')
    throw new Stop('With a certificate the origin begins with https://.')
  process.env.SERIATIM_ORIGIN = address.origin
  process.env.SERIATIM_HOST = given.host
  process.env.PORT = given.port ?? (address.port || (given.cert ? '443' : '4640'))
  if (!/^([1-9]|[1-5]\d|6[0-4])$/.test(given.processes)) throw new Stop('From 1 to 64 processes.')
  process.env.SERIATIM_PROCESSES = given.processes
  if (given.cert) process.env.SERIATIM_CERT = resolve(given.cert)
  if (given.key) process.env.SERIATIM_KEY = resolve(given.key)
  await import('./start.mjs')
})

function options() {
  const known = {
    origin: {},
    host: { default: '0.0.0.0' },
    port: {},
    cert: {},
    key: {},
    processes: { default: '1' },
  }
  const described = Object.fromEntries(
    Object.entries(known).map(([name, own]) => [name, { type: 'string', ...own }]),
  )
  try {
    return parseArgs({ options: described }).values
  } catch (error) {
    throw new Stop(
      `${error.message.split('. ')[0]}. It takes --origin, --host, --port, --cert, --key and --processes.`,
    )
  }
}

function originOf(text) {
  const example = 'npm run serve -- --origin http://desk.local:4640'
  if (!text) throw new Stop(`Say how browsers reach this place: ${example}`)
  if (!URL.canParse(text) || !/^https?:$/.test(new URL(text).protocol))
    throw new Stop(`${text} is no address of a place on the web: ${example}`)
  return new URL(text)
}
