import { readFileSync } from 'node:fs'
import { oneAtATime } from './locks.mjs'
import { inRoot, root } from './paths.mjs'
import { run } from './run.mjs'
import { Stop } from './stop.mjs'

/** Refuses a Node.js the packages cannot run on. */
export function requireNode() {
  const [major, minor] = process.versions.node.split('.').map(Number)
  if (major > 20 || (major === 20 && minor >= 19)) return
  throw new Stop(`Seriatim needs Node.js 20.19 or newer; this is ${process.versions.node}.`)
}

/** Installs the npm packages the lock file names, unless exactly those are there, whoever installed them. */
export async function ensureNodePackages() {
  if (isInstalled()) return
  await oneAtATime(`packages of ${root}`, async () => {
    if (isInstalled()) return
    process.stderr.write('Installing npm packages …\n')
    // What this machine has of them already is not asked for again: the lock file says what is in each.
    const args = ['ci', '--include=dev', '--prefer-offline', '--no-audit', '--no-fund']
    const { code, output } = await run('npm', args, { quiet: true })
    if (code === 0) return
    if (/ENOSPC/.test(output)) throw new Stop('The disk is full; free some space and start again.')
    process.stderr.write(output)
    throw new Stop('The npm packages could not be installed; the lines above say why.')
  })
}

/** npm writes what it installed at the end of it; packages for other machines are left out of it. */
function isInstalled() {
  const wanted = packagesIn(inRoot('package-lock.json'))
  let installed
  try {
    installed = packagesIn(inRoot('node_modules', '.package-lock.json'))
  } catch {
    return false
  }
  return Object.entries(wanted).every(([path, entry]) => {
    if (!path.startsWith('node_modules/') && !path.includes('/node_modules/')) return true
    const own = installed[path]
    if (own === undefined) return entry.optional === true
    return own.version === entry.version && own.integrity === entry.integrity
  })
}

const packagesIn = (path) => JSON.parse(readFileSync(path, 'utf8')).packages
