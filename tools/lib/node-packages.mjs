import { createHash } from 'node:crypto'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { inRoot } from './paths.mjs'
import { run } from './run.mjs'
import { Stop } from './stop.mjs'

const marker = inRoot('node_modules', '.seriatim-installed')

/** Refuses a Node.js the packages cannot run on. */
export function requireNode() {
  const [major, minor] = process.versions.node.split('.').map(Number)
  if (major > 20 || (major === 20 && minor >= 19)) return
  throw new Stop(`Seriatim needs Node.js 20.19 or newer; this is ${process.versions.node}.`)
}

/** Installs the npm packages the lock file names, unless exactly those are there. */
export async function ensureNodePackages() {
  const wanted = createHash('sha256')
    .update(readFileSync(inRoot('package-lock.json')))
    .digest('hex')
  if (existsSync(marker) && readFileSync(marker, 'utf8') === wanted) return
  process.stderr.write('Installing npm packages …\n')
  // What this machine has of them already is not asked for again: the lock file says what is in each.
  const args = ['ci', '--include=dev', '--prefer-offline', '--no-audit', '--no-fund']
  const { code, output } = await run('npm', args, { quiet: true })
  if (code !== 0) {
    if (/ENOSPC/.test(output)) throw new Stop('The disk is full; free some space and start again.')
    process.stderr.write(output)
    throw new Stop('The npm packages could not be installed; the lines above say why.')
  }
  writeFileSync(marker, wanted)
}
