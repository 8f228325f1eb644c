// npm run owner -- EMAIL [NAME] [--studio STUDIO]: somebody who may sign in and owns the studio, or a new one of that name
// beside it; asks for a password.
import { spawn } from 'node:child_process'
import { existsSync } from 'node:fs'
import { resolve } from 'node:path'
import { createInterface } from 'node:readline/promises'
import { Writable } from 'node:stream'
import { text } from 'node:stream/consumers'
import { parseArgs } from 'node:util'
import { ensureServerBuild, serverProgram } from './lib/builds.mjs'
import { ensureNodePackages, requireNode } from './lib/node-packages.mjs'
import { openDatabase } from './lib/open-database.mjs'
import { inRoot, root } from './lib/paths.mjs'
import { runTool, Stop } from './lib/stop.mjs'

const dataFolder = resolve(process.env.SERIATIM_DATA ?? inRoot('data'))
const { positionals, values } = readArguments()
const [email, ...name] = positionals

await runTool(async () => {
  requireNode()
  if (!email) throw new Stop('Name the owner: npm run owner -- you@example.org "Your name"')
  await ensureNodePackages()
  await ensureServerBuild()
  const password = await askPassword()
  const database = await openDatabase(dataFolder, { mayMake: !existsSync(dataFolder) })
  try {
    process.exitCode = await makeOwner(database.address, password)
  } finally {
    await database.close()
  }
})

/** Typed unseen, or given on standard input by a script. */
async function askPassword() {
  if (!process.stdin.isTTY) return (await text(process.stdin)).split('\n')[0]
  const unseen = new Writable({ write: (_chunk, _encoding, done) => done() })
  const terminal = createInterface({ input: process.stdin, output: unseen, terminal: true })
  process.stdout.write('A password of at least 10 characters: ')
  const password = await terminal.question('')
  terminal.close()
  process.stdout.write('\n')
  return password
}

function makeOwner(address, password) {
  const child = spawn(
    process.execPath,
    [
      serverProgram('make-owner'),
      email,
      ...(name.length > 0 ? [name.join(' ')] : []),
      ...(values.studio === undefined ? [] : ['--studio', values.studio]),
    ],
    { cwd: root, stdio: ['pipe', 'inherit', 'inherit'], env: { ...process.env, DATABASE_URL: address } },
  )
  child.stdin.end(password)
  return new Promise((done) => child.once('exit', (code) => done(code ?? 1)))
}

function readArguments() {
  try {
    return parseArgs({ allowPositionals: true, options: { studio: { type: 'string' } } })
  } catch (error) {
    process.stderr.write(`${error.message}\n`)
    process.exit(1)
  }
}
